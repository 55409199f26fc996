package org.skelda.core.line;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;
import org.skelda.core.log.Fact;
import org.skelda.core.measure.Judgement;

/** What can have happened to lines and their procedures, and to the clocks that lines start. Facts only. */
public sealed interface LineEvent extends Fact {

    record LineAnswered(LineRef line) implements LineEvent {}

    /** @param value in {@code unit}; the judgement is kept as it was made */
    record LineMeasured(LineRef line, double value, String unit, Judgement judgement) implements LineEvent {}

    record LineConfirmed(LineRef line) implements LineEvent {}

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

    record ProcedureResumed(String procedure) implements LineEvent {}

    record ClockStarted(String clock, LineRef by, Instant startedAt, Duration duration) implements LineEvent {}

    record ClockCancelled(String clock, LineRef by) implements LineEvent {}

    @Override
    default String subject() {
        return switch (this) {
            case LineAnswered e -> subject(e.line());
            case LineMeasured e -> subject(e.line());
            case LineConfirmed e -> subject(e.line());
            case DeviationRecorded e -> subject(e.line());
            case Undone e -> subject(e.line());
            case ProcedureHeld e -> "hold:" + e.procedure();
            case ProcedureResumed e -> "hold:" + e.procedure();
            case ClockStarted e -> "clock:" + e.clock();
            case ClockCancelled e -> "clock:" + e.clock();
        };
    }

    @Override
    default List<String> touches() {
        return this instanceof Undone undone
                ? Stream.concat(Stream.of(undone.line()), undone.reopened().stream())
                        .map(LineEvent::subject)
                        .toList()
                : List.of(subject());
    }

    static String subject(LineRef ref) {
        return "line:" + ref;
    }
}
