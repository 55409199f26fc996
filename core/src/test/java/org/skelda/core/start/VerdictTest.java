package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** One sentence to act on, ranked, and quiet while all is well. */
class VerdictTest {

    private static Verdict at(SimpleStart start, StartProfile profile, double t) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        for (Sample sample : start.samples()) {
            if (sample.at_us() / 1e6 - SimpleStart.LEAD_IN_s <= t) {
                monitor.accept(sample);
            }
        }
        return Advised.of("Engine 2", monitor).verdict();
    }

    @Test
    void quietWhileAllIsWellAndSaysWhatIsNotWatched() {
        Verdict verdict = at(SimpleStart.of(TestProfiles.byHand()).without(Parameter.FAN), TestProfiles.byHand(), 10);
        assertThat(verdict.sentence()).isEqualTo("Engine 2: on track");
        assertThat(verdict.reasons()).isEmpty();
        assertThat(verdict.note()).isEqualTo("fan not measured");
        assertThat(verdict.next()).isEqualTo(Milestone.FUEL_ALLOWED);
    }

    @Test
    void beforeTheStarterNothingIsSaid() {
        assertThat(at(SimpleStart.of(TestProfiles.byHand()), TestProfiles.byHand(), -1)
                        .call())
                .isEqualTo(Verdict.Call.RESTING);
    }

    @Test
    void theFuelGoesBeforeTheStarterWhenBothMust() {
        StartProfile profile = TestProfiles.onCurrent();
        SimpleStart start = SimpleStart.of(profile)
                .with(Parameter.VOLTS, (t, good) -> t > 0.05 && t < 1 ? 13 : good)
                .ignition(_ -> false);
        assertThat(at(start, profile, 3).sentence()).isEqualTo("Engine 2: stop the starter");
        Verdict fuelled = at(start, profile, start.fuelAt() + 1);
        assertThat(fuelled.sentence()).isEqualTo("Engine 2: cut the fuel");
        assertThat(fuelled.reasons()).hasSizeGreaterThanOrEqualTo(2);
        assertThat(fuelled.note()).isEqualTo("Cutting the fuel does not stop the starter: it stays on.");
    }

    @Test
    void aForgottenIgnitionIsNeverCuredBySwitchingItOn() {
        StartProfile profile = TestProfiles.byHand();
        SimpleStart start = SimpleStart.of(profile).ignition(_ -> false);
        assertThat(at(start, profile, start.fuelAt() + 1).reasons().getFirst()).contains("Leave the ignition off");
    }

    @Test
    void anOverrunStopsTheStarterAndLeavesTheFuel() {
        StartProfile profile = TestProfiles.byHand();
        SimpleStart start = SimpleStart.of(profile).starter(t -> t >= 0);
        Verdict verdict = at(start, profile, start.timeOfSpool(profile.starter().overrun_pct()) + 2);
        assertThat(verdict.sentence()).isEqualTo("Engine 2: stop the starter");
        assertThat(verdict.note()).contains("leaves the fuel on");
    }

    @Test
    void aStartComputerHasTwoSecondsThenTheCrewCuts() {
        StartProfile profile = TestProfiles.byComputer();
        SimpleStart start = SimpleStart.of(profile).with(Parameter.TEMPERATURE, (_, _) -> 20);
        double due = start.fuelAt() + profile.lightOffWithin().toSeconds();
        Verdict waits = at(start, profile, due + 0.6);
        assertThat(waits.call()).isEqualTo(Verdict.Call.COMPUTER_STOPS);
        assertThat(waits.sentence()).isEqualTo("Engine 2: the start computer should cut the fuel, 2 s");
        assertThat(at(start, profile, due + 2.3).sentence()).isEqualTo("Engine 2: cut the fuel");
    }

    @Test
    void adviceDoesNotStopAStart() {
        StartProfile profile = TestProfiles.byHand();
        SimpleStart start = SimpleStart.of(profile)
                .with(
                        Parameter.TEMPERATURE,
                        (t, good) -> t > SimpleStart.of(profile).idleAt() ? 515 : good);
        Verdict verdict = at(start, profile, start.idleAt() + 8);
        assertThat(verdict.call()).isEqualTo(Verdict.Call.ADVISE);
        assertThat(verdict.reasons().getFirst()).isEqualTo("EGT at idle is 515 °C, usual is 400 to 500 °C.");
    }

    @Test
    void theFirstCuttingFindingByTimeThenByTableDecidesTheOutcome() {
        Random lot = new Random(7);
        List<Finding> findings = List.of(
                new Finding(FindingId.SLOW_TO_IDLE, java.time.Duration.ofSeconds(1), Action.ADVISE, "."),
                new Finding(FindingId.HUNG_START, java.time.Duration.ofSeconds(20), Action.CUT_FUEL, "."),
                new Finding(FindingId.HOT_PREDICTED, java.time.Duration.ofSeconds(20), Action.CUT_FUEL, "."));
        for (int i = 0; i < 20; i++) {
            List<Finding> shuffled = new java.util.ArrayList<>(findings);
            java.util.Collections.shuffle(shuffled, lot);
            shuffled.sort(Finding.IN_ORDER);
            assertThat(Outcome.decidedBy(shuffled, false).orElseThrow().code()).isEqualTo("HOT_PREDICTED");
            assertThat(Outcome.decidedBy(shuffled, true).orElseThrow().code()).isEqualTo("HOT_START");
        }
    }
}
