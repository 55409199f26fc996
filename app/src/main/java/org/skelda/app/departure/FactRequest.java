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

/** What can be asked about the facts of the day. */
@JsonSubTypes({@JsonSubTypes.Type(FactRequest.GiveFact.class)})
sealed interface FactRequest extends CommandRequest {

    /**
     * @param fact its name in conditions
     * @param number its value, in {@code unit}; for a number
     * @param unit of the number
     * @param yes its value; for a yes or no
     */
    @JsonTypeName("GIVE_FACT")
    record GiveFact(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 40) String fact,
            @Nullable Double number,
            @Nullable @Size(max = 20) String unit,
            @Nullable Boolean yes)
            implements FactRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(asking.fact(fact, number, unit, yes));
        }
    }
}
