package org.skelda.core.line;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;

/** A line at a time. @param gate what a closed gate waits for; null when it is open or the line is complete */
public record LineView(
        LineRef ref,
        LineState state,
        @Nullable GateView gate,
        LineRecord.@Nullable Mark answered,
        @Nullable ReadingView reading,
        LineRecord.@Nullable Mark confirmed,
        LineRecord.@Nullable Deviation deviation) {

    /**
     * A line's state. RESPONDED: a challenge with a response that waits for the other person. OUTSIDE: read, but not
     * within limits.
     */
    public enum LineState {
        OPEN,
        RESPONDED,
        OUTSIDE,
        DONE,
        DEVIATED
    }

    boolean complete() {
        return state == LineState.DONE || state == LineState.DEVIATED;
    }

    /** @param value in {@code unit}, as are the judgement's limit and margin */
    public record ReadingView(LineRecord.Mark mark, double value, String unit, Judgement judgement) {}

    /** @param opensAt when it opens by time alone; null when something must be done first */
    public record GateView(
            List<WaitView> waits,
            @Nullable Instant opensAt,
            @Nullable String guards) {}

    /** What kind of thing a closed gate waits for. */
    public enum WaitKind {
        CLOCK,
        CLOCK_START,
        PROCEDURE,
        READING,
        LINE,
        IDLE
    }

    /** @param name what is waited for, in words; @param opensAt for a running clock, when it runs out */
    public record WaitView(
            WaitKind kind, String name, @Nullable Instant opensAt) {}
}
