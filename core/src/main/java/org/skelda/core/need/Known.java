package org.skelda.core.need;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** What is known of a departure at a moment. */
@FunctionalInterface
public interface Known {
    /** Nothing is known. */
    Known NOTHING = _ -> Optional.empty();

    /** Empty when it is not known yet. */
    Optional<Value> value(String name);

    /** The same, which works each name out once; for one thread and one look. */
    default Known once() {
        Map<String, Optional<Value>> told = new HashMap<>();
        return name -> {
            Optional<Value> before = told.get(name);
            if (before == null) {
                before = value(name);
                told.put(name, before);
            }
            return before;
        };
    }
}
