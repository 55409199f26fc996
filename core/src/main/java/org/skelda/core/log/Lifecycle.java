package org.skelda.core.log;

/** Where a departure stands. */
public enum Lifecycle {
    /** Opened; nobody has begun. */
    PLANNED,
    /** A seat has been taken. */
    WORKING,
    /** The aircraft has left its stand. */
    OFF_BLOCK,
    /** The record is closed; it may only be amended. */
    SIGNED,
    /** Given up; kept as it is. */
    ABANDONED;

    public boolean closed() {
        return this == SIGNED || this == ABANDONED;
    }
}
