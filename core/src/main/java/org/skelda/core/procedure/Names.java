package org.skelda.core.procedure;

import org.skelda.core.kind.LineRef;

/** How conditions name what is neither a fact of the day nor an option: as they write it. */
public final class Names {
    private Names() {}

    /** What a measured line read. */
    public static String reading(LineRef line) {
        return "reading('" + line + "')";
    }

    /** Which answer of a decision was chosen. */
    public static String choice(LineRef line) {
        return "choice('" + line + "')";
    }

    /** What the operator has chosen once for all. */
    public static String option(String id) {
        return "option('" + id + "')";
    }

    /** Whether a line is complete; known of a state only, and never of what a line's need hangs on. */
    public static String done(LineRef line) {
        return "done('" + line + "')";
    }

    /** Whether an engine is at idle after its start; known of a state only. */
    public static String running(int engine) {
        return "running('" + engine + "')";
    }

    /** Whether the aircraft is in a state, as the operator's procedures tell. */
    public static String state(String id) {
        return "state('" + id + "')";
    }

    /** Whether the tail has a modification. */
    public static String modification(String id) {
        return "modification('" + id + "')";
    }
}
