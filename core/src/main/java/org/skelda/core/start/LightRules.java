package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.skelda.core.limit.Signal;

/** Findings about ignition and light-off. */
final class LightRules {
    private LightRules() {}

    /** IGNITION_MISSING: ignition off at fuel on, where it is measured. It is never cured by switching it on. */
    static final class IgnitionMissing implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            Switches switches = a.switches();
            if (a.at_us(Milestone.FUEL_ON) == a.now_us() && switches.ignitionMeasured() && !switches.ignition()) {
                a.raise(
                        FindingId.IGNITION_MISSING,
                        a.now_us(),
                        Action.CUT_FUEL,
                        "Fuel came on without ignition. Leave the ignition off: unburnt fuel would light all at once.");
            }
        }
    }

    /** IGNITION_LATE: ignition on with fuel already on at the sample before, and no light-off. */
    static final class IgnitionLate implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            Switches switches = a.switches();
            if (switches.ignitionTurnedOn()
                    && switches.fuelBefore()
                    && a.isReached(Milestone.FUEL_ON)
                    && !a.isReached(Milestone.LIGHT_OFF)) {
                a.raise(
                        FindingId.IGNITION_LATE,
                        a.now_us(),
                        Action.CUT_FUEL,
                        text(
                                "Ignition came on %.1f s after the fuel, which has collected unburnt.",
                                (a.now_us() - switches.fuelOn_us()) / 1e6));
            }
        }
    }

    /** NO_LIGHT_OFF: no light-off within its time of fuel on. */
    static final class NoLightOff extends Awaited {
        NoLightOff() {
            super(Milestone.LIGHT_OFF, Parameter.TEMPERATURE);
        }

        @Override
        long latest_us(Attempt a) {
            return a.isReached(Milestone.FUEL_ON)
                    ? a.at_us(Milestone.FUEL_ON) + a.profile().lightOffWithin().toNanos() / 1000
                    : Signal.NEVER;
        }

        @Override
        void missing(Attempt a, long at_us) {
            a.raise(
                    FindingId.NO_LIGHT_OFF,
                    at_us,
                    a.profile().guardedCut(),
                    text(
                            "No light-off %d s after fuel on.",
                            a.profile().lightOffWithin().toSeconds()));
        }
    }
}
