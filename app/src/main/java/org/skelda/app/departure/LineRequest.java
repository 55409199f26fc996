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

/** What can be asked about lines and procedures. A line is named as procedure/line. */
@JsonSubTypes({
    @JsonSubTypes.Type(LineRequest.AnswerLine.class),
    @JsonSubTypes.Type(LineRequest.MeasureLine.class),
    @JsonSubTypes.Type(LineRequest.ConfirmLine.class),
    @JsonSubTypes.Type(LineRequest.Deviate.class),
    @JsonSubTypes.Type(LineRequest.Hold.class),
    @JsonSubTypes.Type(LineRequest.Resume.class),
    @JsonSubTypes.Type(LineRequest.Undo.class)
})
sealed interface LineRequest extends CommandRequest {

    /** Ticks a line that needs no value. */
    @JsonTypeName("ANSWER")
    record AnswerLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.AnswerLine(line));
        }
    }

    /** @param value in {@code unit}; @param unit the line's own */
    @JsonTypeName("MEASURE")
    record MeasureLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line,
            @NotNull Double value,
            @NotNull @Size(max = 20) String unit)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.MeasureLine(line, value, unit));
        }
    }

    /** Confirms the colleague's response to a challenge. */
    @JsonTypeName("CONFIRM")
    record ConfirmLine(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull LineRef line)
            implements LineRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new LineAsk.ConfirmLine(line));
        }
    }

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
}
