package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;

/** Findings about the starter. */
final class StarterRules {
    private StarterRules() {}

    /** STARTER_TIME: on without a break for longer than the first try's time. */
    static final class StarterTime implements Rule.OnTime {
        private long judged_us = Signal.NEVER;

        @Override
        public long due_us(Attempt a) {
            long on = a.switches().starterOn_us();
            return a.switches().starter() && judged_us != on
                    ? on + a.profile().starter().allowed().toNanos() / 1000
                    : Signal.NEVER;
        }

        @Override
        public void fallDue(Attempt a, long due_us) {
            judged_us = a.switches().starterOn_us();
            Action action = !a.switches().fuel()
                    ? Action.STOP_STARTER
                    : a.isReached(Milestone.LIGHT_OFF) ? Action.ADVISE : Action.CUT_FUEL;
            a.raise(
                    FindingId.STARTER_TIME,
                    due_us,
                    action,
                    text(
                            "The starter has been on for its %d s.",
                            a.profile().starter().allowed().toSeconds()));
        }
    }

    /** STARTER_OVERRUN: on with the start spool at its overrun speed for 1.0 s. Starter first; the fuel stays. */
    static final class StarterOverrun implements Rule.AtSwitch {
        private static final Duration FOR = Duration.ofSeconds(1);
        private DwellWatch watch;

        @Override
        public void begin(Attempt a) {
            double overrun = a.profile().starter().overrun_pct();
            watch = new DwellWatch(
                    Limit.above(overrun, FOR),
                    at_us -> a.raise(
                            FindingId.STARTER_OVERRUN,
                            at_us,
                            Action.STOP_STARTER,
                            text(
                                    "The starter stayed on past %.0f %% %s; it goes out at %.0f %%.",
                                    overrun,
                                    a.profile().words(Parameter.SPOOL),
                                    a.profile().starter().cutOut_pct())));
            a.listen(a.readings().of(Parameter.SPOOL), watch);
        }

        @Override
        public void switched(Attempt a) {
            if (a.switches().starterTurnedOn()) {
                watch.openFrom(a.now_us());
            } else if (a.switches().starterTurnedOff()) {
                watch.closeAt(a.now_us());
            }
        }
    }

    /** STARTER_REENGAGED: engaged with the start spool above the type's re-engagement speed, where it has one. */
    static final class StarterReengaged implements Rule.AtMove {
        @Override
        public void moved(Attempt a) {
            if (!a.switches().starterTurnedOn()) {
                return;
            }
            Double atMost = a.profile().starter().engageAtOrBelow_pct();
            double spool = a.value(Parameter.SPOOL);
            if (atMost != null && spool > atMost) {
                a.raise(
                        FindingId.STARTER_REENGAGED,
                        a.now_us(),
                        Action.STOP_STARTER,
                        text(
                                "The starter was engaged at %.1f %% %s; it may be at %.0f %% or less.",
                                spool, a.profile().words(Parameter.SPOOL), atMost));
            }
        }
    }

    /** STARTER_EARLY_OUT: the starter goes out with fuel on, below its nominal cut-out - 6 %. */
    static final class StarterEarlyOut implements Rule.AtMove {
        private static final double UNDER_CUT_OUT_pct = 6;

        @Override
        public void moved(Attempt a) {
            double cutOut = a.profile().starter().cutOut_pct();
            double spool = a.value(Parameter.SPOOL);
            if (a.switches().starterTurnedOff() && a.switches().fuel() && spool < cutOut - UNDER_CUT_OUT_pct) {
                a.raise(
                        FindingId.STARTER_EARLY_OUT,
                        a.now_us(),
                        Action.CUT_FUEL,
                        text(
                                "The starter went out at %.1f %% %s; it should carry on to %.0f %%.",
                                spool, a.profile().words(Parameter.SPOOL), cutOut));
            }
        }
    }
}
