package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Ask;
import org.skelda.core.record.RecordAsk;

/** What can be asked of the departure as a whole, and of its record. */
@JsonSubTypes({
    @JsonSubTypes.Type(RecordRequest.Sign.class),
    @JsonSubTypes.Type(RecordRequest.Amend.class),
    @JsonSubTypes.Type(RecordRequest.Abandon.class)
})
sealed interface RecordRequest extends CommandRequest {

    /** @param password the person's own, entered again; it is never stored nor hashed */
    @JsonTypeName("SIGN")
    record Sign(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,

            @NotNull @Size(max = 200) @JsonProperty(access = JsonProperty.Access.WRITE_ONLY)
            String password)
            implements RecordRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new RecordAsk.Sign());
        }
    }

    /** Adds a note to a signed record. */
    @JsonTypeName("AMEND")
    record Amend(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 2000) String text)
            implements RecordRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new RecordAsk.Amend(text, asking.office()));
        }
    }

    /** Gives the departure up. */
    @JsonTypeName("ABANDON")
    record Abandon(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 500) String reason)
            implements RecordRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new RecordAsk.Abandon(reason));
        }
    }
}
