package org.skelda.core.line;

import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.procedure.Change;

/** What can be asked about lines and their procedures. */
public sealed interface LineAsk {

    /** Works a line in the way of its kind. */
    record WorkLine(LineRef line, Doing doing) implements LineAsk {}

    /**
     * Goes on without the line as written.
     *
     * @param reason why, not blank
     * @param overrides the line's own id, given in a deliberate second step where a closed gate guards against damage
     */
    record Deviate(LineRef line, String reason, @Nullable String overrides) implements LineAsk {}

    /** Puts a procedure aside. @param at the line it was left at */
    record Hold(String procedure, String reason, @Nullable LineRef at) implements LineAsk {}

    /** Takes the other seat's lines of one procedure over while its owner is away, or gives them back. */
    record TakeLines(String procedure, boolean back) implements LineAsk {}

    /** Comes back to a held procedure. */
    record Resume(String procedure) implements LineAsk {}

    /**
     * Takes an answer, a reading, a confirmation or a deviation back. @param reason needed when it is another person's
     */
    record Undo(LineRef line, @Nullable String reason) implements LineAsk {}

    /** Tells that something about the day has changed. @param words what, not blank */
    record ReportChange(Change change, String words) implements LineAsk {}
}
