package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.measure.OutOfRange;

class AlignmentRuleTest {
    private static final AlignmentRule RULE = new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), 78.5);

    @ParameterizedTest
    @CsvFileSource(resources = "minutes.csv", useHeadersInDisplayName = true)
    void takesTheTimeOfTheTable(double latitude_deg, double minutes) {
        assertThat(RULE.timeAt(latitude_deg).toMillis() / 60_000.0).isCloseTo(minutes, within(0.005));
    }

    @ParameterizedTest
    @ValueSource(doubles = {79, -79, 78.51, 90})
    void isRefusedWhereTheUnitsDoNotAlign(double latitude_deg) {
        assertThatThrownBy(() -> RULE.timeAt(latitude_deg))
                .isInstanceOfSatisfying(
                        OutOfRange.class, e -> assertThat(e.todo()).contains("polar procedure"));
    }

    @ParameterizedTest
    @ValueSource(doubles = {95, -90.1, Double.NaN, Double.POSITIVE_INFINITY})
    void refusesLatitudesThatDoNotExist(double latitude_deg) {
        assertThatThrownBy(() -> RULE.timeAt(latitude_deg))
                .isInstanceOfSatisfying(
                        OutOfRange.class, e -> assertThat(e.max()).isEqualTo(90));
    }

    @Test
    void isTheSameInBothHemispheresAndNeverShorterNearerToAPole() {
        SplittableRandom random = new SplittableRandom(7);
        IntStream.range(0, 2000).forEach(_ -> {
            double low = random.nextDouble(0, 78.5);
            double high = random.nextDouble(low, 78.5);
            assertThat(RULE.timeAt(-low)).isEqualTo(RULE.timeAt(low));
            assertThat(RULE.timeAt(high)).isGreaterThanOrEqualTo(RULE.timeAt(low));
            assertThat(RULE.timeAt(high)).isBetween(Duration.ofMinutes(6), Duration.ofMinutes(18));
        });
    }

    @Test
    void refusesContradictoryNumbers() {
        assertThatThrownBy(() -> new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(5), 78.5))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AlignmentRule(Duration.ZERO, Duration.ofMinutes(5), 78.5))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), Double.NaN))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
