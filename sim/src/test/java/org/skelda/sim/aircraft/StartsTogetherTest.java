package org.skelda.sim.aircraft;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;
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
import org.skelda.sim.start.SimulatedEngine;

/**
 * What engines share when they are started: one duct, one bus, each other's air and current; and the start computer.
 */
class StartsTogetherTest {
    private static final EngineControls ON = EngineControls.OFF;

    /** An aircraft whose hands are a function of time, with the readings of each engine. */
    private static final class Flown {
        private final SimulatedAircraft aircraft;
        private final Map<Integer, List<Sample>> samples = new TreeMap<>();
        private final StartProfile profile;

        Flown(String type, int engines, Surroundings day) {
            profile = StartProfiles.of(type);
            aircraft = new SimulatedAircraft(profile, day, engines, 3, 0);
            aircraft.set(Controls.ready());
            aircraft.settle();
        }

        /** @param hands how the controls of an engine stand, by its number */
        void fly(double seconds, BiFunction<Integer, SimulatedEngine, EngineControls> hands) {
            for (int step = 0; step < seconds * 50; step++) {
                for (int engine = 1; engine <= aircraft.engines(); engine++) {
                    aircraft.set(engine, hands.apply(engine, aircraft.engine(engine)));
                    int number = engine;
                    if (step % 5 == 0) {
                        aircraft.sample(engine)
                                .ifPresent(sample -> samples.computeIfAbsent(number, _ -> new ArrayList<>())
                                        .add(sample));
                    }
                }
                aircraft.step();
            }
        }

        List<AttemptReport> judged(int engine) {
            StartMonitor monitor = new StartMonitor(profile, 0);
            samples.get(engine).forEach(monitor::accept);
            return monitor.attempts();
        }

        String outcome(int engine) {
            return judged(engine).getLast().outcome().code();
        }

        double least(int engine, java.util.function.ToDoubleFunction<Sample> what) {
            return samples.get(engine).stream().mapToDouble(what).min().orElseThrow();
        }
    }

    /** A crew by hand: starter on, ignition with it, fuel at the preferred speed, starter off by hand where it must. */
    private static EngineControls start(StartProfile profile, SimulatedEngine engine) {
        boolean out = profile.starter().byHand()
                && engine.spool_pct() >= profile.starter().cutOut_pct();
        return ON.withStarter(!out)
                .withIgnition(true)
                .withFuel(engine.isFuelled()
                        || engine.spool_pct() >= profile.fuel().preferred_pct());
    }

    @Test
    void aPairSharesItsDuctAndAHungOneLeavesTheOtherAlone() {
        Flown single = new Flown("HAVERN-4", 4, Surroundings.standard());
        single.fly(90, (n, engine) -> n == 1 ? start(single.profile, engine) : ON);
        Flown pair = new Flown("HAVERN-4", 4, Surroundings.standard());
        pair.aircraft.goesWrong(List.of(Fault.of(Failure.HUNG)));
        pair.fly(2, (n, _) -> n == 4 ? ON.withStarter(true) : ON);
        pair.aircraft.goesWrong(List.of());
        pair.fly(100, (n, engine) -> n == 1 || n == 4 ? start(pair.profile, engine) : ON);
        assertThat(single.outcome(1)).isEqualTo("NORMAL");
        assertThat(pair.outcome(1)).isEqualTo("NORMAL");
        assertThat(pair.judged(4).getLast().findings()).extracting(Finding::id).contains(FindingId.HUNG_START);
        assertThat(pair.least(1, Sample::duct_kpa)).isLessThan(single.least(1, Sample::duct_kpa) - 10);
    }

    @Test
    void aRunningEngineGivesItsAirWithThrustRaisedAndNotAtIdle() {
        for (boolean raised : new boolean[] {false, true}) {
            Flown flown = new Flown("HAVERN-2M", 2, Surroundings.standard());
            flown.fly(90, (n, engine) -> n == 1 ? start(flown.profile, engine) : ON);
            flown.aircraft.set(Controls.ready().withAir(false));
            flown.fly(20, (n, _) -> n == 1 ? ON.withFuel(true).withSecondStage(raised) : ON);
            flown.fly(
                    90,
                    (n, engine) -> n == 1 ? ON.withFuel(true).withSecondStage(raised) : start(flown.profile, engine));
            assertThat(flown.outcome(1)).isEqualTo("NORMAL");
            if (raised) {
                assertThat(flown.aircraft.engine(1).fan()).isBetween(28.0, 38.0);
                assertThat(flown.outcome(2)).isEqualTo("NORMAL");
            } else {
                assertThat(flown.judged(2).getLast().findings())
                        .extracting(Finding::id)
                        .contains(FindingId.LOW_SUPPLY);
            }
        }
    }

    @Test
    void aShutValveKeepsTheAirFromTheOtherSide() {
        Flown flown = new Flown("HAVERN-2M", 2, Surroundings.standard());
        flown.aircraft.set(Controls.ready().withValves(false));
        flown.fly(30, (_, engine) -> start(flown.profile, engine));
        assertThat(flown.aircraft.engine(1).spool_pct()).isGreaterThan(20);
        assertThat(flown.aircraft.engine(2).spool_pct()).isLessThan(2);
        assertThat(flown.least(2, Sample::duct_kpa)).isLessThan(5);
    }

    @Test
    void theFirstEnginesGeneratorHelpsTheSecondStartFromHighIdleOn() {
        Map<Boolean, Double> dips = new TreeMap<>();
        for (boolean high : new boolean[] {false, true}) {
            Flown flown = new Flown("LOMVI-T2", 2, Surroundings.standard());
            flown.fly(60, (n, engine) -> n == 2 ? start(flown.profile, engine) : ON);
            assertThat(flown.outcome(2)).isEqualTo("NORMAL");
            flown.fly(20, (n, _) -> n == 2 ? ON.withFuel(true).withSecondStage(high) : ON);
            assertThat(flown.aircraft.engine(2).spool_pct()).isBetween(high ? 70.0 : 62.0, high ? 74.0 : 66.0);
            flown.fly(
                    60, (n, engine) -> n == 2 ? ON.withFuel(true).withSecondStage(high) : start(flown.profile, engine));
            assertThat(flown.outcome(1)).isEqualTo("NORMAL");
            dips.put(high, flown.judged(1).getLast().figures().dip_v());
        }
        assertThat(dips.get(true)).isGreaterThan(dips.get(false) + 1);
    }

    @Test
    void aLostCartLeavesTheBatteryCarryingTheStartOnlyWhenItIsJoined() {
        for (boolean joined : new boolean[] {false, true}) {
            Flown flown = new Flown("LOMVI-T1", 1, Surroundings.standard());
            flown.aircraft.set(Controls.ready().withGroundPower(true).withBattery(joined));
            flown.aircraft.goesWrong(List.of(Fault.of(Failure.GROUND_POWER_LOST)));
            flown.fly(60, (_, engine) -> start(flown.profile, engine));
            if (joined) {
                assertThat(flown.outcome(1)).isEqualTo("NORMAL");
            } else {
                assertThat(flown.outcome(1)).isNotEqualTo("NORMAL");
                assertThat(flown.least(1, Sample::bus_v)).isLessThan(1);
                assertThat(flown.aircraft.engine(1).spool_pct()).isLessThan(5);
            }
        }
    }

    @Test
    void aHeldSelectorDropsNoStarterOut() {
        Flown flown = new Flown("LOMVI-T1", 1, Surroundings.standard());
        flown.aircraft.set(Controls.ready().withHeld(true));
        flown.fly(50, (_, engine) -> start(flown.profile, engine));
        assertThat(flown.judged(1).getLast().findings()).extracting(Finding::id).contains(FindingId.STARTER_OVERRUN);
    }

    @Test
    void aShearedShaftLetsTheSpoolFallWhileTheStarterTurns() {
        Flown flown = new Flown("HAVERN-2M", 1, Surroundings.standard());
        flown.aircraft.goesWrong(List.of(new Fault(Failure.SHEARED_SHAFT, 1, 8)));
        flown.fly(30, (_, _) -> ON.withStarter(true));
        double most = flown.samples.get(1).stream()
                .mapToDouble(Sample::spool_pct)
                .max()
                .orElseThrow();
        Sample last = flown.samples.get(1).getLast();
        assertThat(most).isGreaterThan(12);
        assertThat(last.spool_pct()).isLessThan(most / 2);
        assertThat(last.starter()).isEqualTo(org.skelda.core.start.Switch.ON);
    }

    @Test
    void theComputerStopsAHotStartByItselfUnlessItStopsNothing() {
        for (String type : List.of("HAVERN-2A", "TEISTA-B2")) {
            Flown stopped = new Flown(type, 1, Surroundings.standard());
            stopped.aircraft.goesWrong(List.of(Fault.of(Failure.HOT)));
            stopped.fly(90, (_, _) -> ON.withFuel(true));
            assertThat(stopped.judged(1).getLast().findings())
                    .extracting(Finding::id)
                    .contains(FindingId.HOT_START)
                    .doesNotContain(FindingId.AUTO_STOP_FAILED);
            assertThat(stopped.aircraft.engine(1).isFuelled()).isFalse();
            assertThat(stopped.aircraft.engine(1).temperature_c())
                    .as("it turned until it was cool")
                    .isLessThan(stopped.profile.fuel().hottestBefore_c() + 30);

            Flown failed = new Flown(type, 1, Surroundings.standard());
            failed.aircraft.goesWrong(List.of(Fault.of(Failure.HOT), Fault.of(Failure.COMPUTER_STOPS_NOTHING)));
            failed.fly(60, (_, _) -> ON.withFuel(true));
            assertThat(failed.judged(1).getLast().findings())
                    .extracting(Finding::id)
                    .contains(FindingId.HOT_START, FindingId.AUTO_STOP_FAILED);
        }
    }

    @Test
    void theCrewsCutLeavesTheStarterTurningUntilItIsCool() {
        Flown flown = new Flown("TEISTA-B2", 1, Surroundings.standard());
        flown.fly(22, (_, _) -> ON.withFuel(true));
        assertThat(flown.aircraft.engine(1).isLit()).isTrue();
        flown.fly(2, (_, _) -> ON);
        assertThat(flown.samples.get(1).getLast().fuel()).isEqualTo(org.skelda.core.start.Switch.OFF);
        assertThat(flown.samples.get(1).getLast().starter()).isEqualTo(org.skelda.core.start.Switch.ON);
        flown.fly(60, (_, _) -> ON);
        assertThat(flown.samples.get(1).getLast().starter()).isEqualTo(org.skelda.core.start.Switch.OFF);
        assertThat(flown.aircraft.engine(1).temperature_c())
                .isLessThan(flown.profile.fuel().hottestBefore_c() + 60);
    }

    @Test
    void theComputerTurnsAnUnlitEngineClearAndLetsTheStarterGo() {
        Flown flown = new Flown("HAVERN-2A", 1, Surroundings.standard());
        flown.aircraft.goesWrong(List.of(Fault.of(Failure.NO_LIGHT_OFF)));
        flown.fly(110, (_, _) -> ON.withFuel(true));
        List<Sample> samples = flown.samples.get(1);
        double fuelOff_s = after(samples, sample -> sample.fuel() == org.skelda.core.start.Switch.ON);
        double starterOff_s = after(samples, sample -> sample.starter() == org.skelda.core.start.Switch.ON);
        assertThat(starterOff_s - fuelOff_s).isBetween(29.0, 31.0);
        assertThat(flown.outcome(1)).isEqualTo("NO_LIGHT_OFF");
    }

    /** When something last was so, s. */
    private static double after(List<Sample> samples, java.util.function.Predicate<Sample> was) {
        return samples.stream().filter(was).mapToLong(Sample::at_us).max().orElseThrow() / 1e6;
    }

    @Test
    void theComputerWaitsUntilAHotEngineIsCoolEnough() {
        Flown flown = new Flown("HAVERN-2A", 1, Surroundings.standard());
        flown.aircraft.goesWrong(List.of(new Fault(Failure.HOT_RESTART, 0.4, 0)));
        flown.fly(110, (_, _) -> ON.withFuel(true));
        Sample first = flown.samples.get(1).stream()
                .filter(sample -> sample.fuel() == org.skelda.core.start.Switch.ON)
                .findFirst()
                .orElseThrow();
        assertThat(first.temperature_c()).isBetween(120.0, 138.0);
        assertThat(flown.outcome(1)).isEqualTo("NORMAL");
    }

    @Test
    void secondNozzlesStepTheFlowUp() {
        List<Sample> samples = SimulatedStart.of(StartProfiles.of("LOMVI-T1")).samples(50);
        double before = at(samples, 33.5);
        double with = at(samples, 36.5);
        assertThat(with - before).isBetween(6.0, 12.0);
    }

    private static double at(List<Sample> samples, double spool_pct) {
        return samples.stream()
                .filter(sample -> sample.spool_pct() >= spool_pct)
                .findFirst()
                .orElseThrow()
                .flow_kgph();
    }
}
