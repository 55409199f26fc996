package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.seat.SeatAsk;

/** What can be asked about seats. */
@JsonSubTypes({
    @JsonSubTypes.Type(SeatRequest.TakeSeat.class),
    @JsonSubTypes.Type(SeatRequest.ReleaseSeat.class),
    @JsonSubTypes.Type(SeatRequest.HandOverSeat.class),
    @JsonSubTypes.Type(SeatRequest.ConfirmHandOver.class),
    @JsonSubTypes.Type(SeatRequest.SwapRoles.class)
})
sealed interface SeatRequest extends CommandRequest {

    /** @param reason needed only to take over a held seat */
    @JsonTypeName("TAKE_SEAT")
    record TakeSeat(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Seat seat,
            @NotNull Role role,
            @Size(max = 500) @Nullable String reason)
            implements SeatRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new SeatAsk.TakeSeat(seat, role, reason));
        }
    }

    /** Leaves one's own seat. */
    @JsonTypeName("RELEASE_SEAT")
    record ReleaseSeat(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Seat seat) implements SeatRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new SeatAsk.ReleaseSeat(seat));
        }
    }

    /** @param to a person's id */
    @JsonTypeName("HAND_OVER_SEAT")
    record HandOverSeat(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Seat seat,
            @NotNull @Size(max = 60) String to)
            implements SeatRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new SeatAsk.HandOverSeat(seat, asking.person(to)));
        }
    }

    /** Confirms that the summary of a seat that was handed over is read. */
    @JsonTypeName("CONFIRM_HAND_OVER")
    record ConfirmHandOver(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Seat seat) implements SeatRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new SeatAsk.ConfirmHandOver(seat));
        }
    }

    /** Exchanges flying and monitoring. */
    @JsonTypeName("SWAP_ROLES")
    record SwapRoles(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt) implements SeatRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new SeatAsk.SwapRoles());
        }
    }
}
