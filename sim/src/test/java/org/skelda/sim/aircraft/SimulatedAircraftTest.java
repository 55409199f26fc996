package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.ControlMove;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;

/** An aircraft under somebody's hands: both engines of a jet, one of a turboprop, built again from its moves. */
class SimulatedAircraftTest {
    private static final long BEGIN_us = 1_777_886_353_000_000L;
    private static final StartProfile JET = StartProfiles.of("HAVERN-2M");

    private record Move(double at_s, String control, String position) {}

    private static List<Sample> flown(
            StartProfile profile, int engines, int engine, List<Move> moves, double until_s, double tick_s) {
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), engines, 5, BEGIN_us);
        List<Sample> samples = new ArrayList<>();
        int next = 0;
        for (int tick = 0; tick * tick_s <= until_s; tick++) {
            while (next < moves.size() && moves.get(next).at_s() <= tick * tick_s) {
                Move move = moves.get(next++);
                aircraft.move(
                        ControlMove.parse(move.control(), move.position()), BEGIN_us + Math.round(move.at_s() * 1e6));
            }
            aircraft.advanceTo(BEGIN_us + Math.round(tick * tick_s * 1e6));
            aircraft.sample(engine).ifPresent(samples::add);
        }
        return samples;
    }

    private static List<AttemptReport> judged(StartProfile profile, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        samples.forEach(monitor::accept);
        return monitor.attempts();
    }

    @Test
    void eachEngineIsStartedByItsOwnControls() {
        List<Move> moves = List.of(
                new Move(1, "air", "on"), new Move(4, "engine-2/starter", "on"), new Move(26, "engine-2/fuel", "on"));
        assertThat(judged(JET, flown(JET, 2, 2, moves, 90, 0.1)))
                .singleElement()
                .satisfies(attempt -> assertThat(attempt.outcome().code()).isEqualTo("NORMAL"));
        assertThat(judged(JET, flown(JET, 2, 1, moves, 90, 0.1))).isEmpty();
    }

    @Test
    void aTurbopropStartsOnItsBatteryWithIgnitionFirst() {
        StartProfile profile = StartProfiles.of("LOMVI-T1");
        List<Move> moves = List.of(
                new Move(1, "engine-1/ignition", "on"),
                new Move(3, "engine-1/starter", "on"),
                new Move(15, "engine-1/fuel", "on"));
        assertThat(judged(profile, flown(profile, 1, 1, moves, 60, 0.1)))
                .singleElement()
                .satisfies(attempt -> assertThat(attempt.outcome().code()).isEqualTo("NORMAL"));
    }

    @Test
    void whatGoesWrongComesTrueAtTheNextStartAndGoesAwayAtTheOneAfter() {
        List<Move> moves = List.of(
                new Move(1, "air", "on"),
                new Move(2, "what-goes-wrong", "no-light-off"),
                new Move(4, "engine-1/starter", "on"),
                new Move(26, "engine-1/fuel", "on"),
                new Move(40, "engine-1/fuel", "off"),
                new Move(60, "engine-1/starter", "off"),
                new Move(61, "what-goes-wrong", "nothing"),
                new Move(150, "engine-1/starter", "on"),
                new Move(175, "engine-1/fuel", "on"));
        assertThat(judged(JET, flown(JET, 1, 1, moves, 240, 0.1)))
                .extracting(attempt -> attempt.outcome().code())
                .containsExactly("NO_LIGHT_OFF", "NORMAL");
    }

    @Test
    void builtAgainFromItsMovesItStandsWhereItWas() {
        List<Move> moves = List.of(
                new Move(1.01, "air", "on"),
                new Move(4.333, "engine-2/starter", "on"),
                new Move(26.07, "engine-2/fuel", "on"));
        SimulatedAircraft once = new SimulatedAircraft(JET, Surroundings.standard(), 2, 5, BEGIN_us);
        SimulatedAircraft ticked = new SimulatedAircraft(JET, Surroundings.standard(), 2, 5, BEGIN_us);
        for (Move move : moves) {
            long at_us = BEGIN_us + Math.round(move.at_s() * 1e6);
            for (long t = BEGIN_us; t < at_us; t += 137_000) {
                ticked.advanceTo(t);
            }
            ticked.move(ControlMove.parse(move.control(), move.position()), at_us);
            once.move(ControlMove.parse(move.control(), move.position()), at_us);
        }
        for (SimulatedAircraft aircraft : List.of(once, ticked)) {
            aircraft.advanceTo(BEGIN_us + 50_000_000);
        }
        assertThat(once.sample(2))
                .isEqualTo(ticked.sample(2))
                .hasValueSatisfying(sample -> assertThat(sample.spool_pct()).isGreaterThan(20));
        assertThat(once.busy()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "engine-5/starter, on",
        "wings, on",
        "starter, on",
        "engine-1/air, on",
        "air, half",
        "what-goes-wrong, rain",
        "engine-2/fuel, ON"
    })
    void aControlOrPositionThatIsNotThereIsRefused(String control, String position) {
        assertThatThrownBy(() -> ControlMove.parse(control, position)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"HAVERN-2M, 2", "HAVERN-2A, 2", "HAVERN-4, 4", "LOMVI-T1, 1", "LOMVI-T2, 2", "TEISTA-B2, 2"})
    void anEngineThatWasStartedBeforeItBeginsIsAtIdleFromTheFirstReadingOn(String type, int engines) {
        StartProfile profile = StartProfiles.of(type);
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, Surroundings.standard(), engines, 5, BEGIN_us);
        aircraft.runs(1);
        assertThat(aircraft.now_us()).isEqualTo(BEGIN_us);
        for (int second = 0; second < 60; second++) {
            aircraft.advanceTo(BEGIN_us + second * 1_000_000L);
            double spool_pct = aircraft.sample(1).orElseThrow().of(Parameter.SPOOL);
            assertThat(spool_pct)
                    .isBetween(
                            profile.idle().speed_pct() - profile.idle().tolerance_pct(),
                            profile.idle().speed_pct() + profile.idle().tolerance_pct());
            for (int other = 2; other <= engines; other++) {
                assertThat(aircraft.engine(other).spool_pct()).isZero();
            }
        }
    }

    @Test
    void whatWasLeftOnIsSeenInTheDuctBeforeTheStarter() {
        double clean_kpa = staticDuct(List.of());
        assertThat(staticDuct(List.of(Fault.of(Failure.ANTI_ICE_LEFT_ON)))).isCloseTo(clean_kpa * 0.78, within(3.0));
        assertThat(staticDuct(List.of(new Fault(Failure.ANTI_ICE_LEFT_ON, 0.5, 0))))
                .isCloseTo(clean_kpa * 0.89, within(3.0));
        assertThat(staticDuct(List.of(Fault.of(Failure.PACKS_LEFT_ON))))
                .isCloseTo(clean_kpa * 0.84 * 0.84, within(3.0));
        assertThat(staticDuct(List.of(new Fault(Failure.ANTI_ICE_LEFT_ON, 1, 10))))
                .as("ten seconds after the starter only")
                .isCloseTo(clean_kpa, within(3.0));
    }

    @ParameterizedTest
    @CsvSource({"0.5, before the starter", "12, while it turns"})
    void packsThatWereLeftOnAreOffOnceAHandSwitchesThemOff(double off_s, String when) {
        Move air = new Move(0, "air", "on");
        Move left = new Move(0, "what-goes-wrong", "packs-left-on");
        Move starter = new Move(4, "engine-2/starter", "on");
        Move off = new Move(off_s, "packs", "off");
        List<Move> found = Stream.of(air, left, starter, off)
                .sorted(Comparator.comparingDouble(Move::at_s))
                .toList();
        double clean_kpa = duct(List.of(air, starter));
        assertThat(duct(List.of(air, left, starter))).isLessThan(clean_kpa - 10);
        assertThat(duct(found)).as(when).isCloseTo(clean_kpa, within(1.0));
    }

    private static double duct(List<Move> moves) {
        return flown(JET, 2, 2, moves, 20, 0.1).getLast().duct_kpa();
    }

    private static double staticDuct(List<Fault> wrong) {
        return SimulatedStart.of(JET).with(wrong).samples(0).getFirst().duct_kpa();
    }
}
