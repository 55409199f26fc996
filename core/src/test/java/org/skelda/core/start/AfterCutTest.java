package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.AfterCut.State;
import org.skelda.core.start.AfterCut.Step;

/** The script after a cut, as time goes by. */
class AfterCutTest {

    private static List<Step> script(StartProfile profile, AttemptReport report, Standing standing, long coolFor) {
        StarterDuty.NextTry next = new StarterDuty.NextTry(2, 3, java.time.Instant.EPOCH, profile.starter().allowed(), profile.starter().engageAtOrBelow_pct(), 2);
        return AfterCut.script(profile, report, standing, next, Duration.ofSeconds(coolFor));
    }

    private static Standing standing(double now, boolean fuel, Double cut, boolean starter, Double on, Double off, double spool, double temperature, double flow) {
        Duration firstOff = off == null ? null : seconds(on != null && on > 25 ? 25 : off);
        return new Standing(seconds(now), fuel, cut == null ? null : seconds(cut), starter, on == null ? null : seconds(on), off == null ? null : seconds(off), firstOff,
                spool, temperature, flow, !(flow > CutWatch.STOPPED_FLOW_kgph));
    }

    private static Duration seconds(double seconds) {
        return Duration.ofMillis(Math.round(seconds * 1000));
    }

    private static Step now(List<Step> steps) {
        return steps.stream().filter(step -> step.state() == State.NOW).findFirst().orElseThrow();
    }

    private static AttemptReport noLight(StartProfile profile) {
        return SimpleStart.of(profile).with(Parameter.TEMPERATURE, (_, _) -> 20).judged();
    }

    @Test
    void theFuelGoesOffFirstWhateverElseIsWrong() {
        List<Step> steps = script(TestProfiles.byHand(), noLight(TestProfiles.byHand()), standing(32, true, null, true, 0.0, null, 25, 20, 120), 45);
        assertThat(now(steps).words()).isEqualTo("Fuel lever off");
        assertThat(steps.stream().filter(step -> step.state() == State.DONE)).isEmpty();
    }

    @Test
    void noLightOnAirIsMotoredDryForItsTime() {
        StartProfile profile = TestProfiles.byHand();
        AttemptReport report = noLight(profile);
        Step turning = now(script(profile, report, standing(42, false, 32.0, true, 0.0, null, 25, 20, 0), 45));
        assertThat(turning.words()).isEqualTo("Keep turning on the starter 30 s, then starter off");
        assertThat(turning.left()).isEqualTo(seconds(20));
        Step again = now(script(profile, report, standing(70, false, 32.0, false, 0.0, 62.5, 20, 20, 0), 37));
        assertThat(again.words()).isEqualTo("Starter may engage again once cooled and N2 at 12 % or less: try 2 of 3");
        assertThat(again.left()).isEqualTo(seconds(37));
        assertThat(now(script(profile, report, standing(120, false, 32.0, false, 0.0, 62.5, 4, 20, 0), 0)).words())
                .startsWith("Write for maintenance: Test A, start cut at").contains("NO_LIGHT_OFF");
    }

    @Test
    void noLightOnCurrentStopsDrainsAndMotorsDry() {
        StartProfile profile = TestProfiles.onCurrent();
        AttemptReport report = noLight(profile);
        assertThat(now(script(profile, report, standing(22, false, 21.0, true, 0.0, null, 18, 20, 0), 60)).words()).isEqualTo("Starter off");
        Step drain = now(script(profile, report, standing(35, false, 21.0, false, 0.0, 25.0, 8, 20, 0), 60));
        assertThat(drain.words()).isEqualTo("Let it drain 40 s");
        assertThat(drain.left()).isEqualTo(seconds(30));
        assertThat(now(script(profile, report, standing(70, false, 21.0, false, 0.0, 25.0, 0, 20, 0), 15)).words())
                .isEqualTo("Dry motor 20 s: starter on, fuel and ignition off");
        assertThat(now(script(profile, report, standing(90, false, 21.0, true, 85.0, 25.0, 14, 20, 0), 15)).left()).isEqualTo(seconds(15));
        assertThat(now(script(profile, report, standing(110, false, 21.0, false, 85.0, 105.0, 6, 20, 0), 55)).words()).startsWith("Starter may engage again");
    }

    @Test
    void tooHotIsTurnedUntilItIsCoolEnough() {
        StartProfile profile = TestProfiles.byHand();
        AttemptReport report = BadStarts.all().get(FindingId.HOT_START).apply(profile).start().judged();
        String words = "Keep turning to 120 degC or less, within the starter's 100 s";
        assertThat(now(script(profile, report, standing(40, false, 35.0, true, 0.0, null, 30, 400, 0), 45)).words()).isEqualTo(words);
        assertThat(now(script(profile, report, standing(60, false, 35.0, true, 0.0, null, 24, 118, 0), 45)).words()).isNotEqualTo(words);
    }

    @Test
    void fuelThatStillFlowsAsksForTheSecondMeans() {
        StartProfile profile = TestProfiles.byHand();
        AttemptReport report = BadStarts.all().get(FindingId.CUT_NOT_EFFECTIVE).apply(profile).start().judged();
        assertThat(now(script(profile, report, standing(40, false, 30.0, true, 0.0, null, 30, 400, 40), 45)).words())
                .isEqualTo("Use the isolation handle: fuel still flows at 40 kg/h");
    }

    @Test
    void aStartComputerMakesNoSecondTry() {
        StartProfile profile = TestProfiles.byComputer();
        List<Step> steps = script(profile, noLight(profile), standing(100, false, 30.0, false, 0.0, 65.0, 0, 20, 0), 0);
        assertThat(now(steps).words()).startsWith("No second try");
    }
}
