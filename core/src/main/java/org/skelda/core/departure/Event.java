package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Tap;
import org.skelda.core.watch.Subject;

/** What can have happened to a departure. Facts only; whatever depends on the passing of time is told by a view. */
public sealed interface Event {

    record Opened(Opening opening) implements Event {}

    /** @param tookOverFrom the former holder, null when the seat was free; @param reason why it was taken over */
    record SeatTaken(Seat seat, Role role, Person person, @Nullable Person tookOverFrom, @Nullable String reason) implements Event {}

    record SeatReleased(Seat seat) implements Event {}

    record SeatHandedOver(Seat seat, Person from, Person to) implements Event {}

    record RolesSwapped() implements Event {}

    record LineAnswered(LineRef line) implements Event {}

    /** @param value in {@code unit}; the judgement is kept as it was made */
    record LineMeasured(LineRef line, double value, String unit, Judgement judgement) implements Event {}

    record LineConfirmed(LineRef line) implements Event {}

    /** @param overrides the guarded line that was passed by name, null when nothing was guarded */
    record DeviationRecorded(LineRef line, String reason, @Nullable String overrides) implements Event {}

    record ProcedureHeld(String procedure, String reason, @Nullable LineRef line) implements Event {}

    record ProcedureResumed(String procedure) implements Event {}

    record ClockStarted(String clock, LineRef by, Instant startedAt, Duration duration) implements Event {}

    record ClockCancelled(String clock, LineRef by) implements Event {}

    /** @param reopened further lines that were answered behind this one's gates and are open again */
    record Undone(LineRef line, @Nullable String reason, List<LineRef> reopened) implements Event {
        public Undone {
            reopened = List.copyOf(reopened);
        }
    }

    record Signed() implements Event {}

    record Amended(String text) implements Event {}

    record Abandoned(String reason) implements Event {}

    /** Readings of the aircraft arrive. @param feed which; @param label as people call it; @param simulated whether it is the simulator's */
    record FeedAttached(UUID feed, String label, boolean simulated) implements Event {}

    /** Nothing arrives any more. @param lastHeard when the newest reading was taken, on the feed's own clock */
    record FeedLost(UUID feed, Instant lastHeard) implements Event {}

    /** A control was moved. @param control which, e.g. {@code engine-2/fuel}; @param position to which */
    record ControlTapped(String control, String position) implements Event {}

    /**
     * An attempt to start began: the starter went on.
     *
     * @param of what is started
     * @param number of the attempt on it in this departure, from 1
     * @param startedAt on the feed's own clock
     * @param watched the version of the judgement, and the type's document by its hash
     */
    record AttemptBegan(Subject of, int number, Instant startedAt, String watched) implements Event {}

    /** @param at since the attempt's starter on */
    record MilestoneReached(Subject of, int number, Milestone milestone, Duration at) implements Event {}

    /** It is known from the event's own time on; the finding carries the moment it is about. */
    record FindingRaised(Subject of, int number, Finding finding) implements Event {}

    /** @param summary what is remembered of the attempt */
    record AttemptEnded(Subject of, int number, AttemptSummary summary) implements Event {}

    /** The attempt's readings are kept. @param sha256 of its trace as CSV, hex; @param samples how many */
    record TraceStored(Subject of, int number, String sha256, int samples) implements Event {}

    /** Nothing was read of an attempt for a while. @param from when the page went blind; @param until when readings came again */
    record SightLost(Subject of, int number, Instant from, Instant until) implements Event {}

    /**
     * The crew told something of a start that nothing reads. The starter's going on begins an attempt.
     *
     * @param tappedAt when, by the person's device
     * @param timed whether it was told as it happened, and not in answer to a question
     */
    record StartTapped(int engine, int number, Tap tap, Instant tappedAt, boolean timed) implements Event {}

    /** A tap was a slip. @param reason why it was taken back, when it was another person's */
    record StartTapUndone(int engine, int number, Tap tap, @Nullable String reason) implements Event {}

    /** What the crew read off after a start that nothing reads. Null where it typed nothing. @param peak_c degC; @param dip_v V */
    record StartFiguresTyped(int engine, int number, @Nullable Double peak_c, @Nullable Double dip_v) implements Event {}

    /** What two events must share to be in conflict: a line, a procedure's hold, a seat, a control, an engine's start, the feed,
     * or the departure itself. */
    default String subject() {
        return switch (this) {
            case Opened _, Signed _, Amended _, Abandoned _ -> "departure";
            case SeatTaken e -> seat(e.seat());
            case SeatReleased e -> seat(e.seat());
            case SeatHandedOver e -> seat(e.seat());
            case RolesSwapped _ -> "roles";
            case LineAnswered e -> line(e.line());
            case LineMeasured e -> line(e.line());
            case LineConfirmed e -> line(e.line());
            case DeviationRecorded e -> line(e.line());
            case ProcedureHeld e -> "hold:" + e.procedure();
            case ProcedureResumed e -> "hold:" + e.procedure();
            case ClockStarted e -> "clock:" + e.clock();
            case ClockCancelled e -> "clock:" + e.clock();
            case Undone e -> line(e.line());
            case FeedAttached _, FeedLost _ -> "feed";
            case ControlTapped e -> "control:" + e.control();
            case AttemptBegan e -> start(e.of());
            case MilestoneReached e -> start(e.of());
            case FindingRaised e -> start(e.of());
            case AttemptEnded e -> start(e.of());
            case TraceStored e -> start(e.of());
            case SightLost e -> start(e.of());
            case StartTapped e -> tap(e.engine(), e.tap());
            case StartTapUndone e -> tap(e.engine(), e.tap());
            case StartFiguresTyped e -> "figures:engine-" + e.engine();
        };
    }

    static String line(LineRef ref) {
        return "line:" + ref;
    }

    /** Two people may tap different things of the same start at the same time. */
    private static String tap(int engine, Tap tap) {
        return "tap:engine-" + engine + "/" + tap.name().toLowerCase(java.util.Locale.ROOT);
    }

    static String start(Subject of) {
        return "start:" + of.slug();
    }

    static String seat(Seat seat) {
        return "seat:" + seat.name().toLowerCase(java.util.Locale.ROOT);
    }
}
