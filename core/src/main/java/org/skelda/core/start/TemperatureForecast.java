package org.skelda.core.start;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;

/**
 * Whether the temperature of a lit engine will exceed a start limit, with its dwell, within the next 5 s. It calls when
 * the curve says so at every reading for a while; it says nothing below four readings a second.
 *
 * <p>Times are microseconds. One thread; one for each attempt.
 */
public final class TemperatureForecast {
    private static final double US_PER_S = 1e6;
    private static final long SLOWEST_us = 250_000;
    private static final long RATE_TOLERANCE_us = 1_000;
    private static final int READINGS_FOR_RATE = 5;
    /** Distance of the points of a drawn forecast (s). */
    public static final double DRAWN_EVERY_s = 0.25;

    private final Extrapolation curve;
    private final Calling calling;
    private final @Nullable CreepingHeat creep;
    private final @Nullable LeapingHeat leap;
    private long lit_us = Signal.NEVER;
    private long last_us = Signal.NEVER;
    private final long[] recent_us = new long[READINGS_FOR_RATE];
    private int readings;
    private long calledSince_us = Signal.NEVER;
    private int calledReadings;
    private @Nullable Limit about;

    /**
     * When a call is made of what the curve says.
     *
     * @param readings the curve must say so at this many readings in a row, 1 or more
     * @param for_s and for at least this long (s)
     * @param ahead_s and see the limit exceeded within this time (s), at most 5
     * @param warning_s time that a call should leave when a limit is merely outstayed (s)
     */
    public record Calling(int readings, double for_s, double ahead_s, double warning_s) {}

    /** What may be said of a limit. */
    public enum Exceeding {
        NO,
        CALLED,
        NOT_FORECAST
    }

    /** By its curve alone. */
    public TemperatureForecast(Extrapolation curve, Calling calling) {
        this(curve, calling, null, null);
    }

    /**
     * @param creep what tells a slow climb before the curve does; @param leap what tells a leap before it does; both
     *     null for the curve alone
     */
    TemperatureForecast(
            Extrapolation curve, Calling calling, @Nullable CreepingHeat creep, @Nullable LeapingHeat leap) {
        this.curve = curve;
        this.calling = calling;
        this.creep = creep;
        this.leap = leap;
    }

    /** The engine has lit at the reading that follows. */
    public void lit(long at_us) {
        lit_us = at_us;
        restart();
        if (leap != null) {
            leap.restart();
        }
    }

    private void restart() {
        curve.restart();
        if (creep != null) {
            creep.restart();
        }
    }

    /**
     * A reading.
     *
     * @param at_us when; @param temperature_c degC
     * @param toCutOut_pct start spool that is still to come until the starter goes out; NaN once it is out, or unread
     */
    public void read(long at_us, double temperature_c, double toCutOut_pct) {
        if (last_us != Signal.NEVER && at_us - last_us > Signal.BRIDGED_us) {
            restart();
            readings = 0;
        }
        last_us = at_us;
        recent_us[readings++ % READINGS_FOR_RATE] = at_us;
        if (lit_us != Signal.NEVER) {
            curve.read(at_us, temperature_c);
            if (creep != null) {
                creep.read(at_us, temperature_c, toCutOut_pct);
            }
            if (leap != null) {
                leap.read(at_us, temperature_c);
            }
        }
    }

    /** Whether readings come often enough and long enough to say anything. */
    public boolean isForecasting() {
        return isReadOften() && curve.isReady();
    }

    private boolean isReadOften() {
        if (lit_us == Signal.NEVER || readings < READINGS_FOR_RATE) {
            return false;
        }
        long oldest = recent_us[readings % READINGS_FOR_RATE];
        return last_us - oldest <= (READINGS_FOR_RATE - 1) * SLOWEST_us + RATE_TOLERANCE_us;
    }

    /**
     * Whether any of the limits will be exceeded. To be asked once for each reading.
     *
     * @param watches the limits, with since when each is beyond
     */
    public Exceeding ofAny(List<DwellWatch> watches) {
        boolean often = isReadOften();
        boolean ready = often && curve.isReady();
        boolean passes = false;
        for (DwellWatch watch : watches) {
            if (often && !passes && leaps(watch.limit())) {
                about = watch.limit();
                passes = true;
            }
            if (!ready) {
                continue;
            }
            if (outstays(watch)) {
                about = watch.limit();
                return Exceeding.CALLED;
            }
            if (!passes && (passes(watch.limit()) || creeps(watch.limit()))) {
                about = watch.limit();
                passes = true;
            }
        }
        if (!passes) {
            calledReadings = 0;
            return ready ? Exceeding.NO : Exceeding.NOT_FORECAST;
        }
        return called();
    }

    /**
     * The curve drawn on, for a picture of it.
     *
     * @param steps how many points, a quarter of a second apart, the first at the last reading
     * @return degC at each; empty while nothing can be said
     */
    public List<Double> drawnOn(int steps) {
        if (!isForecasting()) {
            return List.of();
        }
        List<Double> points = new ArrayList<>();
        for (int i = 0; i < steps; i++) {
            points.add(curve.at(i * DRAWN_EVERY_s));
        }
        return points;
    }

    /** The limit that the last answer was about; null before anything was said. */
    public @Nullable Limit about() {
        return about;
    }

    private Exceeding called() {
        if (calledReadings++ == 0) {
            calledSince_us = last_us;
        }
        boolean longEnough = last_us - calledSince_us >= calling.for_s * US_PER_S;
        return calledReadings >= calling.readings && longEnough ? Exceeding.CALLED : Exceeding.NO;
    }

    /**
     * The temperature is beyond a limit that allows a time, and will be for longer. There is no guessing whether it
     * gets there, so this is said as late as may be: at the last reading that leaves its warning time.
     */
    private boolean outstays(DwellWatch watch) {
        if (watch.beyondSince_us() == DwellWatch.NOT_BEYOND) {
            return false;
        }
        double left_s = (watch.beyondSince_us() + watch.limit().allowed().toNanos() / 1000 - last_us) / US_PER_S;
        return left_s > 0
                && left_s < calling.warning_s + interval_s()
                && curve.at(left_s) > watch.limit().value();
    }

    private double interval_s() {
        return (last_us - recent_us[readings % READINGS_FOR_RATE]) / US_PER_S / (READINGS_FOR_RATE - 1);
    }

    private boolean leaps(Limit limit) {
        return leap != null && limit.allowed().isZero() && leap.passes(limit.value());
    }

    /** A slow climb is told of limits that allow no time; what stays above one that does is told by its time. */
    private boolean creeps(Limit limit) {
        return creep != null && limit.allowed().isZero() && creep.passes(limit.value());
    }

    /** The curve passes the limit soon enough to be beyond it for longer than allowed. */
    private boolean passes(Limit limit) {
        double until_s = calling.ahead_s - limit.allowed().toNanos() / 1e9;
        return until_s > 0 && !curve.staysUnder(limit.value(), until_s) && curve.at(until_s) > limit.value();
    }
}
