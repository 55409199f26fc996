package org.skelda.core.seat;

import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;

/** Who holds a seat, and in which role. */
public record Seated(Person person, Role role) {}
