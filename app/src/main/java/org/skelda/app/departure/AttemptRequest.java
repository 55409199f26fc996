package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.attempt.AttemptAsk;
import org.skelda.core.departure.Ask;
import org.skelda.core.start.Tap;

/** What the crew can tell of a start that nothing reads. An engine has a number from 1 to 4. */
@JsonSubTypes({
    @JsonSubTypes.Type(AttemptRequest.TapStart.class),
    @JsonSubTypes.Type(AttemptRequest.UndoTap.class),
    @JsonSubTypes.Type(AttemptRequest.TypeFigures.class)
})
sealed interface AttemptRequest extends CommandRequest {

    /**
     * @param tappedAt when, by the person's device; @param timed whether it was told as it happened; false for an
     *     answer to a question
     */
    @JsonTypeName("TAP_START")
    record TapStart(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Min(1) @Max(4) Integer engine,
            @NotNull Tap tap,
            @NotNull Instant tappedAt,
            @Nullable Boolean timed)
            implements AttemptRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(
                    new AttemptAsk.TapStart(engine, tap, Asking.inMillis(tappedAt), !Boolean.FALSE.equals(timed)));
        }
    }

    /** @param tap the newest one; @param reason needed when it is another person's */
    @JsonTypeName("UNDO_TAP")
    record UndoTap(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Min(1) @Max(4) Integer engine,
            @NotNull Tap tap,
            @Size(max = 500) @Nullable String reason)
            implements AttemptRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new AttemptAsk.UndoTap(engine, tap, reason));
        }
    }

    /** @param peak_c highest temperature read off, degC; @param dip_v lowest volts read off, V */
    @JsonTypeName("TYPE_FIGURES")
    record TypeFigures(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Min(1) @Max(4) Integer engine,
            @Nullable Double peak_c,
            @Nullable Double dip_v)
            implements AttemptRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new AttemptAsk.TypeFigures(engine, peak_c, dip_v));
        }
    }
}
