package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;

/**
 * What a departure's state means at a time. Nothing in it is stored.
 *
 * @param seq the newest event it holds
 * @param at the time it was made for
 * @param lifecycle where the departure stands
 * @param seats the held seats
 * @param procedures in working order
 * @param clocks every running clock, the one that opens soonest first; then those that have run out
 * @param nextLeft the next line for the left seat; null when there is none it could answer now
 * @param nextRight the same for the right seat
 * @param waitsFor what the departure as a whole waits for
 * @param inHand the clock that leaves the least time before off-block; null when none is left or it has left
 * @param openLines how many lines are not complete
 * @param nextOpening the soonest moment at which a gate or clock opens by time alone; null when none will
 * @param amendments notes added after signing
 * @param feed that it is watched by, or was last; null when there was none
 * @param starts every attempt to start an engine, by engine and number
 * @param controls the last position of every simulated control that was moved
 */
public record DepartureView(
        long seq,
        Instant at,
        Lifecycle lifecycle,
        List<SeatView> seats,
        List<ProcedureView> procedures,
        List<ClockView> clocks,
        @Nullable LineRef nextLeft,
        @Nullable LineRef nextRight,
        WaitsFor waitsFor,
        @Nullable InHand inHand,
        int openLines,
        @Nullable Instant nextOpening,
        List<String> amendments,
        @Nullable Feed feed,
        List<StartRecord> starts,
        Map<String, String> controls) {

    /** @param working the line this person would answer next, null when none */
    public record SeatView(Seat seat, Role role, Person person, @Nullable LineRef working) {}

    /** A procedure's state on the thread. NOT_NEEDED: an abnormal list that nobody has begun. */
    public enum ProcedureState { OPEN, NOW, WAITING, HELD, DONE, NOT_NEEDED }

    /**
     * @param next its first line that can be answered now; null when there is none
     * @param opensAt when its first closed line opens by time alone; null when it does not
     * @param held since when and why it is put aside; null when it is not
     * @param heldFor how long it has been put aside; null when it is not
     */
    public record ProcedureView(
            String id,
            ProcedureState state,
            int done,
            int total,
            @Nullable LineRef next,
            @Nullable Instant opensAt,
            @Nullable Held held,
            @Nullable Duration heldFor,
            List<LineView> lines) {}

    /** A line's state. RESPONDED: a challenge with a response that waits for the other person. OUTSIDE: read, but not within limits. */
    public enum LineState { OPEN, RESPONDED, OUTSIDE, DONE, DEVIATED }

    /** @param gate what a closed gate waits for; null when it is open or the line is complete */
    public record LineView(
            LineRef ref,
            LineState state,
            @Nullable GateView gate,
            LineRecord.@Nullable Mark answered,
            @Nullable ReadingView reading,
            LineRecord.@Nullable Mark confirmed,
            LineRecord.@Nullable Deviation deviation) {}

    /** @param value in {@code unit}, as are the judgement's limit and margin */
    public record ReadingView(LineRecord.Mark mark, double value, String unit, Judgement judgement) {}

    /** @param opensAt when it opens by time alone; null when something must be done first */
    public record GateView(List<WaitView> waits, @Nullable Instant opensAt, @Nullable String guards) {}

    /** What kind of thing a closed gate waits for. */
    public enum WaitKind { CLOCK, CLOCK_START, PROCEDURE, READING, LINE, IDLE }

    /** @param name what is waited for, in words; @param opensAt for a running clock, when it runs out */
    public record WaitView(WaitKind kind, String name, @Nullable Instant opensAt) {}

    /** @param elapsed whether it had run out at the view's time */
    public record ClockView(
            String id,
            String label,
            String releases,
            @Nullable String note,
            String source,
            LineRef by,
            Instant startedAt,
            Duration duration,
            Instant opensAt,
            boolean elapsed) {}

    /** @param opensAt set when it waits for a clock */
    public record WaitsFor(String text, @Nullable Instant opensAt) {}

    /**
     * @param clock the clock's label
     * @param slack off-block less the clock's end, or less its end if it were started at the view's time; negative when late
     * @param running whether it has been started; until then the slack shrinks as time passes
     */
    public record InHand(String clock, Duration slack, boolean running) {}
}
