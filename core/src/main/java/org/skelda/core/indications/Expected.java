package org.skelda.core.indications;

import org.jspecify.annotations.Nullable;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.When;

/**
 * An indication that a phase of a test shows.
 *
 * @param indication its id
 * @param when in which state of the aircraft; null when in any
 * @param otherwise why it stays dark in any other state, in words; null when it is always expected
 */
public record Expected(
        String indication, @Nullable When when, @Nullable String otherwise) {

    /** Whether it is expected now; not decided where the state is not known. */
    public Need now(Known known) {
        return when == null ? Need.NEEDED : known.holds(when);
    }
}
