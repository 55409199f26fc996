package org.skelda.core.beside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.SimpleStart;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.start.TestProfiles;

/** Starts on one time axis: what is read between two readings, the band of several, and what lies apart. */
class BesideTest {
    private static final long STARTED_us = 7_000_000_000L;
    private static final List<Parameter> DRAWN =
            List.of(Parameter.SPOOL, Parameter.TEMPERATURE, Parameter.FLOW, Parameter.OIL, Parameter.DUCT);

    private static Sample reading(long at_us, double temperature_c) {
        double none = Double.NaN;
        return new Sample(
                at_us, none, none, temperature_c, none, none, none, none, none, Switch.ON, Switch.ON, Switch.UNTOLD);
    }

    private static Course level(double temperature_c, int seconds) {
        return Course.of(
                STARTED_us,
                LongStream.rangeClosed(-2, seconds)
                        .mapToObj(second -> reading(STARTED_us + second * 1_000_000, temperature_c))
                        .toList());
    }

    private static List<Sample> byLot(StartProfile profile, long seed) {
        return SimpleStart.byLot(profile, seed).samples();
    }

    private static AttemptReport judged(StartProfile profile, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        samples.forEach(monitor::accept);
        return monitor.attempts().getLast();
    }

    private static Course course(StartProfile profile, List<Sample> samples) {
        return Course.of(judged(profile, samples).startedAt_us(), samples);
    }

    @Test
    void betweenTwoReadingsItIsAStraightLineAndAcrossAGapNothing() {
        Course course = Course.of(
                STARTED_us,
                List.of(
                        reading(STARTED_us, 100),
                        reading(STARTED_us + 1_000_000, 200),
                        reading(STARTED_us + 1_500_000, Double.NaN),
                        reading(STARTED_us + 2_500_000, 350),
                        reading(STARTED_us + 4_100_000, 400)));
        assertThat(course.at(Parameter.TEMPERATURE, 250_000)).isCloseTo(125, within(1e-9));
        assertThat(course.at(Parameter.TEMPERATURE, 1_750_000))
                .as("an empty cell is no gap, but a second and a half is the longest")
                .isCloseTo(275, within(1e-9));
        assertThat(course.at(Parameter.TEMPERATURE, 3_000_000)).isNaN();
        assertThat(course.at(Parameter.TEMPERATURE, -1)).isNaN();
        assertThat(course.at(Parameter.TEMPERATURE, 4_100_001)).isNaN();
        assertThat(course.at(Parameter.OIL, 250_000)).isNaN();
    }

    @Test
    void everyStartLiesInTheBandThatItIsOneOf() {
        for (StartProfile profile : TestProfiles.all()) {
            List<Course> ten = IntStream.range(0, 10)
                    .mapToObj(i -> course(profile, byLot(profile, i)))
                    .toList();
            Band band = Band.of(ten, DRAWN);
            assertThat(band.starts()).isEqualTo(10);
            assertThat(band.spreads()).isNotEmpty();
            for (Course one : ten) {
                assertThat(Apart.from(band, one)).isEmpty();
            }
            for (Band.Spread spread : band.spreads()) {
                for (int i = 0; i < spread.median().size(); i++) {
                    if (spread.median().get(i) != null) {
                        assertThat(spread.median().get(i))
                                .isBetween(
                                        spread.lowest().get(i), spread.highest().get(i));
                    }
                }
            }
        }
    }

    @Test
    void theBandDoesNotDependOnTheOrderOfItsStarts() {
        StartProfile profile = TestProfiles.byHand();
        List<Course> ten = new ArrayList<>(IntStream.range(0, 10)
                .mapToObj(i -> course(profile, byLot(profile, i)))
                .toList());
        Band band = Band.of(ten, DRAWN);
        Collections.shuffle(ten, new Random(3));
        assertThat(Band.of(ten, DRAWN)).isEqualTo(band);
    }

    @Test
    void nothingIsToldByLessThanThreeAndByLessThanHalf() {
        assertThat(Band.of(List.of(level(1, 9), level(2, 9)), DRAWN).spreads()).isEmpty();
        assertThat(Band.of(List.of(), DRAWN).spreads()).isEmpty();
        List<Course> eight = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            eight.add(level(i, i < 4 ? 20 : 10));
        }
        Band.Spread spread = Band.of(eight, DRAWN).spreads().getFirst();
        int tenSeconds = 12 * 4;
        assertThat(spread.highest().get(tenSeconds)).isEqualTo(7);
        assertThat(spread.highest().get(tenSeconds + 4))
                .as("four of the eight go on")
                .isEqualTo(3);
        eight.removeFirst();
        assertThat(Band.of(eight, DRAWN).spreads().getFirst().highest().get(tenSeconds + 4))
                .as("three of seven are less than half")
                .isNull();
    }

    @Test
    void whatLiesOutsideIsToldWithItsWidestAndItsTime() {
        Band band = Band.of(List.of(level(500, 20), level(510, 20), level(520, 20)), DRAWN);
        Course hotter = Course.of(
                STARTED_us,
                LongStream.rangeClosed(0, 200)
                        .mapToObj(tenth ->
                                reading(STARTED_us + tenth * 100_000, tenth < 100 ? 515 : tenth < 150 ? 533 : 495))
                        .toList());
        assertThat(Apart.from(band, hotter)).singleElement().satisfies(apart -> {
            assertThat(apart.by()).isCloseTo(13, within(1e-9));
            assertThat(apart.at()).isBetween(Duration.ofSeconds(10), Duration.ofSeconds(15));
            assertThat(apart.apart().toMillis()).isBetween(9_500L, 10_500L);
        });
    }

    @Test
    void oneFromTheOtherIsTheOtherFromTheOneTurnedRound() {
        for (StartProfile profile : TestProfiles.all()) {
            for (int seed = 0; seed < 20; seed++) {
                Course one = course(profile, byLot(profile, seed));
                Course other = course(profile, byLot(profile, seed + 100));
                List<Apart> there = Apart.between(one, other, DRAWN);
                List<Apart> back = Apart.between(other, one, DRAWN);
                assertThat(there).hasSameSizeAs(back).isNotEmpty();
                for (int i = 0; i < there.size(); i++) {
                    assertThat(there.get(i).by()).isEqualTo(-back.get(i).by());
                    assertThat(there.get(i).at()).isEqualTo(back.get(i).at());
                }
            }
        }
    }

    @Test
    void whenAStartWasDoesNotMatterOnlyHowLongAfterItsStarter() {
        StartProfile profile = TestProfiles.byComputer();
        List<Sample> today = byLot(profile, 5);
        List<Sample> tomorrow = today.stream()
                .map(sample -> sample.at(sample.at_us() + 86_400_000_000L))
                .toList();
        assertThat(Apart.between(course(profile, today), course(profile, tomorrow), DRAWN))
                .isNotEmpty()
                .allSatisfy(apart -> assertThat(apart.by()).isZero());
        assertThat(Differences.between(judged(profile, today), judged(profile, tomorrow)))
                .isNotEmpty()
                .allSatisfy(row -> assertThat(row.by()).isEqualTo(0.0));
    }

    @Test
    void theFiguresOfTwoStartsStandBesideEachOther() {
        StartProfile profile = TestProfiles.byHand();
        AttemptReport one = judged(profile, byLot(profile, 1));
        AttemptReport neverLit = judged(
                profile,
                SimpleStart.of(profile)
                        .with(Parameter.TEMPERATURE, (t, good) -> 15)
                        .samples());
        List<Differences.Difference> rows = Differences.between(one, neverLit);
        assertThat(rows)
                .filteredOn(row -> row.what().equals("peak"))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.by()).isCloseTo(row.one() - row.other(), within(1e-9));
                    assertThat(row.by()).isPositive();
                });
        assertThat(rows)
                .filteredOn(row -> row.what().equals("fuel to light-off"))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.one()).isPositive();
                    assertThat(row.other()).isNull();
                    assertThat(row.by()).isNull();
                });
        assertThat(rows).as("neither has one").noneMatch(row -> row.what().equals("dip"));
    }

    @Test
    void aFigureIsOutsideOnlyBeyondTheLowestAndTheHighestOfTheOthers() {
        StartProfile profile = TestProfiles.onCurrent();
        List<AttemptReport> ten = IntStream.range(0, 10)
                .mapToObj(i -> judged(profile, byLot(profile, i)))
                .toList();
        for (AttemptReport one : ten) {
            assertThat(Differences.from(one, ten)).allSatisfy(row -> {
                assertThat(row.usual()).isNotNull();
                if (row.one() != null) {
                    assertThat(row.by()).isZero();
                }
            });
        }
        List<AttemptReport> others = ten.subList(1, 10);
        assertThat(Differences.from(ten.getFirst(), others)).anySatisfy(row -> {
            assertThat(row.usual().starts()).isEqualTo(9);
        });
        assertThat(Differences.from(ten.getFirst(), List.of())).allSatisfy(row -> {
            assertThat(row.usual()).isNull();
            assertThat(row.by()).isNull();
        });
    }
}
