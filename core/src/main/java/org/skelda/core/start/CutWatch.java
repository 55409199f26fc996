package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;
import org.skelda.core.limit.SlopeWindow;

/**
 * What is watched from a cut until fuel comes on again, for at most 10 min, whether or not its attempt still runs: a
 * cut that takes no effect, and a fire inside the engine. What is found belongs to the attempt of the cut: the latest
 * that had begun before it.
 */
final class CutWatch implements Signal.Listener {
    /** Fuel flow (kg/h) at or under which none is said to flow. */
    static final double STOPPED_FLOW_kgph = 8;

    private static final long LASTS_us = Duration.ofMinutes(10).toNanos() / 1000;

    private final StartProfile profile;
    private final Readings readings;
    private final Raising raising;
    private final NotEffective notEffective;
    private final Fire fire;
    private long cut_us = Signal.NEVER;

    /** Where findings of the watch go. */
    interface Raising {
        void raise(FindingId id, long at_us, Action action, String reason);
    }

    CutWatch(StartProfile profile, Readings readings, Raising raising) {
        this.profile = profile;
        this.readings = readings;
        this.raising = raising;
        this.notEffective = new NotEffective();
        this.fire = new Fire();
    }

    /** Goes on where another one stands, in the middle of a watch or not. */
    void resume(CutWatch other) {
        cut_us = other.cut_us;
        notEffective.watch.resume(other.notEffective.watch);
        fire.resume(other.fire);
    }

    /** A sample whose switches are taken in already; its readings are heard too. */
    void absorb(Sample sample, Switches switches) {
        if (switches.fuelTurnedOff()) {
            cut_us = sample.at_us();
            notEffective.watch.openFrom(cut_us + NotEffective.COUNTS_AFTER_us);
            notEffective.watch.closeAt(cut_us + LASTS_us);
            fire.begin(cut_us);
        } else if (switches.fuelTurnedOn()) {
            notEffective.watch.closeAt(sample.at_us());
            cut_us = Signal.NEVER;
        }
        if (cut_us != Signal.NEVER && sample.at_us() - cut_us <= LASTS_us) {
            fire.sampled(sample);
        }
    }

    @Override
    public void line(long from_us, double from, long to_us, double to) {
        // What flowed before the cut is nothing to either: the one counts from 3.0 s after it, the other from 5.0 s.
        if (cut_us == Signal.NEVER) {
            return;
        }
        notEffective.watch.line(from_us, from, to_us, to);
        fire.flowed(from_us, from, to_us, to);
    }

    @Override
    public void lost(long at_us) {
        if (cut_us == Signal.NEVER) {
            return;
        }
        notEffective.watch.lost(at_us);
        fire.flowed_us = Math.max(fire.flowed_us, at_us);
    }

    /** CUT_NOT_EFFECTIVE: flow over 8 kg/h for 1.0 s, counted from 3.0 s after the fuel was cut. */
    private final class NotEffective {
        private static final long COUNTS_AFTER_us = 3_000_000;
        private static final Duration FOR = Duration.ofSeconds(1);
        private final DwellWatch watch = new DwellWatch(
                Limit.above(STOPPED_FLOW_kgph, FOR),
                at_us -> raising.raise(
                        FindingId.CUT_NOT_EFFECTIVE,
                        at_us,
                        Action.SECOND_MEANS,
                        text(
                                "Fuel still flows %.0f s after the lever went off. Use the %s.",
                                COUNTS_AFTER_us / 1e6 + 1, profile.remedy().secondMeans())));
    }

    /**
     * INTERNAL_FIRE: from 5.0 s after the fuel was cut, flow at or under 8 kg/h for the last 3.0 s or not measured:
     * over 250 degC and rising by at least 1.0 degC a second over the last 3.0 s, at every sample for 1.0 s.
     */
    private final class Fire {
        private static final long FROM_CUT_us = 5_000_000;
        private static final long WINDOW_us = 3_000_000;
        private static final long NO_FLOW_us = 3_000_000;
        private static final long FOR_us = 1_000_000;
        private static final double HOT_degC = 250;
        private static final double RISING_degCps = 1.0;
        private @Nullable SlopeWindow rise;
        private long since_us = Signal.NEVER;
        private long flowed_us = Long.MIN_VALUE;

        void begin(long at_us) {
            rise = new SlopeWindow(WINDOW_us, at_us);
            since_us = Signal.NEVER;
        }

        void resume(Fire other) {
            rise = other.rise == null ? null : other.rise.copy();
            since_us = other.since_us;
            flowed_us = other.flowed_us;
        }

        void flowed(long from_us, double from, long to_us, double to) {
            if (to > STOPPED_FLOW_kgph) {
                flowed_us = to_us;
            } else if (from > STOPPED_FLOW_kgph) {
                flowed_us = from_us + Math.round((to_us - from_us) * (from - STOPPED_FLOW_kgph) / (from - to));
            }
        }

        private boolean flowIsOut(long now_us) {
            Signal flow = readings.of(Parameter.FLOW);
            if (!flow.isMeasured()) {
                return true;
            }
            return !flow.isLostAt(now_us) && (flowed_us == Long.MIN_VALUE || now_us - flowed_us >= NO_FLOW_us);
        }

        void sampled(Sample sample) {
            long now_us = sample.at_us();
            if (rise != null && !Double.isNaN(sample.temperature_c())) {
                rise.read(now_us, sample.temperature_c());
            }
            double temperature = readings.value(Parameter.TEMPERATURE, now_us);
            boolean burns = now_us - cut_us >= FROM_CUT_us
                    && temperature > HOT_degC
                    && rise != null
                    && rise.perSecond() >= RISING_degCps
                    && flowIsOut(now_us);
            if (!burns) {
                since_us = Signal.NEVER;
                return;
            }
            since_us = Math.min(since_us, now_us);
            if (now_us - since_us >= FOR_us) {
                raising.raise(
                        FindingId.INTERNAL_FIRE,
                        now_us,
                        Action.KEEP_TURNING,
                        text(
                                "%s rises at %.0f °C without fuel: internal fire.",
                                profile.words(Parameter.TEMPERATURE), temperature));
            }
        }
    }
}
