package org.skelda.core.kind;

/** How a line stands by its kind's own rules. */
public enum Standing {
    OPEN,
    /** Some of it is done. */
    BEGUN,
    /** Given by one, and the other has not confirmed. */
    RESPONDED,
    /** Given, but not as it must be. */
    OUTSIDE,
    DONE
}
