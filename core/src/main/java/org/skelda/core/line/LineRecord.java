package org.skelda.core.line;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.Line;

/**
 * What the log holds of one line. A line without a record is untouched.
 *
 * @param answered who answered it and when; for a challenge, the response
 * @param reading the newest reading of a measured line
 * @param confirmed who confirmed the response
 * @param deviation why it was not done as written
 */
public record LineRecord(
        @Nullable Mark answered,
        @Nullable Reading reading,
        @Nullable Mark confirmed,
        @Nullable Deviation deviation) {

    static final LineRecord UNTOUCHED = new LineRecord(null, null, null, null);

    /** Who, from which seat, when it was done, and when it was entered. */
    public record Mark(Person by, @Nullable Seat seat, Instant doneAt, Instant enteredAt) {
        /** Whether it was entered later than it was done. */
        public boolean late() {
            return enteredAt.isAfter(doneAt);
        }
    }

    /** A measured value with the judgement made of it then. @param value in {@code unit} */
    public record Reading(Mark mark, double value, String unit, Judgement judgement) {
        public boolean withinLimits() {
            return judgement.verdict() != Judgement.Verdict.OUTSIDE;
        }
    }

    /** @param overrides the guarded line passed by name, or null */
    public record Deviation(
            Mark mark, String reason, @Nullable String overrides) {}

    LineRecord answeredBy(Mark mark) {
        return new LineRecord(mark, reading, confirmed, deviation);
    }

    LineRecord read(Reading newest) {
        return new LineRecord(answered, newest, confirmed, deviation);
    }

    LineRecord confirmedBy(Mark mark) {
        return new LineRecord(answered, reading, mark, deviation);
    }

    LineRecord deviated(Deviation reason) {
        return new LineRecord(answered, reading, confirmed, reason);
    }

    /** Whether the line needs nothing more. @param line the line this is the record of */
    public boolean completes(Line line) {
        if (deviation != null) {
            return true;
        }
        return switch (line) {
            case Line.Measure _ -> reading != null && reading.withinLimits();
            case Line.Challenge _ -> answered != null && confirmed != null;
            case Line.Action _, Line.Check _, Line.Read _, Line.Gate _, Line.Caution _, Line.Start _ ->
                answered != null;
        };
    }

    /** Who made the newest entry on the line; null when untouched. */
    public @Nullable Person newestBy() {
        if (deviation != null) {
            return deviation.mark().by();
        }
        if (confirmed != null) {
            return confirmed.by();
        }
        if (reading != null) {
            return reading.mark().by();
        }
        return answered == null ? null : answered.by();
    }
}
