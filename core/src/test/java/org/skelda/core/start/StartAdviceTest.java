package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.Script.Act;
import org.skelda.core.start.Script.State;
import org.skelda.core.start.Script.Step;

/** Bar, ladder and script are one computation: they never say different things. */
class StartAdviceTest {
    private static final StartProfile JET = TestProfiles.byHand();
    private static final StartProfile TURBOPROP = TestProfiles.onCurrent();

    private static Step now(StartAdvice advice) {
        return advice.script().stream()
                .filter(step -> step.state() == State.NOW)
                .findFirst()
                .orElseThrow();
    }

    private static StartAdvice advice(HandFlown engine) {
        return Advised.of("Engine 2", engine.monitor);
    }

    record Bad(StartProfile profile, FindingId id) {
        @Override
        public String toString() {
            return profile.typeId() + " " + id;
        }
    }

    static List<Bad> bad() {
        return TestProfiles.all().stream()
                .flatMap(profile -> Stream.of(FindingId.values())
                        .filter(id -> BadStarts.canHave(profile, id))
                        .map(id -> new Bad(profile, id)))
                .toList();
    }

    @Test
    void aStarterThatAHandSwitchesOffHasItsMoment() {
        StartMonitor monitor = new StartMonitor(TURBOPROP, 0);
        int due = 0;
        for (Sample sample : BadStarts.all()
                .get(FindingId.STARTER_OVERRUN)
                .apply(TURBOPROP)
                .start()
                .samples()) {
            monitor.accept(sample);
            StartAdvice advice = Advised.of("Engine 2", monitor);
            boolean past = sample.starter() == Switch.ON
                    && sample.fuel() == Switch.ON
                    && sample.spool_pct() >= TURBOPROP.starter().cutOut_pct();
            if (!advice.script().isEmpty()) {
                break;
            }
            assertThat(advice.verdict().call() == Verdict.Call.HAND_DUE).isEqualTo(past);
            if (past) {
                due++;
                assertThat(advice.verdict().sentence()).isEqualTo("Engine 2: starter OFF");
                assertThat(advice.verdict().reasons().getFirst()).contains("off at 52 %, it overruns at 56 %");
                assertThat(advice.verdict().note()).contains("fuel stays on");
            }
        }
        assertThat(due).isPositive();
    }

    @ParameterizedTest
    @MethodSource("bad")
    void barLadderAndScriptNameTheSameActAtEverySample(Bad bad) {
        StartMonitor monitor = new StartMonitor(bad.profile(), 0);
        for (Sample sample :
                BadStarts.all().get(bad.id()).apply(bad.profile()).start().samples()) {
            monitor.accept(sample);
            StartAdvice advice = Advised.of("Engine 2", monitor);
            if (advice.script().isEmpty()) {
                assertThat(advice.verdict().call().isToActOn()).isFalse();
                continue;
            }
            assertThat(advice.ladder()).noneMatch(rung -> rung.milestone() != null && rung.state() == Ladder.State.NOW);
            assertThat(advice.verdict().next()).isNull();
            Act act = now(advice).act();
            switch (advice.verdict().call()) {
                case CUT_FUEL, COMPUTER_STOPS -> assertThat(act).isEqualTo(Act.FUEL_OFF);
                case SECOND_MEANS -> assertThat(act).isEqualTo(Act.SECOND_MEANS);
                case STOP_STARTER -> assertThat(act).isIn(Act.STARTER_OFF, Act.TAKE_ITS_SUPPLY);
                case KEEP_TURNING -> assertThat(act).isIn(Act.KEEP_TURNING, Act.ENGAGE, Act.WAIT_FOR_SPEED);
                case AFTER_CUT -> assertThat(act).isNotIn(Act.FUEL_OFF, Act.SECOND_MEANS);
                default ->
                    assertThat(advice.verdict().call()).as("with a script").isEqualTo(Verdict.Call.BLIND);
            }
        }
    }

    @Test
    void aCutThatIsNotDoneOutranksMissingData() {
        HandFlown engine = new HandFlown(JET).toFuel();
        engine.for_s(JET.lightOffWithin().toSeconds() + 1);
        engine.temperature(Double.NaN).for_s(4);
        Verdict verdict = advice(engine).verdict();
        assertThat(verdict.sentence()).isEqualTo("Engine 2: cut the fuel");
        assertThat(verdict.reasons()).element(1).isEqualTo("EGT not read since 19 s.");
        Verdict silent =
                Advised.of("Engine 2", engine.monitor, true, Duration.ZERO).verdict();
        assertThat(silent.call()).isEqualTo(Verdict.Call.CUT_FUEL);
        engine.fuel(false).for_s(1);
        assertThat(advice(engine).verdict().call()).isEqualTo(Verdict.Call.BLIND);
    }

    @Test
    void fuelIsInvitedOnlyWhileEverythingHoldsAndElseTheFirstThatDoesNotIsNamed() {
        HandFlown engine =
                new HandFlown(JET).starter(true).ignition(false).spool(10).for_s(3);
        assertThat(fuelRung(engine)).isEqualTo("Wait: N2 10.0 %, at least 18.0 %");
        engine.oil_kpa = JET.idle().oilLeast_kpa();
        engine.spool(19).temperature(180).for_s(1);
        assertThat(fuelRung(engine)).isEqualTo("Wait: EGT 180 °C, at most 120 °C");
        engine.temperature(110).for_s(0.2);
        assertThat(fuelRung(engine)).startsWith("allowed now, better at 22 %");
        engine.spool(22).for_s(0.2);
        assertThat(fuelRung(engine)).isEqualTo("now is best");
        engine.temperature(121).for_s(0.2);
        assertThat(fuelRung(engine)).startsWith("Wait: EGT");
        engine.temperature(100).spool(17.5).for_s(0.2);
        assertThat(fuelRung(engine)).startsWith("Wait: N2 17.5 %");
    }

    @Test
    void fuelWaitsForIgnitionAndForTheEnginesClearing() {
        HandFlown engine = new HandFlown(TURBOPROP).starter(true).spool(16).for_s(6);
        assertThat(fuelRung(engine)).isEqualTo("Wait: ignition is OFF");
        HandFlown owing = new HandFlown(TURBOPROP)
                .toFuel()
                .cut()
                .starter(false)
                .spool(0)
                .for_s(41)
                .starter(true)
                .spool(16)
                .for_s(6);
        assertThat(fuelRung(owing)).isEqualTo("Wait: 15 s more on the starter, fuel and ignition OFF");
    }

    private static String fuelRung(HandFlown engine) {
        return advice(engine).ladder().stream()
                .filter(rung -> rung.milestone() == Milestone.FUEL_ON)
                .findFirst()
                .orElseThrow()
                .detail();
    }

    @Test
    void rungsStandInTheOrderInWhichTheTypeReachesThem() {
        assertThat(milestones(JET)).containsSubsequence(Milestone.FAN_ROTATION, Milestone.FUEL_ON, Milestone.LIGHT_OFF);
        assertThat(milestones(TURBOPROP))
                .containsSubsequence(Milestone.FUEL_ON, Milestone.LIGHT_OFF, Milestone.FAN_ROTATION)
                .doesNotContain(Milestone.VALVE_OPEN);
    }

    private static List<Milestone> milestones(StartProfile profile) {
        return Ladder.of(profile, null, Duration.ZERO, null, null, null).stream()
                .map(Ladder.Rung::milestone)
                .filter(java.util.Objects::nonNull)
                .toList();
    }

    @Test
    void anOverrunStartGoesOnOnceItsStarterIsOff() {
        HandFlown engine = new HandFlown(JET).toFuel().lit().spool(55).for_s(2);
        assertThat(advice(engine).verdict().sentence()).isEqualTo("Engine 2: stop the starter");
        assertThat(now(advice(engine)).words()).isEqualTo("Starter OFF; the fuel stays ON");
        engine.for_s(3);
        assertThat(advice(engine).verdict().sentence()).isEqualTo("Engine 2: take away its air");
        engine.starter(false).for_s(0.2);
        assertThat(advice(engine).script()).isEmpty();
        assertThat(advice(engine).verdict().call()).isEqualTo(Verdict.Call.ADVISE);
        assertThat(advice(engine).verdict().next()).isNotNull();
    }

    @Test
    void aCutAfterTheStarterIsOutWaitsForTheSpeedThenTurnsUntilItIsCool() {
        HandFlown engine = new HandFlown(JET)
                .toFuel()
                .lit()
                .temperature(760)
                .spool(50)
                .starter(false)
                .for_s(1);
        assertThat(advice(engine).verdict().sentence()).isEqualTo("Engine 2: cut the fuel");
        engine.cut().temperature(500).for_s(3);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.WAIT_FOR_SPEED);
        assertThat(advice(engine).verdict().sentence()).isEqualTo("Engine 2: starter OFF until N2 is 12 % or less");
        engine.spool(12).for_s(1);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.ENGAGE);
        engine.starter(true).for_s(0.2).spool(20).for_s(2);
        assertThat(now(advice(engine)).words())
                .isEqualTo("Leave the starter ON until EGT is 120 °C or less, within its 100 s");
        engine.temperature(119).for_s(1);
        assertThat(now(advice(engine)).words()).isEqualTo("Starter OFF");
        engine.starter(false).spool(5).temperature(140).for_s(1);
        assertThat(now(advice(engine)).words()).isEqualTo("Maintenance before another start");
    }

    @Test
    void aStarterEngagedTooFastInAFireGoesOffFirst() {
        HandFlown engine = new HandFlown(JET)
                .toFuel()
                .lit()
                .cut()
                .starter(false)
                .spool(30)
                .temperature(300)
                .rising(4)
                .for_s(8);
        assertThat(advice(engine).verdict().call()).isEqualTo(Verdict.Call.KEEP_TURNING);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.WAIT_FOR_SPEED);
        engine.starter(true).for_s(0.5);
        assertThat(advice(engine).verdict().call()).isEqualTo(Verdict.Call.STOP_STARTER);
        engine.starter(false).spool(11).for_s(0.5);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.ENGAGE);
        engine.starter(true).for_s(0.5);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.KEEP_TURNING);
        engine.rising(0).temperature(118).for_s(0.5);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.STARTER_OFF);
        engine.starter(false).for_s(0.5);
        assertThat(now(advice(engine)).act()).isEqualTo(Act.MAINTENANCE);
    }

    @Test
    void aStarterWhoseTimeEndsWhileHotCoolsAndTurnsOn() {
        HandFlown engine =
                new HandFlown(JET).toFuel().lit().cut().temperature(500).for_s(96);
        assertThat(now(advice(engine)).words()).isEqualTo("Starter OFF: its time is over");
        assertThat(advice(engine).verdict().call()).isEqualTo(Verdict.Call.STOP_STARTER);
        engine.starter(false).spool(10).for_s(1);
        StartAdvice cooling = Advised.of("Engine 2", engine.monitor, false, Duration.ofSeconds(40));
        assertThat(now(cooling).act()).isEqualTo(Act.COOL);
        assertThat(now(cooling).left()).isEqualTo(Duration.ofSeconds(40));
        assertThat(now(advice(engine)).act()).isEqualTo(Act.ENGAGE);
    }

    @Test
    void aDriveThatIsLostIsLeftToRunDown() {
        HandFlown engine = new HandFlown(JET).starter(true).for_s(0.5);
        engine.spool(20).for_s(6);
        engine.spoolPerSecond_pct = -2;
        engine.for_s(4);
        assertThat(engine.attempts().getFirst().figures().driveLost()).isTrue();
        HandFlown good = new HandFlown(JET).toFuel().lit().cut().for_s(2);
        good.spoolPerSecond_pct = -1;
        good.for_s(3);
        assertThat(good.attempts().getFirst().figures().driveLost()).isFalse();
    }

    @Test
    void anotherStartAttemptIsOfferedOnlyWhereItMayBe() {
        HandFlown first = new HandFlown(JET)
                .toFuel()
                .for_s(14)
                .cut()
                .for_s(31)
                .starter(false)
                .for_s(1);
        assertThat(now(advice(first)).words())
                .isEqualTo("Another start attempt, 2 of 3 (2 tries left): starter cooled, spool at 12 % or less");
        HandFlown second = first.spool(8)
                .for_s(50)
                .toFuel()
                .for_s(14)
                .cut()
                .for_s(31)
                .starter(false)
                .for_s(1);
        assertThat(now(advice(second)).words()).isEqualTo("Maintenance before another start");
        assertThat(second.findings(1)).containsExactly(FindingId.NO_LIGHT_OFF);
        HandFlown aborted =
                new HandFlown(JET).toFuel().cut().for_s(31).starter(false).for_s(1);
        assertThat(now(advice(aborted)).words()).startsWith("Another start attempt");
        HandFlown computers = new HandFlown(TestProfiles.byComputer())
                .toFuel()
                .cut()
                .for_s(31)
                .starter(false)
                .for_s(1);
        assertThat(now(advice(computers)).words()).isEqualTo("Maintenance before another start");
    }

    @Test
    void theNoteForMaintenanceHoldsTheNumbersInWords() {
        HandFlown engine =
                new HandFlown(JET).toFuel().lit().temperature(760).for_s(1).cut();
        Step note = advice(engine).script().stream()
                .filter(step -> step.act() == Act.WRITE)
                .findFirst()
                .orElseThrow();
        assertThat(note.words())
                .startsWith("Write for maintenance: Test A, at ")
                .contains("Peak EGT 760 °C.")
                .contains("Longest above 750 °C: ")
                .contains("Lowest duct pressure 231 kPa.")
                .contains("Starter on for ")
                .doesNotContain("_");
    }

    @Test
    void ignitionGoesOffAtOnceAfterAFuelCutWhereItHasItsSwitch() {
        HandFlown engine =
                new HandFlown(TURBOPROP).toFuel().for_s(10).fuel(false).for_s(0.5);
        List<Act> acts =
                new ArrayList<>(advice(engine).script().stream().map(Step::act).toList());
        assertThat(acts).startsWith(Act.FUEL_OFF, Act.IGNITION_OFF);
        assertThat(now(advice(engine)).words()).isEqualTo("Ignition OFF");
    }
}
