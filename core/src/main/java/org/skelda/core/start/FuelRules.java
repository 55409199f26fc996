package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;

/** Findings about when fuel comes on and how much of it flows. */
final class FuelRules {
    /** So long after light-off the flow is still held to its cut value. */
    static final Duration FLOW_AFTER_LIGHT = Duration.ofSeconds(3);

    private FuelRules() {}

    private static boolean firstFuelOn(Attempt a) {
        return a.at_us(Milestone.FUEL_ON) == a.now_us();
    }

    /** FUEL_EARLY: fuel on below the minimum speed; where a computer opens it, more than 0.5 % below. */
    static final class FuelEarly implements Rule.AtMove {
        private static final double COMPUTER_TOLERANCE_pct = 0.5;

        @Override
        public void moved(Attempt a) {
            double minimum = a.profile().fuel().minimum_pct();
            double least = a.profile().drive().automatic() ? minimum - COMPUTER_TOLERANCE_pct : minimum;
            if (firstFuelOn(a) && a.value(Parameter.SPOOL) < least) {
                a.raise(
                        FindingId.FUEL_EARLY,
                        a.now_us(),
                        Action.CUT_FUEL,
                        text(
                                "Fuel came on at %.1f %% %s, the minimum is %.1f %%.",
                                a.value(Parameter.SPOOL), a.profile().words(Parameter.SPOOL), minimum));
            }
        }
    }

    /** RESIDUAL_HOT: fuel on above the maximum temperature before fuel. */
    static final class ResidualHot implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            double hottest = a.profile().fuel().hottestBefore_c();
            if (firstFuelOn(a) && a.value(Parameter.TEMPERATURE) > hottest) {
                a.raise(
                        FindingId.RESIDUAL_HOT,
                        a.now_us(),
                        Action.CUT_FUEL,
                        text(
                                "Fuel came on at %.0f °C %s, at most %.0f °C is allowed before fuel.",
                                a.value(Parameter.TEMPERATURE), a.profile().words(Parameter.TEMPERATURE), hottest));
            }
        }
    }

    /** FLOW_HIGH: above the cut value continuously for 0.5 s, between fuel on and 3.0 s after light-off. */
    static final class FlowHigh implements Rule.AtMilestone, Rule.AtSwitch {
        private static final Duration FOR = Duration.ofMillis(500);
        private DwellWatch watch;

        @Override
        public void begin(Attempt a) {
            double most = a.profile().fuel().cutAbove_kgph();
            watch = new DwellWatch(
                    Limit.above(most, FOR),
                    at_us -> a.raise(
                            FindingId.FLOW_HIGH,
                            at_us,
                            a.profile().guardedCut(),
                            text("Fuel flow was above %.0f kg/h for 0.5 s.", most)));
            a.listen(a.readings().of(Parameter.FLOW), watch);
        }

        @Override
        public void reached(Attempt a, Milestone milestone) {
            if (milestone == Milestone.FUEL_ON) {
                watch.openFrom(a.now_us());
            } else if (milestone == Milestone.LIGHT_OFF) {
                watch.closeAt(a.now_us() + FLOW_AFTER_LIGHT.toNanos() / 1000);
            }
        }

        @Override
        public void switched(Attempt a) {
            if (a.switches().fuelTurnedOff()) {
                watch.closeAt(a.now_us());
            }
        }
    }

    /** RELIGHT_AFTER_CUT: fuel on again in the attempt. */
    static final class RelightAfterCut implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            if (a.switches().fuelTurnedOn() && a.wasFuelCut()) {
                a.raise(
                        FindingId.RELIGHT_AFTER_CUT,
                        a.now_us(),
                        Action.CUT_FUEL,
                        "Fuel came on again after it was cut, in the same start attempt.");
            }
        }
    }

    /** NOT_CLEARED: fuel on in a later attempt before the engine is cleared of the fuel of its last one. */
    static final class NotCleared implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            if (firstFuelOn(a) && a.isLater() && !a.clearing().wasClearAtFuel()) {
                a.raise(
                        FindingId.NOT_CLEARED,
                        a.now_us(),
                        Action.CUT_FUEL,
                        "Fuel came on before the engine was cleared of the fuel of its last start attempt.");
            }
        }
    }
}
