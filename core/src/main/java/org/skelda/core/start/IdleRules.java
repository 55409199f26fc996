package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;

/** Findings in the ten seconds after idle was reached. */
final class IdleRules {
    private IdleRules() {}

    /** OIL_LOW_AT_IDLE: oil under the idle minimum for 3.0 s. */
    static final class OilLowAtIdle implements Rule.AtMilestone, Rule.AtSwitch {
        private static final Duration FOR = Duration.ofSeconds(3);
        private DwellWatch watch;

        @Override
        public void begin(Attempt a) {
            double least = a.profile().idle().oilLeast_kpa();
            watch = new DwellWatch(
                    Limit.below(least, FOR),
                    at_us -> a.raise(
                            FindingId.OIL_LOW_AT_IDLE,
                            at_us,
                            Action.CUT_FUEL,
                            text("Oil pressure at idle was under %.0f kPa for 3 s.", least)));
            a.listen(a.readings().of(Parameter.OIL), watch);
        }

        @Override
        public void reached(Attempt a, Milestone milestone) {
            if (milestone == Milestone.IDLE) {
                watch.openFrom(a.now_us());
            }
        }

        @Override
        public void switched(Attempt a) {
            if (a.switches().fuelTurnedOff()) {
                watch.closeAt(a.now_us());
            }
        }
    }

    /** IDLE_ABNORMAL: temperature out of the idle band, or oil pressure over it. */
    static final class IdleAbnormal implements Rule.AtSample {
        @Override
        public void sampled(Attempt a) {
            if (!a.isReached(Milestone.IDLE)
                    || !a.switches().fuel()
                    || !a.mayRaise(FindingId.IDLE_ABNORMAL, Action.ADVISE)) {
                return;
            }
            StartProfile.Idle idle = a.profile().idle();
            double temperature = a.value(Parameter.TEMPERATURE);
            double oil = a.value(Parameter.OIL);
            if (temperature < idle.coolest_c() || temperature > idle.hottest_c()) {
                a.raise(
                        FindingId.IDLE_ABNORMAL,
                        a.now_us(),
                        Action.ADVISE,
                        text(
                                "%s at idle is %.0f °C, usual is %.0f to %.0f °C.",
                                a.profile().words(Parameter.TEMPERATURE),
                                temperature,
                                idle.coolest_c(),
                                idle.hottest_c()));
            } else if (oil > idle.oilMost_kpa()) {
                a.raise(
                        FindingId.IDLE_ABNORMAL,
                        a.now_us(),
                        Action.ADVISE,
                        text("Oil pressure at idle is %.0f kPa, usual is up to %.0f kPa.", oil, idle.oilMost_kpa()));
            }
        }
    }
}
