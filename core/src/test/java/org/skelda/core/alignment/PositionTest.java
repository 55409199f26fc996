package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.measure.OutOfRange;

class PositionTest {
    private static final double TENTH_OF_A_NM = 0.1;

    /** Published geodesics of the ellipsoid: Karney 2013, his programs' own example, Vincenty 1975, and two arcs. */
    @ParameterizedTest
    @CsvSource({
        "-41.32, 174.81, 40.96, -5.50, 19959679.267",
        "40.6, -73.8, 51.6, -0.5, 5551759.400",
        "-37.95103342, 144.42486789, -37.65282114, 143.92649553, 54972.271",
        "0, 10, 0, 11, 111319.491",
        "0, 20, 90, 20, 10001965.729",
        "-30, 0, 29.9, 179.8, 19989832.828"
    })
    void distancesAreThePublishedOnes(double fromNorth, double fromEast, double toNorth, double toEast, double metres) {
        Position from = new Position(fromNorth, fromEast);
        Position to = new Position(toNorth, toEast);
        assertThat(from.distance_NM(to)).isCloseTo(metres / 1852, within(TENTH_OF_A_NM));
    }

    @Test
    void theWayBackIsAsLongAndNothingIsFartherThanTheOtherSide() {
        SplittableRandom random = new SplittableRandom(71);
        for (int i = 0; i < 2000; i++) {
            Position one = any(random);
            Position other = any(random);
            double there = one.distance_NM(other);
            assertThat(there).isBetween(0.0, 10_801.7).isCloseTo(other.distance_NM(one), within(1e-6));
            assertThat(one.distance_NM(one)).isZero();
        }
    }

    static Position any(SplittableRandom random) {
        return new Position(random.nextDouble(-90, 90), random.nextDouble(-180, 180));
    }

    @Test
    void isReadBackToATenthOfAMinute() {
        assertThat(new Position(62.41, -10.82).words()).isEqualTo("N62 24.6 W010 49.2");
        assertThat(new Position(-0.0001, 179.99999).words()).isEqualTo("N00 00.0 E180 00.0");
        assertThat(new Position(62.41, -10.82).decimals()).isEqualTo("62.410 -10.820");
        assertThat(new Position(-90, -180).words()).isEqualTo("S90 00.0 W180 00.0");
    }

    @ParameterizedTest
    @CsvSource({"91, 0", "-90.01, 0", "NaN, 0", "0, 180.1", "0, -181", "0, Infinity"})
    void whatIsNowhereIsRefused(double north, double east) {
        assertThatThrownBy(() -> new Position(north, east)).isInstanceOf(OutOfRange.class);
    }
}
