package org.skelda.core.seat;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.log.Fact;

/** What can have happened to the seats. */
public sealed interface SeatEvent extends Fact {

    /** @param tookOverFrom the former holder, null when the seat was free; @param reason why it was taken over */
    record SeatTaken(
            Seat seat,
            Role role,
            Person person,
            @Nullable Person tookOverFrom,
            @Nullable String reason) implements SeatEvent {}

    record SeatReleased(Seat seat) implements SeatEvent {}

    record SeatHandedOver(Seat seat, Person from, Person to) implements SeatEvent {}

    /** The one who took the seat has read what was done, is open and is unusual. */
    record HandOverConfirmed(Seat seat) implements SeatEvent {}

    record RolesSwapped() implements SeatEvent {}

    @Override
    default String subject() {
        return switch (this) {
            case SeatTaken e -> subject(e.seat());
            case SeatReleased e -> subject(e.seat());
            case SeatHandedOver e -> subject(e.seat());
            case HandOverConfirmed e -> subject(e.seat());
            case RolesSwapped _ -> "roles";
        };
    }

    private static String subject(Seat seat) {
        return "seat:" + seat.name().toLowerCase(Locale.ROOT);
    }
}
