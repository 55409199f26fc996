package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.BeforeStart;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Surroundings;

/** What is expected of a start by the last ten holds on days that none of them had. */
class ExpectedTodayTest {
    private static final int LASTS_s = 140;
    private static final int SEED_OF_TODAY = 99;
    private static final double NANOS_PER_s = 1e9;
    /** What lies outside of the last ten by less is no difference that anybody is told. */
    private static final double WORTH_SAYING_C = 15;

    private static final double WORTH_SAYING_s = 3;
    private static final List<Surroundings> DAYS = List.of(
            new Surroundings(-18, 0, 0),
            new Surroundings(36, 600, 0),
            new Surroundings(15, 4800, 0),
            new Surroundings(10, 100, 18));

    static List<StartProfile> types() {
        return StartProfiles.TYPES.stream().map(StartProfiles::of).toList();
    }

    /** A start, as it is remembered; its supply is what was shown before the starter. */
    private static BeforeStart.Past start(StartProfile profile, Surroundings day, int seed) {
        StartMonitor monitor = new StartMonitor(profile, day.elevation_ft());
        List<Sample> samples = SimulatedStart.of(profile).in(day).seed(seed).samples(LASTS_s);
        samples.forEach(monitor::accept);
        AttemptReport report = monitor.attempts().getFirst();
        AttemptReport.Remembered figures = report.figures();
        return new BeforeStart.Past(
                day.oat_c(),
                day.elevation_ft(),
                Stream.of(samples.getFirst().of(profile.supplyParameter()))
                        .filter(value -> !Double.isNaN(value))
                        .findFirst()
                        .orElse(null),
                figures.dip_v(),
                figures.resistance_mohm(),
                Objects.requireNonNull(figures.timeToLightOff()).toNanos() / NANOS_PER_s,
                Objects.requireNonNull(report.peak()).value_c(),
                Objects.requireNonNull(figures.timeToIdle()).toNanos() / NANOS_PER_s,
                day.tailWind_kt());
    }

    private static BeforeStart.Expected expected(
            StartProfile profile, Surroundings day, BeforeStart.Past got, List<BeforeStart.Past> ten) {
        return BeforeStart.expected(
                profile,
                new BeforeStart.Today(day.oat_c(), day.elevation_ft(), got.supply(), 180, day.tailWind_kt(), 0, false),
                ten);
    }

    private static List<BeforeStart.Past> ten(StartProfile profile) {
        return IntStream.range(0, 10)
                .mapToObj(i -> start(profile, new Surroundings(-6 + 2.5 * i, 100, i % 3 * 4), i + 1))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("types")
    void theExpectedPeakAndTimesAreTodays(StartProfile profile) {
        List<BeforeStart.Past> ten = ten(profile);
        for (Surroundings day : DAYS) {
            BeforeStart.Past got = start(profile, day, SEED_OF_TODAY);
            BeforeStart.Expected expected = expected(profile, day, got, ten);
            within(profile, day, expected.peak_c(), got.peak_c(), WORTH_SAYING_C);
            within(profile, day, expected.timeToIdle_s(), got.timeToIdle_s(), WORTH_SAYING_s);
            within(profile, day, expected.timeToLight_s(), got.timeToLight_s(), 0.4);
            assertThat(spread(expected.peak_c()))
                    .as("of the ten, once they are in one air")
                    .isLessThan(spread(ten, BeforeStart.Past::peak_c) / 2);
        }
    }

    @ParameterizedTest
    @MethodSource("types")
    void onTheGroundOfAnotherDayATimeIsNearerThanWhatItWasThen(StartProfile profile) {
        List<BeforeStart.Past> ten = ten(profile);
        double untouched_s = 0;
        double brought_s = 0;
        double median_s = median(ten);
        for (Surroundings day : DAYS) {
            BeforeStart.Past got = start(profile, day, SEED_OF_TODAY);
            double took_s = Objects.requireNonNull(got.timeToIdle_s());
            BeforeStart.Range range =
                    Objects.requireNonNull(expected(profile, day, got, ten).timeToIdle_s());
            untouched_s += Math.abs(took_s - median_s);
            brought_s += Math.abs(took_s - range.median());
        }
        assertThat(brought_s)
                .as("%s: %.1f s off over the days, %.1f s untouched", profile.typeId(), brought_s, untouched_s)
                .isLessThan(0.6 * untouched_s);
    }

    private static double median(List<BeforeStart.Past> ten) {
        double[] sorted = ten.stream()
                .mapToDouble(past -> Objects.requireNonNull(past.timeToIdle_s()))
                .sorted()
                .toArray();
        return (sorted[4] + sorted[5]) / 2;
    }

    private static void within(
            StartProfile profile, Surroundings day, BeforeStart.Range expected, Double got, double worthSaying) {
        assertThat(expected.outside(got))
                .as("%s on %s: %.1f against %s", profile.typeId(), day, got, expected)
                .isLessThan(worthSaying);
    }

    private static double spread(BeforeStart.Range range) {
        return range.highest() - range.lowest();
    }

    private static double spread(List<BeforeStart.Past> ten, Function<BeforeStart.Past, Double> number) {
        double[] sorted = ten.stream()
                .map(number)
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
        return sorted[sorted.length - 1] - sorted[0];
    }
}
