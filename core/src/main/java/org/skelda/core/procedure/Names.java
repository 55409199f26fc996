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

    /** Whether the tail has a modification. */
    public static String modification(String id) {
        return "modification('" + id + "')";
    }
}
