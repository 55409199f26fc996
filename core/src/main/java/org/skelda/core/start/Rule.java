package org.skelda.core.start;

import org.skelda.core.limit.Signal;

/**
 * One row of the table of findings. A rule says when it looks by what it implements: at each sample, when a switch has
 * moved, at a milestone, or at a moment that falls due on time alone. It lives for one attempt.
 */
interface Rule {

    /** The attempt begins: watches are attached here. */
    default void begin(Attempt attempt) {}

    /** Looks at every sample, after its readings, switches and milestones. */
    interface AtSample extends Rule {
        void sampled(Attempt attempt);
    }

    /** Looks at a sample at which a switch has moved, after its readings, switches and milestones. */
    interface AtMove extends Rule {
        void moved(Attempt attempt);
    }

    /** Looks when a switch has moved, before the milestones of that sample. */
    interface AtSwitch extends Rule {
        void switched(Attempt attempt);
    }

    /** Looks when a milestone is reached. */
    interface AtMilestone extends Rule {
        void reached(Attempt attempt, Milestone milestone);
    }

    /** Falls due at a moment of its own, with all samples up to and including that moment known. */
    interface OnTime extends Rule {
        /** When it falls due next (us); {@link Signal#NEVER} for not at all. It is asked again after it fell due. */
        long due_us(Attempt attempt);

        void fallDue(Attempt attempt, long due_us);
    }
}
