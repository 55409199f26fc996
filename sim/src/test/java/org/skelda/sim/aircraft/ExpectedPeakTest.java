package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.BeforeStart;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Surroundings;

/** What is expected of a start by the last ten holds on days that none of them had. */
class ExpectedPeakTest {
    private static final int LASTS_s = 140;
    private static final int SEED_OF_TODAY = 99;
    /** What lies outside of the last ten by less is no difference that anybody is told. */
    private static final double WORTH_SAYING_C = 15;

    static List<StartProfile> types() {
        return StartProfiles.TYPES.stream().map(StartProfiles::of).toList();
    }

    private static double peak(StartProfile profile, Surroundings day, int seed) {
        StartMonitor monitor = new StartMonitor(profile, day.elevation_ft());
        SimulatedStart.of(profile).in(day).seed(seed).samples(LASTS_s).forEach(monitor::accept);
        return Objects.requireNonNull(monitor.attempts().getFirst().peak()).value_c();
    }

    private static BeforeStart.Past past(StartProfile profile, double oat_c, double elevation_ft, int seed) {
        double peak_c = peak(profile, new Surroundings(oat_c, elevation_ft, 0), seed);
        return new BeforeStart.Past(oat_c, elevation_ft, null, null, null, null, peak_c, null, null);
    }

    @ParameterizedTest
    @MethodSource("types")
    void theExpectedPeakIsTodays(StartProfile profile) {
        List<BeforeStart.Past> ten = IntStream.range(0, 10)
                .mapToObj(i -> past(profile, -6 + 2.5 * i, 100, i + 1))
                .toList();
        for (Surroundings day : new Surroundings[] {
            new Surroundings(-25, 0, 0), new Surroundings(36, 600, 0), new Surroundings(15, 4800, 0)
        }) {
            BeforeStart.Range expected = Objects.requireNonNull(BeforeStart.expected(
                            profile,
                            new BeforeStart.Today(day.oat_c(), day.elevation_ft(), null, 180, 0, 0, false),
                            ten)
                    .peak_c());
            double got = peak(profile, day, SEED_OF_TODAY);
            assertThat(expected.outside(got))
                    .as("%s on %s: %.0f against %s", profile.typeId(), day, got, expected)
                    .isLessThan(WORTH_SAYING_C);
            double spread = expected.highest() - expected.lowest();
            double before = spread(ten);
            assertThat(spread).as("of the ten, once they are in one air").isLessThan(before / 2);
        }
    }

    private static double spread(List<BeforeStart.Past> ten) {
        double[] peaks = ten.stream()
                .mapToDouble(past -> Objects.requireNonNull(past.peak_c()))
                .sorted()
                .toArray();
        return peaks[peaks.length - 1] - peaks[0];
    }
}
