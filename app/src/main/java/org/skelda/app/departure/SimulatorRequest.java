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

/** What can be asked of the simulated aircraft. */
@JsonSubTypes({@JsonSubTypes.Type(SimulatorRequest.TapControl.class)})
sealed interface SimulatorRequest extends CommandRequest {

    /** @param control e.g. engine-2/fuel; @param position of that control */
    @JsonTypeName("TAP_CONTROL")
    record TapControl(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull @Size(max = 40) String control,
            @NotNull @Size(max = 120) String position)
            implements SimulatorRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(asking.control(control, position));
        }
    }
}
