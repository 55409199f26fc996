package org.skelda.core.need;

import java.util.Optional;

/** What is known of a departure at a moment. */
@FunctionalInterface
public interface Known {
    /** Nothing is known. */
    Known NOTHING = _ -> Optional.empty();

    /** Empty when it is not known yet. */
    Optional<Value> value(String name);
}
