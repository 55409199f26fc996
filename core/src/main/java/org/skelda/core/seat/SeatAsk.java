package org.skelda.core.seat;

import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;

/** What can be asked about seats. */
public sealed interface SeatAsk {

    /** Takes a seat. @param reason needed only to take over a held seat */
    record TakeSeat(Seat seat, Role role, @Nullable String reason) implements SeatAsk {}

    /** Leaves one's own seat. */
    record ReleaseSeat(Seat seat) implements SeatAsk {}

    /** Hands one's own seat to another person. */
    record HandOverSeat(Seat seat, Person to) implements SeatAsk {}

    /** Confirms that the summary of a seat that was handed over is read. */
    record ConfirmHandOver(Seat seat) implements SeatAsk {}

    /** Exchanges flying and monitoring. */
    record SwapRoles() implements SeatAsk {}
}
