package org.skelda.core.procedure;

/** Something about the day that may change late and undo what was done. */
public enum Change {
    WEATHER,
    LOAD,
    FUEL,
    RUNWAY,
    CREW
}
