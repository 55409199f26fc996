package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.EnumSet;
import java.util.Set;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;

/** Findings about a cut that should have stopped the start and did not. */
final class CutRules {
    static final double STOPPED_FLOW_kgph = 8;

    private CutRules() {}

    /** AUTO_STOP_FAILED: fuel still on 2.0 s after the computer should have stopped the start, a prediction apart. */
    static final class AutoStopFailed implements Rule.OnTime {
        private static final long WITHIN_us = 2_000_000;
        private static final Set<FindingId> NOT_ASKED = EnumSet.of(FindingId.HOT_PREDICTED);
        private boolean judged;

        @Override
        public long due_us(Attempt a) {
            if (judged || !a.profile().drive().automatic()) {
                return Signal.NEVER;
            }
            long first = Signal.NEVER;
            for (Finding finding : a.findings()) {
                if (finding.action() == Action.AUTO_STOP && !NOT_ASKED.contains(finding.id())) {
                    first = Math.min(first, a.startedAt_us() + finding.at().toNanos() / 1000);
                }
            }
            return first == Signal.NEVER ? first : first + WITHIN_us;
        }

        @Override
        public void fallDue(Attempt a, long due_us) {
            judged = true;
            a.raise(FindingId.AUTO_STOP_FAILED, due_us, Action.CUT_FUEL, "The start computer has not cut the fuel within 2 s.");
        }
    }

    /** CUT_NOT_EFFECTIVE: flow over 8 kg/h for 1.0 s, counted from 3.0 s after the fuel was cut. */
    static final class CutNotEffective implements Rule.AtSwitch {
        private static final long COUNTS_AFTER_us = 3_000_000;
        private static final Duration FOR = Duration.ofSeconds(1);
        private DwellWatch watch;

        @Override
        public void begin(Attempt a) {
            watch = new DwellWatch(Limit.above(STOPPED_FLOW_kgph, FOR), at_us -> a.raise(FindingId.CUT_NOT_EFFECTIVE, at_us, Action.SECOND_MEANS,
                    text("Fuel still flows %.0f s after the lever went off. Use the %s.", COUNTS_AFTER_us / 1e6 + 1, a.profile().remedy().secondMeans())));
            a.listen(a.readings().of(Parameter.FLOW), watch);
        }

        @Override
        public void switched(Attempt a) {
            if (a.switches().fuelTurnedOff()) {
                watch.openFrom(a.now_us() + COUNTS_AFTER_us);
            } else if (a.switches().fuelTurnedOn()) {
                watch.closeAt(a.now_us());
            }
        }
    }

    /**
     * INTERNAL_FIRE: from 5.0 s after the fuel was cut, flow at or under 8 kg/h for the last 3.0 s or not measured: over 250 degC and
     * rising by at least 1.0 degC a second over the last 3.0 s, at every sample for 1.0 s.
     */
    static final class InternalFire implements Rule.AtSample, Signal.Listener {
        private static final long FROM_CUT_us = 5_000_000;
        private static final long NO_FLOW_us = 3_000_000;
        private static final long FOR_us = 1_000_000;
        private static final double HOT_degC = 250;
        private static final double RISING_degCps = 1.0;
        private long since_us = Signal.NEVER;
        private long flowed_us = Long.MIN_VALUE;

        @Override
        public void begin(Attempt a) {
            a.listen(a.readings().of(Parameter.FLOW), this);
        }

        @Override
        public void line(long from_us, double from, long to_us, double to) {
            if (to > STOPPED_FLOW_kgph) {
                flowed_us = to_us;
            } else if (from > STOPPED_FLOW_kgph) {
                flowed_us = from_us + Math.round((to_us - from_us) * (from - STOPPED_FLOW_kgph) / (from - to));
            }
        }

        @Override
        public void lost(long at_us) {
            flowed_us = Math.max(flowed_us, at_us);
        }

        private boolean flowIsOut(Attempt a) {
            Signal flow = a.readings().of(Parameter.FLOW);
            if (!flow.isMeasured()) {
                return true;
            }
            return !flow.isLostAt(a.now_us()) && (flowed_us == Long.MIN_VALUE || a.now_us() - flowed_us >= NO_FLOW_us);
        }

        @Override
        public void sampled(Attempt a) {
            long cut = a.switches().cut_us();
            boolean burns = a.isReached(Milestone.FUEL_ON) && cut != Signal.NEVER && a.now_us() - cut >= FROM_CUT_us
                    && a.value(Parameter.TEMPERATURE) > HOT_degC && a.windows().temperatureOver3s() >= RISING_degCps && flowIsOut(a);
            if (!burns) {
                since_us = Signal.NEVER;
                return;
            }
            since_us = Math.min(since_us, a.now_us());
            if (a.now_us() - since_us >= FOR_us && a.mayRaise(FindingId.INTERNAL_FIRE, Action.KEEP_TURNING)) {
                a.raise(FindingId.INTERNAL_FIRE, a.now_us(), Action.KEEP_TURNING, text("%s rises at %.0f degC without fuel: fire inside the engine.",
                        a.profile().words(Parameter.TEMPERATURE), a.value(Parameter.TEMPERATURE)));
            }
        }
    }
}
