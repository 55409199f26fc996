package org.skelda.core.start;

import java.util.EnumSet;
import java.util.Set;
import org.skelda.core.limit.Signal;

/**
 * The finding about a start computer that did not stop the start. What is watched after any cut is {@link CutWatch}'s.
 */
final class CutRules {
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
            a.raise(
                    FindingId.AUTO_STOP_FAILED,
                    due_us,
                    Action.CUT_FUEL,
                    "The start computer has not cut the fuel within 2 s.");
        }
    }
}
