package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.skelda.core.limit.Signal;

/** Findings about a spool that does not get to idle. */
final class AccelerationRules {
    private AccelerationRules() {}

    /**
     * HUNG_START: from 2.0 s after light-off, below idle - 4 %: the slope over the last 2.0 s under the rule's rate at
     * every sample for the rule's time.
     */
    static final class HungStart implements Rule.AtSample {
        private static final long FROM_LIGHT_us = 2_000_000;
        private static final double UNDER_IDLE_pct = 4;
        private long since_us = Signal.NEVER;

        @Override
        public void sampled(Attempt a) {
            StartProfile.Hung hung = a.profile().hung();
            double spool = a.value(Parameter.SPOOL);
            boolean slow = a.isReached(Milestone.LIGHT_OFF)
                    && a.now_us() - a.at_us(Milestone.LIGHT_OFF) >= FROM_LIGHT_us
                    && a.switches().fuel()
                    && spool < a.profile().idle().speed_pct() - UNDER_IDLE_pct
                    && a.windows().spoolOver2s() < hung.rate_pctps();
            if (!slow) {
                since_us = Signal.NEVER;
                return;
            }
            since_us = Math.min(since_us, a.now_us());
            if (a.now_us() - since_us >= hung.time().toNanos() / 1000
                    && a.mayRaise(FindingId.HUNG_START, a.profile().guardedCut())) {
                a.raise(
                        FindingId.HUNG_START,
                        a.now_us(),
                        a.profile().guardedCut(),
                        text(
                                "%s gained less than %.2f %% a second for %d s, at %.1f %% and below idle at %.0f %%.",
                                a.profile().words(Parameter.SPOOL),
                                hung.rate_pctps(),
                                hung.time().toSeconds(),
                                spool,
                                a.profile().idle().speed_pct()));
            }
        }
    }

    /** SLOW_TO_IDLE: no idle within its time of starter on, fuel on. */
    static final class SlowToIdle extends Awaited {
        SlowToIdle() {
            super(Milestone.IDLE, Parameter.SPOOL);
        }

        @Override
        long latest_us(Attempt a) {
            return a.startedAt_us() + a.profile().idle().within().toNanos() / 1000;
        }

        @Override
        void missing(Attempt a, long at_us) {
            if (a.switches().fuel() && !a.readings().of(Parameter.TEMPERATURE).isLostAt(at_us)) {
                a.raise(
                        FindingId.SLOW_TO_IDLE,
                        at_us,
                        Action.ADVISE,
                        text(
                                "Idle is not reached %d s after starter on.",
                                a.profile().idle().within().toSeconds()));
            }
        }
    }
}
