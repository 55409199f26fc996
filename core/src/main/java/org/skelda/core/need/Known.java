package org.skelda.core.need;

import java.util.Optional;

/** What is known of a departure at a moment. */
@FunctionalInterface
public interface Known {
    /** Nothing is known. */
    Known NOTHING = _ -> Optional.empty();

    /** Empty when it is not known yet. */
    Optional<Value> value(String name);

    /** Whether a condition holds by what is known. */
    default Need holds(When when) {
        return when.need(this);
    }
}
