package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
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
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;

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
    @ValueSource(strings = {"HAVERN-2M", "HAVERN-2A", "HAVERN-4", "LOMVI-T1", "LOMVI-T2", "TEISTA-B2"})
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
        Map<Failure, FindingId> drawn = new EnumMap<>(Failure.class);
        drawn.put(Failure.NO_LIGHT_OFF, FindingId.NO_LIGHT_OFF);
        drawn.put(Failure.NO_FUEL, FindingId.NO_LIGHT_OFF);
        drawn.put(Failure.HOT, FindingId.HOT_START);
        drawn.put(Failure.RICH_CONTROL, FindingId.FLOW_HIGH);
        drawn.put(Failure.HUNG, FindingId.HUNG_START);
        drawn.put(Failure.FAN_SEIZED, FindingId.NO_FAN_ROTATION);
        drawn.put(Failure.NO_OIL_PRESSURE, FindingId.NO_OIL_PRESSURE);
        drawn.put(Failure.LEVER_INEFFECTIVE, FindingId.CUT_NOT_EFFECTIVE);
        drawn.put(Failure.INTERNAL_FIRE, FindingId.INTERNAL_FIRE);
        return StartProfiles.TYPES.stream().map(StartProfiles::of).flatMap(profile -> {
            Map<Failure, FindingId> own = new EnumMap<>(drawn);
            boolean air = profile.supply().air() != null;
            own.put(air ? Failure.WEAK_AIR : Failure.WEAK_BATTERY, FindingId.LOW_SUPPLY);
            if (air) {
                own.put(Failure.ANTI_ICE_LEFT_ON, FindingId.LOW_SUPPLY);
            }
            if (!profile.starter().byHand()) {
                own.put(Failure.STARTER_STUCK, FindingId.STARTER_OVERRUN);
            }
            if (!profile.drive().automatic()) {
                // A computer waits until the engine is cool enough.
                own.put(Failure.HOT_RESTART, FindingId.RESIDUAL_HOT);
            }
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
        SimulatedAircraft watched = ready(TURBOPROP);
        SimulatedAircraft unwatched = ready(TURBOPROP);
        for (int i = 0; i < 2000; i++) {
            for (SimulatedAircraft aircraft : List.of(watched, unwatched)) {
                aircraft.set(1, TURNS.withFuel(i > 700));
                aircraft.step();
            }
            watched.sample(1);
        }
        assertThat(watched.engine(1).spool_pct()).isEqualTo(unwatched.engine(1).spool_pct());
        assertThat(watched.engine(1).temperature_c())
                .isEqualTo(unwatched.engine(1).temperature_c());
    }

    private static final EngineControls TURNS =
            EngineControls.OFF.withStarter(true).withIgnition(true);

    /** Air or battery ready, loads off. */
    private static SimulatedAircraft ready(StartProfile profile, Failure... wrong) {
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), 1, 1, 0);
        aircraft.set(Controls.ready());
        aircraft.goesWrong(Stream.of(wrong).map(Fault::of).toList());
        aircraft.settle();
        return aircraft;
    }

    private static void run(SimulatedAircraft aircraft, EngineControls controls, int steps) {
        aircraft.set(1, controls);
        for (int i = 0; i < steps; i++) {
            aircraft.step();
        }
    }

    @Test
    void theSecondMeansStopsFuelThatTheLeverDoesNot() {
        SimulatedAircraft aircraft = ready(JET, Failure.LEVER_INEFFECTIVE);
        run(aircraft, TURNS, 800);
        run(aircraft, TURNS.withFuel(true), 400);
        run(aircraft, TURNS.withFuel(false), 300);
        assertThat(aircraft.engine(1).isLit())
                .as("lever off, and still burning")
                .isTrue();
        run(aircraft, TURNS.withFuel(false).withSecondMeans(true), 300);
        assertThat(aircraft.engine(1).isLit()).isFalse();
        assertThat(aircraft.sample(1).orElseThrow().flow_kgph()).isLessThan(8);
    }

    @Test
    void residualHeatIsCooledByTurning() {
        SimulatedAircraft still = ready(JET);
        SimulatedAircraft turned = ready(JET);
        still.heat(1, 300);
        turned.heat(1, 300);
        run(still, EngineControls.OFF, 2000);
        run(turned, EngineControls.OFF.withStarter(true), 2000);
        assertThat(turned.engine(1).temperature_c())
                .isLessThan(still.engine(1).temperature_c())
                .isLessThan(JET.fuel().hottestBefore_c());
    }

    /**
     * What the metal gives off while a hot engine runs down must not read as a fire inside it: that begins at 250 degC.
     */
    @Test
    void heatThatShowsAgainIsNoFire() {
        SimulatedAircraft aircraft = ready(JET, Failure.HOT);
        run(aircraft, TURNS, 900);
        run(aircraft, TURNS.withFuel(true), 330);
        assertThat(aircraft.engine(1).temperature_c())
                .as("where a crew cuts it")
                .isGreaterThan(400);
        for (int i = 0;
                i < 5000 && aircraft.engine(1).temperature_c() > JET.fuel().hottestBefore_c();
                i++) {
            run(aircraft, TURNS.withFuel(false), 1);
        }
        double cooled_c = aircraft.engine(1).temperature_c();
        double hottest_c = 0;
        for (int i = 0; i < 3000; i++) {
            run(aircraft, EngineControls.OFF, 1);
            hottest_c = Math.max(hottest_c, aircraft.engine(1).temperature_c());
        }
        assertThat(cooled_c).isLessThanOrEqualTo(JET.fuel().hottestBefore_c());
        assertThat(hottest_c).as("what it shows afterwards").isLessThan(240);
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
        for (SimulatedStart weak : List.of(
                SimulatedStart.of(JET).packsLeftOn(), SimulatedStart.of(JET).with(Failure.WEAK_AIR))) {
            rises(
                    List.of(SimulatedStart.of(JET), weak),
                    report -> report.milestones()
                            .get(org.skelda.core.start.Milestone.FUEL_ON)
                            .toNanos(),
                    "time to fuel");
        }
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
