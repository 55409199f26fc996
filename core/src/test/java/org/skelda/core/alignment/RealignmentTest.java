package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumSet;
import java.util.Set;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.alignment.Realignment.Day;
import org.skelda.core.alignment.Realignment.Kind;

class RealignmentTest {
    private static final Realignment RULE = new Realignment(2.2, 14, 6, 4, 50, "Type, inertial units");

    private static Day day(
            @Nullable Boolean night,
            @Nullable Double drift,
            @Nullable Double speed,
            @Nullable Double difference,
            @Nullable Double standing,
            @Nullable Boolean navigating) {
        return new Day(night, false, false, drift, speed, difference, standing, navigating);
    }

    @ParameterizedTest
    @CsvSource({
        "false, 1.0, 2, 0.4, 30, true, NONE",
        "false, 1.0, 5.9, 3.9, 49, true, NONE",
        "false, 1.0, 6.0, 0.4, 30, true, QUICK",
        "false, 1.0, 2, 4.0, 30, true, QUICK",
        "false, 1.0, 2, 0.4, 50, true, QUICK",
        "false, 2.2, 14, 0.4, 30, true, QUICK",
        "false, 2.21, 2, 0.4, 30, true, FULL",
        "false, 1.0, 14.1, 0.4, 30, true, FULL",
        "true, 1.0, 2, 0.4, 30, true, FULL",
        "false, 1.0, 2, 0.4, 30, false, FULL",
        "false, , 2, 0.4, 30, true, NOT_DECIDED",
        "true, , , , , , FULL",
        ", 1.0, 2, 0.4, 30, true, NOT_DECIDED",
        "false, 1.0, 7, , , true, QUICK",
        "false, 1.0, 2, , 30, true, NOT_DECIDED",
        "false, 1.0, 2, 0.4, 30, , NOT_DECIDED"
    })
    void theAdviceFollowsTheNumbers(
            @Nullable Boolean night,
            @Nullable Double drift,
            @Nullable Double speed,
            @Nullable Double difference,
            @Nullable Double standing,
            @Nullable Boolean navigating,
            Kind kind) {
        assertThat(RULE.advice(day(night, drift, speed, difference, standing, navigating))
                        .kind())
                .isEqualTo(kind);
    }

    @Test
    void theReasonsTellTheirNumbersAndLimits() {
        Realignment.Advice advice = RULE.advice(day(false, 3.1, 15.0, 0.2, 10.0, true));
        assertThat(advice.reasons())
                .containsExactly(
                        new Realignment.Reason("Drift of the last leg", 3.1, 2.2, "NM/h"),
                        new Realignment.Reason("Speed shown at the last stop", 15.0, 14.0, "kt"));
        assertThat(advice.source()).isEqualTo("Type, inertial units");
        assertThat(RULE.advice(day(false, null, 2.0, 0.2, 10.0, true)).unknown())
                .containsExactly("Drift of the last leg");
        assertThat(RULE.advice(day(false, Double.NaN, 2.0, 0.2, 10.0, true)).kind())
                .isEqualTo(Kind.NOT_DECIDED);
    }

    /** Whatever the unknown turns out to be, a decided advice stays; and each kind comes up. */
    @Test
    void whatIsNotKnownNeverDecides() {
        SplittableRandom random = new SplittableRandom(76);
        Set<Kind> seen = EnumSet.noneOf(Kind.class);
        for (int i = 0; i < 20_000; i++) {
            Day known = any(random);
            Day part = with(random, known);
            Kind kind = RULE.advice(part).kind();
            seen.add(kind);
            if (kind == Kind.NOT_DECIDED) {
                assertThat(RULE.advice(part).unknown()).isNotEmpty();
            } else {
                assertThat(RULE.advice(known).kind())
                        .as("%s of %s", part, known)
                        .isEqualTo(kind);
                assertThat(RULE.advice(part).unknown()).isEmpty();
            }
            assertThat(RULE.advice(known).kind()).isNotEqualTo(Kind.NOT_DECIDED);
        }
        assertThat(seen).containsExactlyInAnyOrder(Kind.values());
    }

    private static Day any(SplittableRandom random) {
        return new Day(
                random.nextInt(8) == 0,
                random.nextInt(8) == 0,
                random.nextInt(8) == 0,
                random.nextDouble(3),
                random.nextDouble(16),
                random.nextDouble(6),
                random.nextDouble(80),
                random.nextInt(6) > 0);
    }

    private static Day with(SplittableRandom random, Day day) {
        return new Day(
                maybe(random, day.nightStop()),
                maybe(random, day.crewChanged()),
                maybe(random, day.withoutAids()),
                maybe(random, day.drift_NMh()),
                maybe(random, day.speed_kt()),
                maybe(random, day.difference_NM()),
                maybe(random, day.standing_min()),
                maybe(random, day.navigating()));
    }

    private static <T> @Nullable T maybe(SplittableRandom random, @Nullable T value) {
        return random.nextInt(8) == 0 ? null : value;
    }

    @Test
    void numbersThatContradictEachOtherAreNoRule() {
        assertThatThrownBy(() -> new Realignment(2.2, 6, 6, 4, 50, "x")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Realignment(0, 14, 6, 4, 50, "x")).isInstanceOf(IllegalArgumentException.class);
    }
}
