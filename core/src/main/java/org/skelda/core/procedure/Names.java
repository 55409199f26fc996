package org.skelda.core.procedure;

import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.Value;

/** How conditions name what is neither a fact of the day nor an option: as they write it. */
public final class Names {
    /** What stands for the answer to a question that is not asked. */
    public static final Value NO_ANSWER = new Value.Word("");

    private static final String STATE = "state('";
    private static final String END = "')";

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
        return STATE + id + END;
    }

    /** The state that a name stands for; null when it stands for something else. */
    public static @Nullable String stateOf(String name) {
        return name.startsWith(STATE) && name.endsWith(END)
                ? name.substring(STATE.length(), name.length() - END.length())
                : null;
    }

    /** Whether the tail has a modification. */
    public static String modification(String id) {
        return "modification('" + id + "')";
    }
}
