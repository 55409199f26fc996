package org.skelda.core.need;

/** What a name stands for in a condition. */
public enum Kind {
    /** A number, in the unit that its name says. */
    NUMBER,
    YES_NO,
    /** One of a few words. */
    WORD
}
