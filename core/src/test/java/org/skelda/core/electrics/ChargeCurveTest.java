package org.skelda.core.electrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.ChargeCurve.Point;
import org.skelda.core.electrics.ChargeCurve.Verdict;

class ChargeCurveTest {
    private static final ChargeRule TWIN = new ChargeRule("cycled", 45, Duration.ofSeconds(90), "the type");

    private static ChargeCurve judged(double... timesAndCurrents) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < timesAndCurrents.length; i += 2) {
            points.add(new Point(timesAndCurrents[i], timesAndCurrents[i + 1]));
        }
        return ChargeCurve.of(TWIN, points);
    }

    @Test
    void oneReadingUnderTheLimitIsNoProofThatItFalls() {
        assertThat(judged(40, 38).verdict()).isEqualTo(Verdict.AGAIN);
        assertThat(judged(40, 38).words()).isEqualTo("38 A, under 45. Is it falling? Read it once more.");
        assertThat(judged(40, 38, 60, 38).verdict()).isEqualTo(Verdict.AGAIN);
        assertThat(judged(40, 38, 60, 31).verdict()).isEqualTo(Verdict.GOOD);
        assertThat(judged(40, 38, 60, 31).words()).isEqualTo("31 A and falling, under 45 A by 40 s, 50 s in hand.");
    }

    @Test
    void whileThereIsTimeItTellsWhenItShouldComeUnder() {
        assertThat(judged(20, 90).words()).isEqualTo("90 A, 45 A over 45, with 70 s left. Read it again.");
        ChargeCurve falls = judged(20, 120, 40, 60);
        assertThat(falls.verdict()).isEqualTo(Verdict.AGAIN);
        assertThat(falls.expected_s()).isCloseTo(48.3, within(0.1));
        assertThat(falls.words()).endsWith("As it falls it comes under at 48 s, 42 s in hand. Read it again.");
        assertThat(judged(20, 120, 60, 100).words()).endsWith("As it falls it comes under only at 235 s, 145 s late.");
    }

    @Test
    void lateOrRisingIsToldWithItsNumbers() {
        assertThat(judged(20, 120, 100, 60).verdict()).isEqualTo(Verdict.LATE);
        assertThat(judged(20, 120, 100, 60).words()).startsWith("60 A at 100 s: 15 A over 45.");
        // The straight line between 60 A at 80 s and 40 A at 160 s is under 45 A at 140 s.
        assertThat(judged(80, 60, 160, 40).verdict()).isEqualTo(Verdict.LATE);
        assertThat(judged(80, 60, 160, 40).words()).startsWith("It came under 45 A only at about 140 s, 50 s late.");
        assertThat(judged(20, 60, 40, 64).verdict()).isEqualTo(Verdict.RISES);
        assertThat(judged(20, 60, 40, 64, 60, 40).verdict()).isEqualTo(Verdict.GOOD);
        assertThat(judged(130, 30, 150, 28).words())
                .isEqualTo("28 A and falling, under 45 A when it was first read at 130 s.");
    }

    @Test
    void switchedOnOnceMoreItBeginsAnew() {
        ChargeCurve again = judged(20, 120, 100, 60, 10, 40, 30, 35);
        assertThat(again.points()).containsExactly(new Point(10, 40), new Point(30, 35));
        assertThat(again.verdict()).isEqualTo(Verdict.GOOD);
    }

    @Test
    void aBatteryThatFallsFastEnoughIsAlwaysGoodAndASlowOneNever() {
        SplittableRandom random = new SplittableRandom(3);
        int good = 0;
        int late = 0;
        for (int round = 0; round < 20_000; round++) {
            double first_A = random.nextDouble(46, 300);
            double time_s = random.nextDouble(10, 200);
            double truth_s = time_s * Math.log(first_A / 45);
            List<Point> points = new ArrayList<>();
            double at_s = 0;
            Verdict verdict = Verdict.AGAIN;
            while (verdict == Verdict.AGAIN) {
                points.add(new Point(at_s, first_A * Math.exp(-at_s / time_s)));
                ChargeCurve curve = ChargeCurve.of(TWIN, points);
                verdict = curve.verdict();
                if (curve.expected_s() != null) {
                    assertThat(curve.expected_s()).isCloseTo(truth_s, within(1e-6 * truth_s + 1e-6));
                }
                at_s += 5;
            }
            // Every five seconds: the straight line is late by less than that.
            if (truth_s < 85) {
                assertThat(verdict).as("under at %s s", truth_s).isEqualTo(Verdict.GOOD);
            } else if (truth_s > 90) {
                assertThat(verdict).as("under at %s s", truth_s).isEqualTo(Verdict.LATE);
            }
            good += verdict == Verdict.GOOD ? 1 : 0;
            late += verdict == Verdict.LATE ? 1 : 0;
        }
        assertThat(good).isGreaterThan(3_000);
        assertThat(late).isGreaterThan(3_000);
    }

    @Test
    void aRuleThatCannotBeIsRefused() {
        assertThatThrownBy(() -> new ChargeRule("cycled", 0, Duration.ofSeconds(90), "x"))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ChargeRule("cycled", 45, Duration.ZERO, "x"))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aBatteryThatIsOffOrGivesInsteadOfTakingProvesNothing() {
        for (double current_A : new double[] {0, -12, -13, Double.NaN}) {
            assertThat(ChargeWatch.keeps(TWIN, List.of(), new ChargeCurve.Point(5, current_A)))
                    .isFalse();
            assertThat(ChargeWatch.keeps(
                            TWIN, List.of(new ChargeCurve.Point(1, 60)), new ChargeCurve.Point(30, current_A)))
                    .isFalse();
        }
        assertThat(ChargeWatch.keeps(TWIN, List.of(), new ChargeCurve.Point(5, 58)))
                .isTrue();
    }
}
