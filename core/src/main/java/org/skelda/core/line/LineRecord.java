package org.skelda.core.line;

import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.kind.History;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Standing;
import org.skelda.core.kind.Work;
import org.skelda.core.procedure.Line;

/**
 * What the log holds of one line. A line without a record is untouched.
 *
 * @param history what was done on it
 * @param deviation why it was not done as written
 */
public record LineRecord(History history, @Nullable Deviation deviation) {

    static final LineRecord UNTOUCHED = new LineRecord(History.NONE, null);

    /** @param overrides the guarded line passed by name, or null */
    public record Deviation(
            Mark mark, String reason, @Nullable String overrides) {}

    /** The same with one more thing done. */
    public LineRecord worked(Work work, Mark mark) {
        return new LineRecord(history.plus(work, mark), deviation);
    }

    LineRecord deviated(Deviation reason) {
        return new LineRecord(history, reason);
    }

    /** Whether the line needs nothing more. @param line the line this is the record of */
    public boolean completes(Line line) {
        return deviation != null || standing(line) == Standing.DONE;
    }

    /** How it stands: by its kind, and where it is held until it is agreed, by the agreement. */
    public Standing standing(Line line) {
        Standing standing = line.kind().standing(history);
        if (standing != Standing.DONE || !line.head().marks().heldUntilAgreed()) {
            return standing;
        }
        History.Done newest = history.newest();
        return newest != null && newest.work() instanceof Work.Agreed ? standing : Standing.RESPONDED;
    }

    /** Who answered it and when; for a challenge, the response. */
    public @Nullable Mark answered() {
        return history.answered();
    }

    /** Who confirmed the response. */
    public @Nullable Mark confirmed() {
        return history.confirmed();
    }

    /** The newest reading of a measured line. */
    public History.@Nullable Of<Measure.Read> reading() {
        return history.last(Measure.Read.class).orElse(null);
    }

    /** Who made the newest entry on the line; null when untouched. */
    public @Nullable Person newestBy() {
        if (deviation != null) {
            return deviation.mark().by();
        }
        History.Done newest = history.newest();
        return newest == null ? null : newest.mark().by();
    }
}
