package org.skelda.core.crew;

import org.jspecify.annotations.Nullable;

/**
 * How somebody sits, and who sits beside them.
 *
 * @param seat where; null without one
 * @param role flies or monitors; null without a seat
 * @param other who holds the other seat; null when nobody does
 */
public record Beside(
        @Nullable Seat seat, @Nullable Role role, @Nullable Person other) {}
