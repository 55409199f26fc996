package org.skelda.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The sliding slope is the plain least-squares slope of what the window holds, whatever came before. */
class SlopeWindowTest {
    private static final long LENGTH_us = 2_000_000;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void isTheSlopeOfTheReadingsInTheWindow(long seed) {
        Random lot = new Random(seed);
        SlopeWindow window = new SlopeWindow(LENGTH_us, 0);
        List<double[]> all = new ArrayList<>();
        long at = 0;
        for (int i = 0; i < 3000; i++) {
            at += lot.nextInt(50) == 0 ? 6_000_000 : 20_000 + lot.nextInt(400_000);
            double value = 60 * lot.nextDouble();
            window.read(at, value);
            all.add(new double[] {at, value});
            long now = at;
            List<double[]> held = all.stream()
                    .filter(reading -> reading[0] >= now - LENGTH_us)
                    .toList();
            assertThat(window.count()).isEqualTo(held.size());
            if (held.size() < 3) {
                assertThat(window.perSecond()).isNaN();
            } else {
                assertThat(window.perSecond()).isCloseTo(plain(held), within(1e-6));
            }
        }
    }

    private static double plain(List<double[]> readings) {
        double t = readings.stream()
                .mapToDouble(reading -> reading[0] / 1e6)
                .average()
                .orElseThrow();
        double v =
                readings.stream().mapToDouble(reading -> reading[1]).average().orElseThrow();
        double tv = readings.stream()
                .mapToDouble(reading -> (reading[0] / 1e6 - t) * (reading[1] - v))
                .sum();
        return tv
                / readings.stream()
                        .mapToDouble(reading -> Math.pow(reading[0] / 1e6 - t, 2))
                        .sum();
    }

    @Test
    void aHoleLongerThanTheWindowDoesNotStayInIt() {
        SlopeWindow window = new SlopeWindow(LENGTH_us, 0);
        for (long second : new long[] {0, 1, 10, 11, 12}) {
            window.read(second * 1_000_000, 3 * second);
        }
        assertThat(window.perSecond()).isCloseTo(3, within(1e-9));
    }
}
