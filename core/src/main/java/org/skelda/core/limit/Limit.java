package org.skelda.core.limit;

import java.time.Duration;

/**
 * A value that must not be passed for longer than a time without a break.
 *
 * @param value in the unit of what is measured; finite. Standing exactly on it is inside.
 * @param direction on which side of it the signal is beyond
 * @param allowed time that the signal may be beyond without a break; zero: never. Not negative, under a day.
 */
public record Limit(double value, Direction direction, Duration allowed) {

    /** The side that is beyond. */
    public enum Direction {
        ABOVE,
        BELOW
    }

    /** @throws IllegalArgumentException for a value that is not finite or a time out of range */
    public Limit {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("a limit of " + value + " is no limit; give a finite value");
        }
        if (allowed.isNegative() || allowed.compareTo(Duration.ofDays(1)) >= 0) {
            throw new IllegalArgumentException("a limit may be passed for 0 s to a day, not for " + allowed);
        }
    }

    /** A limit from above. @param allowed time above it without a break */
    public static Limit above(double value, Duration allowed) {
        return new Limit(value, Direction.ABOVE, allowed);
    }

    /** A limit from below. @param allowed time below it without a break */
    public static Limit below(double value, Duration allowed) {
        return new Limit(value, Direction.BELOW, allowed);
    }

    /** How far a value is beyond, in its unit: positive beyond, negative or zero inside. */
    double beyond(double reading) {
        return direction == Direction.ABOVE ? reading - value : value - reading;
    }
}
