package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Controls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;
import org.skelda.sim.start.SimulatedEngine;

/** The simulated aircraft starts as its type should, goes wrong as it is told, and leans the way physics does. */
class SimulatedStartTest {
    private static final double LASTS_s = 130;
    private static final StartProfile JET = StartProfiles.of("HAVERN-2M");
    private static final StartProfile TURBOPROP = StartProfiles.of("LOMVI-T1");

    private static AttemptReport judged(SimulatedStart start) {
        StartMonitor monitor =
                new StartMonitor(start.profile(), start.surroundings().elevation_ft());
        start.samples(LASTS_s).forEach(monitor::accept);
        return monitor.attempts().getFirst();
    }

    @ParameterizedTest
    @ValueSource(strings = {"HAVERN-2M", "HAVERN-4", "LOMVI-T1", "LOMVI-T2"})
    void aGoodStartInAnyWeatherDrawsNoFindingThatCuts(String type) {
        Random lot = new Random(11);
        StartProfile profile = StartProfiles.of(type);
        for (int i = 0; i < 40; i++) {
            Surroundings day =
                    new Surroundings(-25 + 63 * lot.nextDouble(), 4900 * lot.nextDouble(), 10 * lot.nextDouble());
            AttemptReport report = judged(SimulatedStart.of(profile).in(day).seed(i));
            assertThat(report.findings())
                    .as("%s, %s", type, day)
                    .noneMatch(finding -> finding.action().cuts());
            assertThat(report.outcome().code()).as("%s, %s", type, day).isEqualTo("NORMAL");
        }
    }

    static Stream<Arguments> failures() {
        Map<Failure, FindingId> drawn = new EnumMap<>(Map.of(
                Failure.NO_LIGHT_OFF,
                FindingId.NO_LIGHT_OFF,
                Failure.HOT,
                FindingId.HOT_START,
                Failure.RICH_CONTROL,
                FindingId.FLOW_HIGH,
                Failure.HUNG,
                FindingId.HUNG_START,
                Failure.FAN_SEIZED,
                FindingId.NO_FAN_ROTATION,
                Failure.NO_OIL_PRESSURE,
                FindingId.NO_OIL_PRESSURE,
                Failure.STARTER_STUCK,
                FindingId.STARTER_OVERRUN,
                Failure.LEVER_INEFFECTIVE,
                FindingId.CUT_NOT_EFFECTIVE,
                Failure.INTERNAL_FIRE,
                FindingId.INTERNAL_FIRE));
        return Stream.of(JET, TURBOPROP).flatMap(profile -> {
            Map<Failure, FindingId> own = new EnumMap<>(drawn);
            own.put(profile == JET ? Failure.WEAK_AIR : Failure.WEAK_BATTERY, FindingId.LOW_SUPPLY);
            return own.entrySet().stream()
                    .map(entry -> Arguments.of(profile.typeId(), entry.getKey(), entry.getValue()));
        });
    }

    @ParameterizedTest(name = "{0}, {1}")
    @MethodSource("failures")
    void aFailureDrawsItsFinding(String type, Failure failure, FindingId expected) {
        SimulatedStart start = SimulatedStart.of(StartProfiles.of(type)).with(failure);
        boolean needsACut = failure == Failure.LEVER_INEFFECTIVE || failure == Failure.INTERNAL_FIRE;
        assertThat(judged(needsACut ? start.cutAfterLight(6) : start).findings())
                .extracting(Finding::id)
                .contains(expected);
    }

    @Test
    void tooHotIsForecastAhead() {
        for (StartProfile profile : List.of(JET, TURBOPROP)) {
            AttemptReport report = judged(SimulatedStart.of(profile).with(Failure.HOT));
            Map<FindingId, Double> at = new EnumMap<>(FindingId.class);
            report.findings()
                    .forEach(finding -> at.put(finding.id(), finding.at().toNanos() / 1e9));
            assertThat(at.get(FindingId.HOT_START) - at.get(FindingId.HOT_PREDICTED))
                    .as(profile.name())
                    .isGreaterThan(1.5);
        }
    }

    @Test
    void aLostFeedLeavesTheOutcomeOpenAndAFrozenSensorSaysTheSame() {
        List<Sample> lost = SimulatedStart.of(JET).with(Failure.FEED_LOST).samples(LASTS_s);
        assertThat(lost.getLast().at_us()).isLessThan(30_000_000);
        List<AttemptReport.DataGap> gaps =
                judged(SimulatedStart.of(JET).with(Failure.FEED_INTERRUPTED)).gaps();
        assertThat(gaps)
                .isNotEmpty()
                .allSatisfy(
                        gap -> assertThat(gap.to().minus(gap.from()).toMillis()).isBetween(11_800L, 12_300L));
        List<Sample> frozen = SimulatedStart.of(JET).with(Failure.SENSOR_FROZEN).samples(60);
        assertThat(frozen.subList(frozen.size() - 200, frozen.size()))
                .allMatch(sample -> sample.temperature_c() == frozen.getLast().temperature_c());
    }

    @Test
    void theSameSeedGivesTheSameReadingsAndTakingThemChangesNothing() {
        SimulatedStart start = SimulatedStart.of(JET).seed(5);
        assertThat(start.samples(60)).isEqualTo(start.samples(60));
        assertThat(start.seed(6).samples(60)).isNotEqualTo(start.samples(60));
        SimulatedEngine watched = new SimulatedEngine(TURBOPROP, Surroundings.standard(), Set.of(), 1);
        SimulatedEngine unwatched = new SimulatedEngine(TURBOPROP, Surroundings.standard(), Set.of(), 1);
        Controls on = Controls.ready().withStarter(true).withIgnition(true);
        for (int i = 0; i < 2000; i++) {
            Controls now = on.withFuel(i > 700);
            watched.step(now);
            watched.sample();
            unwatched.step(now);
        }
        assertThat(watched.spool_pct()).isEqualTo(unwatched.spool_pct());
        assertThat(watched.temperature_c()).isEqualTo(unwatched.temperature_c());
    }

    @Test
    void theSecondMeansStopsFuelThatTheLeverDoesNot() {
        SimulatedEngine engine =
                new SimulatedEngine(JET, Surroundings.standard(), Set.of(Failure.LEVER_INEFFECTIVE), 1);
        Controls on = Controls.ready().withStarter(true).withIgnition(true);
        run(engine, on, 800);
        run(engine, on.withFuel(true), 400);
        run(engine, on.withFuel(false), 300);
        assertThat(engine.isLit()).as("lever off, and still burning").isTrue();
        run(engine, on.withFuel(false).withSecondMeans(), 300);
        assertThat(engine.isLit()).isFalse();
        assertThat(engine.sample().orElseThrow().flow_kgph()).isLessThan(8);
    }

    @Test
    void residualHeatIsCooledByTurning() {
        SimulatedEngine still = new SimulatedEngine(JET, Surroundings.standard(), Set.of(), 1).heatedTo(300);
        SimulatedEngine turned = new SimulatedEngine(JET, Surroundings.standard(), Set.of(), 1).heatedTo(300);
        run(still, Controls.ready(), 2000);
        run(turned, Controls.ready().withStarter(true), 2000);
        assertThat(turned.temperature_c())
                .isLessThan(still.temperature_c())
                .isLessThan(JET.fuel().hottestBefore_c());
    }

    /**
     * What the metal gives off while a hot engine runs down must not read as a fire inside it: that begins at 250 degC.
     */
    @Test
    void heatThatShowsAgainIsNoFire() {
        SimulatedEngine engine = new SimulatedEngine(JET, Surroundings.standard(), Set.of(Failure.HOT), 1);
        Controls on = Controls.ready().withStarter(true).withIgnition(true);
        run(engine, on, 900);
        run(engine, on.withFuel(true), 330);
        assertThat(engine.temperature_c()).as("where a crew cuts it").isGreaterThan(400);
        for (int i = 0; i < 5000 && engine.temperature_c() > JET.fuel().hottestBefore_c(); i++) {
            engine.step(on.withFuel(false));
        }
        double cooled_c = engine.temperature_c();
        double hottest_c = 0;
        for (int i = 0; i < 3000; i++) {
            engine.step(Controls.ready());
            hottest_c = Math.max(hottest_c, engine.temperature_c());
        }
        assertThat(cooled_c).isLessThanOrEqualTo(JET.fuel().hottestBefore_c());
        assertThat(hottest_c).as("what it shows afterwards").isLessThan(240);
    }

    private static void run(SimulatedEngine engine, Controls controls, int steps) {
        for (int i = 0; i < steps; i++) {
            engine.step(controls);
        }
    }

    private static void rises(List<SimulatedStart> starts, ToDoubleFunction<AttemptReport> figure, String what) {
        List<Double> figures = new ArrayList<>();
        starts.forEach(start -> figures.add(figure.applyAsDouble(judged(start))));
        for (int i = 1; i < figures.size(); i++) {
            assertThat(figures.get(i)).as("%s in %s", what, figures).isGreaterThan(figures.get(i - 1));
        }
    }

    @Test
    void heatHeightWindAndEarlyFuelMakeItHotter() {
        for (StartProfile profile : List.of(JET, TURBOPROP)) {
            SimulatedStart good = SimulatedStart.of(profile);
            rises(
                    Stream.of(-20, 0, 20, 40)
                            .map(oat -> good.in(new Surroundings(oat, 0, 0)))
                            .toList(),
                    report -> report.peak().value_c(),
                    "peak by heat");
            rises(
                    Stream.of(0, 3000, 6000)
                            .map(ft -> good.in(new Surroundings(15, ft, 0)))
                            .toList(),
                    report -> report.peak().value_c(),
                    "peak by height");
            rises(
                    Stream.of(0, 12, 24)
                            .map(kt -> good.in(new Surroundings(15, 0, kt)))
                            .toList(),
                    report -> report.peak().value_c(),
                    "peak by wind");
            rises(
                    Stream.of(1.0, 0.8, 0.6)
                            .map(part -> good.fuelAt(profile.fuel().preferred_pct() * part))
                            .toList(),
                    report -> report.peak().value_c(),
                    "peak by early fuel");
            rises(
                    Stream.of(0, 4000, 8000)
                            .map(ft -> good.in(new Surroundings(15, ft, 0)))
                            .toList(),
                    report -> (report.figures()
                                    .timeToIdle()
                                    .minus(report.milestones().get(org.skelda.core.start.Milestone.LIGHT_OFF)))
                            .toNanos(),
                    "light to idle by height");
        }
    }

    @Test
    void aWeakerSupplyTurnsItSlowerAndColdDeepensTheDip() {
        rises(
                List.of(
                        SimulatedStart.of(JET),
                        SimulatedStart.of(JET).packsLeftOn(),
                        SimulatedStart.of(JET).with(Failure.WEAK_AIR)),
                report -> report.milestones()
                        .get(org.skelda.core.start.Milestone.FUEL_ON)
                        .toNanos(),
                "time to fuel");
        rises(
                Stream.of(20, 0, -20)
                        .map(oat -> SimulatedStart.of(TURBOPROP).in(new Surroundings(oat, 0, 0)))
                        .toList(),
                report -> -report.figures().dip_v(),
                "depth of the dip");
        assertThat(judged(SimulatedStart.of(TURBOPROP).onGroundPower())
                        .figures()
                        .dip_v())
                .isGreaterThan(23);
    }

    @Test
    void impossibleWeatherIsRefused() {
        assertThatThrownBy(() -> new Surroundings(90, 0, 0)).hasMessageContaining("90.0 degC");
        assertThatThrownBy(() -> new Surroundings(15, Double.NaN, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
