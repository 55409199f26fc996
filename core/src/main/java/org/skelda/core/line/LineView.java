package org.skelda.core.line;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.BatteryAdvice;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.WorkView;
import org.skelda.core.measure.Judgement;

/**
 * A line at a time.
 *
 * @param gate what a closed gate waits for; null when it is open or nothing more is to be done about the line
 * @param because what its being needed, or not, rests on; null when it is always needed
 * @param earlier when a line that may be done again was done before the newest time; null when it was not
 * @param work what its kind has to show beside that; null when nothing
 * @param charge how the charge current falls that it reads, as typed and as a feed shows it; null when it is none, and
 *     before anything is known of it
 */
public record LineView(
        LineRef ref,
        LineState state,
        @Nullable GateView gate,
        @Nullable Mark answered,
        @Nullable ReadingView reading,
        @Nullable Mark confirmed,
        LineRecord.@Nullable Deviation deviation,
        @Nullable List<Ground> because,
        @Nullable List<Mark> earlier,
        @Nullable WorkView work,
        @Nullable ChargeCurve charge) {

    /**
     * A line's state. BEGUN: some of it is done. RESPONDED: given by one, it waits for the other person. OUTSIDE:
     * given, but not as it must be. NOT_NEEDED: what is known of the day says so.
     */
    public enum LineState {
        OPEN,
        BEGUN,
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
     * Something that decides whether a line is needed.
     *
     * @param name in words
     * @param value in words, null when not known
     * @param unit of a number; null for anything else
     * @param why for what the operator has decided, what speaks for it; null for anything else
     * @param against for what the operator has decided, what speaks against it; null for anything else
     */
    public record Ground(
            String name,
            @Nullable String value,
            @Nullable String unit,
            @Nullable String why,
            @Nullable String against) {}

    /**
     * @param value in {@code unit}, as are the limit and margin of each judgement
     * @param others beside the nearest
     * @param battery what to do with the battery whose volts these are; null when they are none's
     */
    public record ReadingView(
            Mark mark,
            double value,
            String unit,
            Judgement judgement,
            List<Judgement> others,
            @Nullable BatteryAdvice battery) {}

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
        /** The strands come together here: the procedures of both that are not complete. */
        STRANDS,
        /** What was read is not within its limits. */
        READING,
        /** Nobody has read it. */
        UNREAD,
        LINE,
        FACT,
        IDLE,
        /** The APU has not come so far. */
        APU,
        /** Something is to be done with the APU now; a feed will show it. */
        APU_AT_HAND,
        /** The inertial units have not come so far. */
        UNITS,
        /** Something is to be done with the inertial units now: entered on their desk, or shown by a feed. */
        UNITS_AT_HAND,
        STANDSTILL,
        /** A line before it, in a procedure that is worked in order. */
        ORDER
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
