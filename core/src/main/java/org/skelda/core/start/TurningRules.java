package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.skelda.core.limit.Signal;

/** Findings about what should turn and be oiled. */
final class TurningRules {
    private TurningRules() {}

    /** What to do about something that does not turn: the fuel first, where it is on. */
    private static Action stop(Attempt a, long at_us) {
        return a.switches().fuelOnAt(at_us) ? Action.CUT_FUEL : Action.STOP_STARTER;
    }

    /**
     * NO_ROTATION: no rotation, from 5.0 s after starter on, starter on, start spool under the fuel-on minimum. Out of
     * sight then, it is judged at the next reading.
     */
    static final class NoRotation implements Rule.OnTime, Rule.AtSample {
        static final long WITHIN_us = 5_000_000;
        private boolean fellDue;

        @Override
        public long due_us(Attempt a) {
            return fellDue || a.isReached(Milestone.ROTATION) ? Signal.NEVER : a.startedAt_us() + WITHIN_us;
        }

        @Override
        public void fallDue(Attempt a, long due_us) {
            fellDue = true;
            judge(a, due_us);
        }

        @Override
        public void sampled(Attempt a) {
            if (fellDue && !a.isReached(Milestone.ROTATION)) {
                judge(a, a.now_us());
            }
        }

        private static void judge(Attempt a, long at_us) {
            if (a.switches().starter()
                    && a.readings().value(Parameter.SPOOL, at_us)
                            < a.profile().fuel().minimum_pct()
                    && a.mayRaise(FindingId.NO_ROTATION, Action.STOP_STARTER)) {
                a.raise(
                        FindingId.NO_ROTATION,
                        at_us,
                        Action.STOP_STARTER,
                        text(
                                "%s does not turn up %.0f s after starter on.",
                                a.profile().words(Parameter.SPOOL), WITHIN_us / 1e6));
            }
        }
    }

    /** NO_OIL_PRESSURE: no rising oil pressure within its time of rotation, starter or fuel on. */
    static final class NoOilPressure extends Awaited {
        NoOilPressure() {
            super(Milestone.OIL_RISING, Parameter.OIL);
        }

        @Override
        long latest_us(Attempt a) {
            return a.isReached(Milestone.ROTATION)
                    ? a.at_us(Milestone.ROTATION)
                            + a.profile().turning().oilWithin().toNanos() / 1000
                    : Signal.NEVER;
        }

        @Override
        void missing(Attempt a, long at_us) {
            if (a.switches().starter() || a.switches().fuel()) {
                a.raise(
                        FindingId.NO_OIL_PRESSURE,
                        at_us,
                        stop(a, at_us),
                        text(
                                "Oil pressure has not risen by 15 kPa within %d s of rotation.",
                                a.profile().turning().oilWithin().toSeconds()));
            }
        }
    }

    /**
     * NO_FAN_ROTATION: fan or propeller still at the first sample at or past its gate of start spool; where the type
     * says so, at a fuel's coming on after the starter, if that is earlier. Is it out of sight then, its next reading
     * decides.
     */
    static final class NoFanRotation implements Rule.AtSample {
        private boolean due;
        private boolean judged;

        @Override
        public void sampled(Attempt a) {
            if (judged) {
                return;
            }
            StartProfile.Turning turning = a.profile().turning();
            boolean fuelComes = turning.orAtFuelOn() && a.switches().fuelTurnedOn() && a.now_us() > a.startedAt_us();
            due |= (fuelComes || a.value(Parameter.SPOOL) >= turning.fanBy_pct())
                    && (a.switches().starter() || a.switches().fuel());
            if (a.isReached(Milestone.FAN_ROTATION)) {
                judged = true;
            } else if (due && !Double.isNaN(a.value(Parameter.FAN))) {
                judged = true;
                a.raise(
                        FindingId.NO_FAN_ROTATION,
                        a.now_us(),
                        stop(a, a.now_us()),
                        text(
                                "The %s does not turn at %.1f %% %s; it must by %.0f %%%s.",
                                a.profile().words(Parameter.FAN),
                                a.value(Parameter.SPOOL),
                                a.profile().words(Parameter.SPOOL),
                                turning.fanBy_pct(),
                                turning.orAtFuelOn() ? " or at fuel on" : ""));
            }
        }
    }
}
