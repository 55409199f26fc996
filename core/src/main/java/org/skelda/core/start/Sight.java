package org.skelda.core.start;

import org.jspecify.annotations.Nullable;

/**
 * How a start is seen.
 *
 * @param tapped whether the crew tells it, and nothing is read
 * @param silent whether nothing has come from the aircraft for too long
 * @param lost what is not read although it is needed, in words; null when nothing is
 * @param unwatched what is not being watched, in words; empty for nothing
 * @param fuel whether fuel may come on; null when that is no question
 * @param next what to look for next if all goes well; null for nothing
 */
record Sight(
        boolean tapped,
        boolean silent,
        @Nullable String lost,
        String unwatched,
        @Nullable FuelGate fuel,
        @Nullable Milestone next) {

    /** Nothing is read. */
    static Sight tapped(@Nullable Milestone next) {
        return new Sight(true, false, null, "every gauge; read them yourself", null, next);
    }
}
