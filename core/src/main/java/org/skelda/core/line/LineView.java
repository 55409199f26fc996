package org.skelda.core.line;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.Judgement;

/**
 * A line at a time.
 *
 * @param gate what a closed gate waits for; null when it is open or nothing more is to be done about the line
 * @param because what its being needed, or not, rests on; null when it is always needed
 */
public record LineView(
        LineRef ref,
        LineState state,
        @Nullable GateView gate,
        LineRecord.@Nullable Mark answered,
        @Nullable ReadingView reading,
        LineRecord.@Nullable Mark confirmed,
        LineRecord.@Nullable Deviation deviation,
        @Nullable List<Ground> because) {

    /**
     * A line's state. RESPONDED: a challenge with a response that waits for the other person. OUTSIDE: read, but not
     * within limits. NOT_NEEDED: what is known of the day says so.
     */
    public enum LineState {
        OPEN,
        RESPONDED,
        OUTSIDE,
        DONE,
        DEVIATED,
        NOT_NEEDED
    }

    /** Whether it was worked. */
    boolean complete() {
        return state == LineState.DONE || state == LineState.DEVIATED;
    }

    /** Whether nothing more is to be done about it. */
    boolean settled() {
        return complete() || state == LineState.NOT_NEEDED;
    }

    /**
     * Something that decides whether a line is needed. @param name in words; @param value in words, null when not known
     */
    public record Ground(String name, @Nullable String value) {}

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
        FACT,
        IDLE
    }

    /**
     * One thing that is waited for.
     *
     * @param name in words
     * @param opensAt for a running clock, when it runs out
     * @param fact for something that is not known, its name in conditions
     */
    public record WaitView(
            WaitKind kind,
            String name,
            @Nullable Instant opensAt,
            @Nullable String fact) {}
}
