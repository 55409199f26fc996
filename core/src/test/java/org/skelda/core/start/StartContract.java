package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of the judgement of a start for every type. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
public abstract class StartContract {
    private static final int SEEDS = Integer.getInteger("skelda.start.seeds", 60);

    /** The types to hold it to. */
    protected abstract List<StartProfile> profiles();

    record Seeded(StartProfile profile, long seed) {
        @Override
        public String toString() {
            return profile.typeId() + ", seed " + seed;
        }
    }

    List<Seeded> seeded() {
        return profiles().stream()
                .flatMap(profile -> IntStream.range(0, SEEDS).mapToObj(seed -> new Seeded(profile, seed)))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aGoodStartReachesEverythingInTimeAndDrawsNothing(StartProfile profile) {
        SimpleStart start = SimpleStart.of(profile);
        AttemptReport report = start.judged();
        assertThat(report.findings()).isEmpty();
        assertThat(report.outcome().code()).isEqualTo("NORMAL");
        assertThat(report.ended()).isTrue();
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        assertThat(report.reached(Milestone.VALVE_OPEN).isPresent()).isEqualTo(air);
        near(report, Milestone.FUEL_ON, start.fuelAt(), 0.11);
        near(report, Milestone.LIGHT_OFF, start.lightAt(), 0.35);
        near(report, Milestone.STARTER_OUT, start.cutOutAt(), 0.11);
        near(report, Milestone.IDLE, start.idleAt() + 2.5, 2.6);
        assertThat(report.figures().dip_v() != null).isEqualTo(!air);
        assertThat(report.margins())
                .isNotEmpty()
                .allSatisfy(
                        margin -> assertThat(margin.margin()).as(margin.what()).isPositive());
    }

    private static void near(AttemptReport report, Milestone milestone, double at, double within) {
        assertThat(report.reached(milestone)).as(milestone.words()).isPresent();
        assertThat(report.milestones().get(milestone).toNanos() / 1e9)
                .as(milestone.words())
                .isCloseTo(at, within(within));
    }

    @TestFactory
    Stream<DynamicTest> everyFindingIsReachableAndToldAtItsMoment() {
        return profiles().stream()
                .flatMap(profile -> Stream.of(FindingId.values())
                        .filter(id -> BadStarts.canHave(profile, id))
                        .map(id -> DynamicTest.dynamicTest(profile.typeId() + " " + id, () -> isFound(profile, id))));
    }

    private static void isFound(StartProfile profile, FindingId id) {
        BadStarts.Bad bad = BadStarts.all().get(id).apply(profile);
        AttemptReport report = bad.start().watched().attempts().get(bad.attempt());
        List<Finding> found = report.findings().stream()
                .filter(finding -> finding.id() == id)
                .filter(finding -> finding.action().cuts() || !bad.action().cuts())
                .toList();
        assertThat(found).as("%s among %s", id, report.findings()).hasSize(1);
        assertThat(found.getFirst().action()).isEqualTo(bad.action());
        double at = found.getFirst().at().toNanos() / 1e9;
        if (id == FindingId.HOT_PREDICTED) {
            assertThat(bad.at() - at).as("warning before the limit").isBetween(2.0, 5.0);
            assertThat(report.outcome().code()).isEqualTo("HOT_START");
        } else {
            assertThat(at).isCloseTo(bad.at(), within(Double.isNaN(bad.within()) ? 0.05 : bad.within()));
        }
        assertThat(found.getFirst().reason()).endsWith(".");
    }

    /** A start with something wrong by lot, cells and rows missing, at any rate. */
    private static List<Sample> wild(Seeded seeded) {
        Random lot = new Random(seeded.seed());
        StartProfile profile = seeded.profile();
        List<FindingId> possible = Stream.of(FindingId.values())
                .filter(id -> BadStarts.canHave(profile, id))
                .toList();
        SimpleStart start = lot.nextBoolean()
                ? BadStarts.all()
                        .get(possible.get(lot.nextInt(possible.size())))
                        .apply(profile)
                        .start()
                : SimpleStart.byLot(profile, seeded.seed());
        double hole = lot.nextDouble() * 60;
        double length = lot.nextDouble() * 5;
        double[] rates = {1, 2, 4, 5, 10, 25, 50};
        start.noise(lot.nextDouble() * 3, seeded.seed()).hz(rates[lot.nextInt(rates.length)]);
        if (lot.nextBoolean()) {
            start.losing(t -> t > hole && t < hole + length);
        }
        double cut = lot.nextDouble() * 80;
        if (lot.nextInt(3) == 0) {
            start.starter(t -> t >= 0 && t < cut);
        }
        return start.samples().stream()
                .map(sample -> lot.nextInt(12) == 0 ? thinned(sample, lot) : sample)
                .toList();
    }

    private static Sample thinned(Sample s, Random lot) {
        double lost = Double.NaN;
        return new Sample(
                s.at_us(),
                lot.nextBoolean() ? s.spool_pct() : lost,
                lot.nextBoolean() ? s.fan() : lost,
                lot.nextBoolean() ? s.temperature_c() : lost,
                s.flow_kgph(),
                lot.nextBoolean() ? s.oil_kpa() : lost,
                s.duct_kpa(),
                s.bus_v(),
                s.bus_a(),
                s.starter(),
                s.fuel(),
                lot.nextBoolean() ? s.ignition() : Switch.UNTOLD);
    }

    private static List<AttemptReport> judged(StartProfile profile, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        samples.forEach(monitor::accept);
        return monitor.attempts();
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void extraTicksChangeNothing(Seeded seeded) {
        List<Sample> samples = wild(seeded);
        Random lot = new Random(seeded.seed() + 1);
        StartMonitor live = new StartMonitor(seeded.profile(), 0);
        for (Sample sample : samples) {
            long at = sample.at_us() - 1 - lot.nextInt(3_000_000);
            for (int tick = lot.nextInt(6); tick > 0; tick--) {
                at = Math.min(sample.at_us(), at + lot.nextInt(900_000));
                live.advanceTo(at);
                Advised.of("Engine 1", live);
                live.attempts();
            }
            live.accept(sample);
        }
        assertThat(live.attempts()).isEqualTo(judged(seeded.profile(), samples));
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void shiftingAllTimesShiftsNothingButTimes(Seeded seeded) {
        List<Sample> samples = wild(seeded);
        long shift = 1 + new Random(seeded.seed()).nextLong(4_000_000_000_000L);
        List<AttemptReport> shifted = judged(
                seeded.profile(),
                samples.stream()
                        .map(sample -> sample.at(sample.at_us() + shift))
                        .toList());
        List<AttemptReport> expected = judged(seeded.profile(), samples).stream()
                .map(report -> new AttemptReport(
                        report.startedAt_us() + shift,
                        report.lasted(),
                        report.ended(),
                        report.outcome(),
                        report.milestones(),
                        report.findings(),
                        report.exceedances(),
                        report.gaps(),
                        report.peak(),
                        report.figures(),
                        report.margins(),
                        report.spoolAt_pct()))
                .toList();
        assertThat(shifted).isEqualTo(expected);
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void noFindingComesFromMissingData(Seeded seeded) {
        Random lot = new Random(seeded.seed());
        double hole = lot.nextDouble() * 70;
        double length = lot.nextDouble() * 8;
        Parameter parameter = Parameter.values()[lot.nextInt(Parameter.values().length)];
        SimpleStart start = SimpleStart.of(seeded.profile()).hz(lot.nextBoolean() ? 10 : 4);
        if (lot.nextBoolean()) {
            start.losing(t -> t > hole && t < hole + length);
        } else {
            start.with(parameter, (t, good) -> t > hole && t < hole + length ? Double.NaN : good);
        }
        // A reading that is held may itself be beyond a limit; a good start has none.
        AttemptReport report = start.judged();
        assertThat(report.findings())
                .as("hole of %.1f s at %.1f s", length, hole)
                .isEmpty();
        assertThat(report.outcome().code()).isIn("NORMAL", "UNKNOWN", "INCOMPLETE");
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void noiseBringsNoFindingThatCuts(Seeded seeded) {
        for (int i = 0; i < 5; i++) {
            AttemptReport report =
                    SimpleStart.byLot(seeded.profile(), seeded.seed() * 5 + i).judged();
            assertThat(report.findings())
                    .as("start %d", seeded.seed() * 5 + i)
                    .noneMatch(finding -> finding.action().cuts());
        }
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void thereIsNoVerdictButBlindWhileSightIsLost(Seeded seeded) {
        Random lot = new Random(seeded.seed());
        SimpleStart start = SimpleStart.of(seeded.profile());
        double hole = 1 + lot.nextDouble() * (start.idleAt() - 6);
        Parameter lost = lot.nextBoolean() ? Parameter.SPOOL : Parameter.TEMPERATURE;
        start.with(lost, (t, good) -> t > hole ? Double.NaN : good);
        StartMonitor monitor = new StartMonitor(seeded.profile(), 0);
        for (Sample sample : start.samples()) {
            monitor.accept(sample);
            double t = sample.at_us() / 1e6 - SimpleStart.LEAD_IN_s;
            if (t > hole + 3.01 && !monitor.running().orElseThrow().ended()) {
                assertThat(Advised.of("Engine 1", monitor).verdict().call())
                        .as("at %.1f s", t)
                        .isEqualTo(Verdict.Call.BLIND);
                assertThat(Advised.of("Engine 1", monitor).verdict().sentence())
                        .isEqualTo("Engine 1: no data. Use the aircraft's gauges. If you cannot see the temperature "
                                + "either: fuel OFF.");
            }
        }
        assertThat(monitor.attempts().getFirst().outcome().code()).isEqualTo("UNKNOWN");
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void noLimitOfTheSignalIsMissed(Seeded seeded) {
        Random lot = new Random(seeded.seed());
        double lowest = seeded.profile().temperatureLimits().getFirst().value();
        double hz = new double[] {1, 2, 3, 7, 10, 20, 50}[lot.nextInt(7)];
        SimpleStart start = SimpleStart.of(seeded.profile()).hz(hz);
        double light = start.lightAt();
        List<double[]> corners = new ArrayList<>();
        for (double t = light; t < start.idleAt() + 20; t += 0.5 + 6 * lot.nextDouble()) {
            corners.add(new double[] {Math.round(t * hz) / hz, lowest - 120 + lot.nextDouble() * 400});
        }
        start.with(Parameter.TEMPERATURE, (t, good) -> t < light ? good : Broken.at(corners, t));
        List<Sample> samples = start.samples();
        AttemptReport report = start.judged();
        double ends = report.lasted().toNanos() / 1e9;
        seeded.profile().temperatureLimits().forEach(limit -> {
            Broken oracle = Broken.of(samples, limit, ends);
            boolean told = report.exceedances().stream()
                    .anyMatch(exceedance -> exceedance.limit().equals(limit));
            if (Math.abs(oracle.longest() - limit.allowed().toMillis() / 1000.0) > 0.01) {
                assertThat(told)
                        .as("%s, longest above %.3f s at %.0f Hz", limit, oracle.longest(), hz)
                        .isEqualTo(oracle.longest() > limit.allowed().toMillis() / 1000.0);
            }
            report.exceedances().stream()
                    .filter(exceedance -> exceedance.limit().equals(limit))
                    .forEach(exceedance -> assertThat(exceedance.dwell())
                            .isCloseTo(Duration.ofNanos(Math.round(oracle.longest() * 1e9)), Duration.ofMillis(4)));
        });
    }
}
