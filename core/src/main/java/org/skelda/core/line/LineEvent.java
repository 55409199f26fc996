package org.skelda.core.line;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Work;
import org.skelda.core.log.Fact;
import org.skelda.core.procedure.Change;

/** What can have happened to lines and their procedures, and to the clocks that lines start. Facts only. */
public sealed interface LineEvent extends Fact {

    /** A line was worked. @param work what happened, by its kind */
    record LineWorked(LineRef line, Work work) implements LineEvent {}

    /** @param overrides the guarded line that was passed by name, null when nothing was guarded */
    record DeviationRecorded(
            LineRef line, String reason, @Nullable String overrides) implements LineEvent {}

    /** @param reopened further lines that were answered behind this one's gates and are open again */
    record Undone(LineRef line, @Nullable String reason, List<LineRef> reopened) implements LineEvent {
        public Undone {
            reopened = List.copyOf(reopened);
        }
    }

    record ProcedureHeld(
            String procedure, String reason, @Nullable LineRef line) implements LineEvent {}

    /** The lines of a seat's procedure are worked by another seat; null when they are its own again. */
    record LinesTaken(String procedure, @Nullable Seat by) implements LineEvent {}

    record ProcedureResumed(String procedure) implements LineEvent {}

    record ClockStarted(String clock, LineRef by, Instant startedAt, Duration duration) implements LineEvent {}

    record ClockCancelled(String clock, LineRef by) implements LineEvent {}

    /**
     * Something about the day has changed.
     *
     * @param words what, as it was told
     * @param reopened lines that were done and must be done again
     */
    record ChangeReported(Change change, String words, List<LineRef> reopened) implements LineEvent {
        public ChangeReported {
            reopened = List.copyOf(reopened);
        }
    }

    @Override
    default String subject() {
        return switch (this) {
            case LineWorked e -> subject(e.line());
            case DeviationRecorded e -> subject(e.line());
            case Undone e -> subject(e.line());
            case ProcedureHeld e -> "hold:" + e.procedure();
            case LinesTaken e -> "lines:" + e.procedure();
            case ProcedureResumed e -> "hold:" + e.procedure();
            case ClockStarted e -> "clock:" + e.clock();
            case ClockCancelled e -> "clock:" + e.clock();
            case ChangeReported e -> "change:" + e.change().name().toLowerCase(Locale.ROOT);
        };
    }

    @Override
    default List<String> touches() {
        return switch (this) {
            case Undone undone ->
                Stream.concat(Stream.of(undone.line()), undone.reopened().stream())
                        .map(LineEvent::subject)
                        .toList();
            case ChangeReported change ->
                Stream.concat(Stream.of(subject()), change.reopened().stream().map(LineEvent::subject))
                        .toList();
            default -> List.of(subject());
        };
    }

    static String subject(LineRef ref) {
        return "line:" + ref;
    }
}
