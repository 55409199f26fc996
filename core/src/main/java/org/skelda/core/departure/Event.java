package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;

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

    /** What two events must share to be in conflict: a line, a procedure's hold, a seat, or the departure itself. */
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
        };
    }

    static String line(LineRef ref) {
        return "line:" + ref;
    }

    static String seat(Seat seat) {
        return "seat:" + seat.name().toLowerCase(java.util.Locale.ROOT);
    }
}
