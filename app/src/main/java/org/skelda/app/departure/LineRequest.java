package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Ask;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.procedure.Change;

/** What can be asked about procedures, and of any line whatever its kind. A line is named as procedure/line. */
@JsonSubTypes({
    @JsonSubTypes.Type(LineRequest.Deviate.class),
    @JsonSubTypes.Type(LineRequest.Hold.class),
    @JsonSubTypes.Type(LineRequest.TakeLines.class),
    @JsonSubTypes.Type(LineRequest.Resume.class),
    @JsonSubTypes.Type(LineRequest.Undo.class),
    @JsonSubTypes.Type(LineRequest.ReportChange.class)
})
sealed interface LineRequest extends CommandRequest {

    /** @param overrides the guarded line's id, given in the second step */
    @JsonTypeName("DEVIATE")
    record Deviate(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull @Size(max = 500) String reason,
            @Size(max = 60) @Nullable String overrides)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.Deviate(line, reason, overrides));
        }
    }

    /** @param line where it was left */
    @JsonTypeName("HOLD")
    record Hold(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 60) String procedure,
            @NotNull @Size(max = 500) String reason,
            @Nullable LineRef line)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.Hold(procedure, reason, line));
        }
    }

    /** Takes the other seat's lines of one procedure over, or gives them back. */
    @JsonTypeName("TAKE_LINES")
    record TakeLines(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 60) String procedure,
            @NotNull Boolean back)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.TakeLines(procedure, back));
        }
    }

    /** Comes back to a held procedure. */
    @JsonTypeName("RESUME")
    record Resume(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 60) String procedure)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.Resume(procedure));
        }
    }

    /** @param reason needed when it is another person's answer */
    @JsonTypeName("UNDO")
    record Undo(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @Size(max = 500) @Nullable String reason)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.Undo(line, reason));
        }
    }

    /** @param words what has changed */
    @JsonTypeName("REPORT_CHANGE")
    record ReportChange(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Change change,
            @NotNull @Size(max = 300) String words)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.ReportChange(change, words));
        }
    }
}
