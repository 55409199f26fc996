package org.skelda.core.crew;

/** The two pilot seats. */
public enum Seat {
    LEFT,
    RIGHT;

    public Seat other() {
        return this == LEFT ? RIGHT : LEFT;
    }
}
