package org.skelda.core.need;

import java.util.Set;

/** A condition that was understood. */
public interface When {
    /** As it was written. */
    String text();

    /** Every name that it may ask for. */
    Set<String> names();

    /** The numbers that it compares with. */
    Set<Double> numbers();

    /**
     * Whether it holds. A name that is not known and without which it cannot be told makes it not decided; it is never
     * taken for a "no".
     */
    Need need(Known known);
}
