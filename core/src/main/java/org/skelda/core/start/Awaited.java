package org.skelda.core.start;

import org.skelda.core.limit.Signal;

/**
 * A rule that waits for a milestone until a moment. Was its parameter never measured, it says nothing; is it out of
 * sight at that moment, the next reading decides.
 */
abstract class Awaited implements Rule.OnTime, Rule.AtSample {
    private final Milestone milestone;
    private final Parameter parameter;
    private boolean fellDue;
    private boolean outOfSight;

    Awaited(Milestone milestone, Parameter parameter) {
        this.milestone = milestone;
        this.parameter = parameter;
    }

    /** The moment by which it must be reached (us); {@link Signal#NEVER} while that is not known. */
    abstract long latest_us(Attempt a);

    /** It is not there at its latest moment, or at the first reading after it. */
    abstract void missing(Attempt a, long at_us);

    @Override
    public final long due_us(Attempt a) {
        return fellDue || a.isReached(milestone) ? Signal.NEVER : latest_us(a);
    }

    @Override
    public final void fallDue(Attempt a, long due_us) {
        fellDue = true;
        Signal signal = a.readings().of(parameter);
        if (!signal.isMeasured()) {
            return;
        }
        if (signal.isLostAt(due_us)) {
            outOfSight = true;
        } else {
            missing(a, due_us);
        }
    }

    @Override
    public final void sampled(Attempt a) {
        if (outOfSight && !a.readings().of(parameter).isLostAt(a.now_us())) {
            outOfSight = false;
            if (!a.isReached(milestone)) {
                missing(a, a.now_us());
            }
        }
    }
}
