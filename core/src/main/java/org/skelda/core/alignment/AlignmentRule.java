package org.skelda.core.alignment;

import java.time.Duration;
import org.skelda.core.measure.OutOfRange;

/**
 * Time an inertial unit needs to find north: {@code t = t0 / cos(latitude)}, never under {@code t0} and never over
 * {@code tMax}. The earth's rate about the local level axis falls with the cosine of latitude, so the unit needs longer
 * the nearer it is to a pole. Source: the type's document; first-order gyrocompassing.
 *
 * @param atEquator t0, positive
 * @param longest tMax, at least t0
 * @param highestLatitude_deg the highest latitude (deg, either hemisphere, inclusive) at which the unit aligns, 0 to 90
 */
public record AlignmentRule(Duration atEquator, Duration longest, double highestLatitude_deg) {

    private static final double MILLIS_PER_SECOND = 1000;

    /** @throws IllegalArgumentException when the numbers contradict each other */
    public AlignmentRule {
        if (!atEquator.isPositive() || longest.compareTo(atEquator) < 0) {
            throw new IllegalArgumentException(
                    "alignment: the longest time must be at least the time at the equator, and both positive");
        }
        if (!(highestLatitude_deg >= 0 && highestLatitude_deg <= 90)) {
            throw new IllegalArgumentException("alignment: the highest latitude must be 0 to 90 deg");
        }
    }

    /** Whether the unit aligns there. @param latitude_deg degrees, north positive */
    public boolean alignsAt(double latitude_deg) {
        return Math.abs(latitude_deg) <= highestLatitude_deg;
    }

    /**
     * @param latitude_deg latitude of the stand, degrees north positive, -90 to 90 inclusive
     * @return the time from switching on, to the millisecond
     * @throws OutOfRange when the latitude is impossible, or higher than the unit can align at
     */
    public Duration timeAt(double latitude_deg) {
        if (!(latitude_deg >= -90 && latitude_deg <= 90)) {
            throw new OutOfRange("Latitude", latitude_deg, -90, 90, "deg", "Give the latitude of the stand.");
        }
        if (Math.abs(latitude_deg) > highestLatitude_deg) {
            throw new OutOfRange(
                    "Latitude for alignment",
                    latitude_deg,
                    -highestLatitude_deg,
                    highestLatitude_deg,
                    "deg",
                    "The units do not align here. Use the operator's polar procedure.");
        }
        double seconds = atEquator.toMillis() / MILLIS_PER_SECOND / Math.cos(Math.toRadians(latitude_deg));
        Duration time = Duration.ofMillis(Math.round(seconds * MILLIS_PER_SECOND));
        return time.compareTo(longest) > 0 ? longest : time;
    }
}
