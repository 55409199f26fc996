package org.skelda.core.line;

import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;

/** What can be asked about lines and their procedures. */
public sealed interface LineAsk {

    /** Ticks a line that needs no value. */
    record AnswerLine(LineRef line) implements LineAsk {}

    /** Gives a measured line its reading. @param value in {@code unit} */
    record MeasureLine(LineRef line, double value, String unit) implements LineAsk {}

    /** Confirms the colleague's response to a challenge. */
    record ConfirmLine(LineRef line) implements LineAsk {}

    /**
     * Goes on without the line as written.
     *
     * @param reason why, not blank
     * @param overrides the line's own id, given in a deliberate second step where a closed gate guards against damage
     */
    record Deviate(LineRef line, String reason, @Nullable String overrides) implements LineAsk {}

    /** Puts a procedure aside. @param at the line it was left at */
    record Hold(String procedure, String reason, @Nullable LineRef at) implements LineAsk {}

    /** Comes back to a held procedure. */
    record Resume(String procedure) implements LineAsk {}

    /**
     * Takes an answer, a reading, a confirmation or a deviation back. @param reason needed when it is another person's
     */
    record Undo(LineRef line, @Nullable String reason) implements LineAsk {}
}
