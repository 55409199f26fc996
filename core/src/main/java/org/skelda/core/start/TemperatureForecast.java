package org.skelda.core.start;

import java.util.List;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;

/**
 * Whether the temperature of a lit engine will exceed a start limit, with its dwell, within the next 5 s. It calls when the curve
 * says so at every reading for a while; it says nothing below four readings a second.
 *
 * <p>Times are microseconds. One thread; one for each attempt.
 */
public final class TemperatureForecast {
    private static final double AHEAD_s = 5.0;
    private static final double LOOK_EVERY_s = 0.25;
    private static final double US_PER_S = 1e6;
    private static final long SLOWEST_us = 250_000;
    private static final long RATE_TOLERANCE_us = 1_000;
    private static final int READINGS_FOR_RATE = 5;

    private final Extrapolation curve;
    private final Calling calling;
    private long lit_us = Signal.NEVER;
    private long last_us = Signal.NEVER;
    private final long[] recent_us = new long[READINGS_FOR_RATE];
    private int readings;
    private long calledSince_us = Signal.NEVER;
    private int calledReadings;

    /**
     * When a call is made of what the curve says.
     *
     * @param readings the curve must say so at this many readings in a row, 1 or more
     * @param for_s and for at least this long (s)
     * @param margin_c and by at least this much above the limit (degC)
     */
    public record Calling(int readings, double for_s, double margin_c) {}

    /** What may be said of a limit. */
    public enum Exceeding { NO, CALLED, NOT_FORECAST }

    public TemperatureForecast(Extrapolation curve, Calling calling) {
        this.curve = curve;
        this.calling = calling;
    }

    /** The engine has lit at the reading that follows. */
    public void lit(long at_us) {
        lit_us = at_us;
        curve.restart();
        readings = 0;
    }

    /** A reading. @param at_us when; @param temperature_c degC */
    public void read(long at_us, double temperature_c) {
        if (last_us != Signal.NEVER && at_us - last_us > Signal.BRIDGED_us) {
            curve.restart();
            readings = 0;
        }
        last_us = at_us;
        recent_us[readings++ % READINGS_FOR_RATE] = at_us;
        if (lit_us != Signal.NEVER) {
            curve.read(at_us, temperature_c);
        }
    }

    /** Whether readings come often enough and long enough to say anything. */
    public boolean isForecasting() {
        if (lit_us == Signal.NEVER || readings < READINGS_FOR_RATE || !curve.isReady()) {
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
        if (!isForecasting()) {
            calledReadings = 0;
            return Exceeding.NOT_FORECAST;
        }
        for (DwellWatch watch : watches) {
            if (says(watch.limit(), watch.beyondSince_us())) {
                return called();
            }
        }
        calledReadings = 0;
        return Exceeding.NO;
    }

    private Exceeding called() {
        if (calledReadings++ == 0) {
            calledSince_us = last_us;
        }
        boolean longEnough = last_us - calledSince_us >= calling.for_s * US_PER_S;
        return calledReadings >= calling.readings && longEnough ? Exceeding.CALLED : Exceeding.NO;
    }

    private boolean says(Limit limit, long beyondSince_us) {
        double dwell = limit.allowed().toNanos() / 1e9;
        double already = beyondSince_us == DwellWatch.NOT_BEYOND ? 0 : (last_us - beyondSince_us) / US_PER_S;
        double threshold = limit.value() + calling.margin_c;
        if (already == 0 && curve.at(0) <= threshold && curve.at(AHEAD_s) <= threshold) {
            return false; // The curve is monotonic: it stays under the limit all the way.
        }
        double above = already;
        for (double ahead = LOOK_EVERY_s; ahead <= AHEAD_s; ahead += LOOK_EVERY_s) {
            above = curve.at(ahead) > threshold ? above + LOOK_EVERY_s : 0;
            if (above > dwell) {
                return true;
            }
        }
        return false;
    }
}
