package org.skelda.core.attempt;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.ExpectedAndGot;

/** What came of an attempt, as it stands beside what was expected. */
class AttemptSummaryTest {
    private static AttemptSummary of(Duration toLight) {
        return new AttemptSummary(
                "X", Duration.ofSeconds(40), 612.0, toLight, null, null, 18.2, null, null, Duration.ofSeconds(20));
    }

    @Test
    void aPeakIsOneOfAFlame() {
        assertThat(of(Duration.ofMillis(2500)).got(true)).isEqualTo(new ExpectedAndGot.Got(18.2, 2.5, 612.0, null));
        assertThat(of(null).got(true))
                .as("dry motored, or never lit: the day's warmth is no peak")
                .isEqualTo(new ExpectedAndGot.Got(18.2, null, null, null));
        assertThat(of(null).got(false))
                .as("told by the crew")
                .isEqualTo(new ExpectedAndGot.Got(18.2, null, 612.0, null));
    }
}
