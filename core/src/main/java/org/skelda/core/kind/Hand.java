package org.skelda.core.kind;

import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.need.Known;

/**
 * Whose hand works a line, and what it knows.
 *
 * @param by that person
 * @param role flies or monitors; null without a seat
 * @param other who holds the other seat; null when nobody does
 * @param alone whether the type is flown by one and nobody else has a seat
 * @param control the irreversible control that the line moves and that must be agreed on; null when it moves none
 * @param known what is known of the day and of other lines
 */
public record Hand(
        Person by,
        @Nullable Role role,
        @Nullable Person other,
        boolean alone,
        @Nullable String control,
        Known known) {

    public boolean isOwn(Mark mark) {
        return mark.by().id().equals(by.id());
    }
}
