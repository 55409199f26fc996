package org.skelda.core.seat;

import org.jspecify.annotations.Nullable;
import org.skelda.core.log.Person;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;

/** A held seat. @param working the line this person would answer next, null when none */
public record SeatView(
        Seat seat, Role role, Person person, @Nullable LineRef working) {}
