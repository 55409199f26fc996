package org.skelda.core.start;

/** What a sample says of a switch or lever. */
public enum Switch {
    OFF,
    ON,
    /** Not told at this sample: it stays as it was. */
    UNTOLD
}
