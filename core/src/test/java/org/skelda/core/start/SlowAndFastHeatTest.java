package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/** What a curve through the last seconds tells too late: a slow climb with the starter's step ahead, and a leap. */
class SlowAndFastHeatTest {
    private static final double LIMIT_c = 735;
    private static final double NOISE_c = 2;

    /** When it first says so at three readings in a row, s; NaN for never. */
    private static double saidAt(
            DoubleUnaryOperator temperature, DoubleUnaryOperator toCutOut, double until_s, boolean leap, int seed) {
        Random lot = new Random(seed);
        CreepingHeat creeping = new CreepingHeat();
        LeapingHeat leaping = new LeapingHeat();
        int inARow = 0;
        for (int i = 0; i <= until_s * 10; i++) {
            double t = i / 10.0;
            double reading = temperature.applyAsDouble(t) + NOISE_c * lot.nextGaussian();
            long at_us = i * 100_000L;
            creeping.read(at_us, reading, toCutOut.applyAsDouble(t));
            leaping.read(at_us, reading);
            boolean says = leap ? leaping.passes(LIMIT_c) : creeping.passes(LIMIT_c);
            inARow = says ? inARow + 1 : 0;
            if (inARow == 3) {
                return t;
            }
        }
        return Double.NaN;
    }

    private static double climbs(double t) {
        return 565 + 9.3 * t;
    }

    @Test
    void aSlowClimbIsSaidAheadOfTheStepThatTheStarterLeaves() {
        // The starter goes out 13.5 s from here, at 690 degC; then the temperature steps by 45 in a second and a half.
        DoubleUnaryOperator steps = t -> t == 0 ? 45 : climbs(t) + 45 * Math.clamp((t - 13.5) / 1.5, 0, 1);
        DoubleUnaryOperator toCutOut = t -> t < 13.5 ? 12.8 - 0.95 * t : Double.NaN;
        for (int seed = 0; seed < 200; seed++) {
            double said = saidAt(steps, toCutOut, 20, false, seed);
            assertThat(said).as("crossed at 14.9 s").isBetween(9.0, 12.9);
        }
    }

    @Test
    void aStartThatIsFarFromItsLimitWhenTheStarterGoesOutIsLeftAlone() {
        DoubleUnaryOperator good =
                t -> t == 0 ? 45 : 470 + 8 * t + 20 * Math.clamp((t - 8) / 2, 0, 1) - Math.max(0, t - 11) * 9;
        DoubleUnaryOperator toCutOut = t -> t < 8 ? 9 - 1.1 * t : Double.NaN;
        for (int seed = 0; seed < 500; seed++) {
            assertThat(saidAt(good, toCutOut, 20, false, seed)).isNaN();
        }
    }

    @Test
    void aRiseThatFlattensIsNoClimb() {
        DoubleUnaryOperator flattens = t -> 700 - 400 * Math.exp(-t / 3);
        for (int seed = 0; seed < 500; seed++) {
            assertThat(saidAt(flattens, _ -> Double.NaN, 20, false, seed)).isNaN();
        }
    }

    @Test
    void aLeapIsSaidWithinAMomentAndAGoodRiseIsNot() {
        for (int seed = 0; seed < 500; seed++) {
            double said = saidAt(t -> 1100 - 1055 * Math.exp(-t / 2.4), _ -> Double.NaN, 3, true, seed);
            assertThat(said).as("crossed at 2.6 s").isLessThanOrEqualTo(0.6);
            assertThat(saidAt(t -> 700 - 655 * Math.exp(-t / 2.4), _ -> Double.NaN, 8, true, seed))
                    .isNaN();
        }
    }

    @Test
    void whatWasReadBeforeCountsNoMore() {
        CreepingHeat creeping = new CreepingHeat();
        for (int i = 0; i <= 170; i++) {
            creeping.read(i * 100_000L, climbs(i / 10.0), Double.NaN);
        }
        assertThat(creeping.passes(LIMIT_c)).isTrue();
        creeping.restart();
        assertThat(creeping.passes(LIMIT_c)).isFalse();
        creeping.read(17_100_000, climbs(17.1), Double.NaN);
        assertThat(creeping.passes(LIMIT_c)).isFalse();
    }
}
