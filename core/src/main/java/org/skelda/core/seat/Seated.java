package org.skelda.core.seat;

import org.skelda.core.log.Person;
import org.skelda.core.procedure.Role;

/** Who holds a seat, and in which role. */
public record Seated(Person person, Role role) {}
