package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.departure.Ask;

/** What the crew can tell of inertial units that nothing reads. */
@JsonSubTypes({
    @JsonSubTypes.Type(InertialRequest.TellUnits.class),
    @JsonSubTypes.Type(InertialRequest.UntellUnits.class)
})
sealed interface InertialRequest extends CommandRequest {

    /**
     * @param units their numbers; none for all
     * @param position as it was typed, in any usual writing; for a position alone
     * @param code as the unit shows it; for a code alone
     * @param tappedAt when, by the person's device
     */
    @JsonTypeName("TELL_UNITS")
    record TellUnits(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @Size(max = 4) @Nullable List<@NotNull Integer> units,
            @NotNull UnitTap tap,
            @Size(max = 200) @Nullable String position,
            @Size(max = 40) @Nullable String code,
            @NotNull Instant tappedAt)
            implements InertialRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new UnitAsk.TellUnits(
                    units == null ? List.of() : units, tap, position, code, Asking.inMillis(tappedAt)));
        }
    }

    /** Takes the newest of what the crew told back. @param reason needed when it is another person's */
    @JsonTypeName("UNTELL_UNITS")
    record UntellUnits(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @Size(max = 500) @Nullable String reason)
            implements InertialRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new UnitAsk.UntellUnits(reason));
        }
    }
}
