package org.skelda.core.start;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One sentence to act on, with the engine's name, and why.
 *
 * @param call what it comes down to
 * @param sentence to act on
 * @param reasons ranked: what to act on first, first
 * @param note what the act does not do, or what is not being watched; empty when there is nothing to add
 * @param next what to look for next; null when something is to be done first
 */
public record Verdict(
        Call call,
        String sentence,
        List<String> reasons,
        String note,
        @Nullable Milestone next) {

    public Verdict {
        reasons = List.copyOf(reasons);
    }

    /** What a verdict comes down to, the most pressing first. */
    public enum Call {
        SECOND_MEANS,
        CUT_FUEL,
        COMPUTER_STOPS,
        KEEP_TURNING,
        STOP_STARTER,
        BLIND,
        /** All is well, and the crew's hand is due: a starter that nothing drops out. */
        HAND_DUE,
        AFTER_CUT,
        ADVISE,
        ON_TRACK,
        RESTING;

        /** Whether it asks for an act at once: such a call outranks missing data. */
        public boolean isToActOn() {
            return ordinal() < BLIND.ordinal();
        }
    }
}
