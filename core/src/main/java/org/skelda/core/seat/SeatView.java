package org.skelda.core.seat;

import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;

/**
 * A held seat.
 *
 * @param working the line this person would answer next, null when none
 * @param takenFrom from whom the person has it, until they have read the summary; null when nobody
 */
public record SeatView(
        Seat seat,
        Role role,
        Person person,
        @Nullable LineRef working,
        @Nullable Person takenFrom) {}
