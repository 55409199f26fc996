package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What the desk of a start shows at each sample: rungs in order, never going back, and readings with their margins. */
class LadderTest {

    static Stream<StartProfile> profiles() {
        return Stream.of(TestProfiles.byHand(), TestProfiles.onCurrent(), TestProfiles.byComputer());
    }

    private record Shown(AttemptReport report, List<Ladder.Rung> rungs, List<Lane> lanes) {}

    private static List<Shown> shown(StartProfile profile, SimpleStart start) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        List<Shown> all = new ArrayList<>();
        for (Sample sample : start.samples()) {
            monitor.accept(sample);
            AttemptReport report = monitor.running().orElse(null);
            if (report != null) {
                all.add(new Shown(
                        report,
                        Ladder.of(
                                profile,
                                report,
                                report.lasted(),
                                Advised.of("Engine 1", monitor).verdict().next(),
                                null,
                                null),
                        Lane.all(profile, monitor, report, 0)));
            }
        }
        return all;
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aRungThatIsDoneStaysDoneAndAtMostOneIsNextOfEach(StartProfile profile) {
        List<String> done = List.of();
        for (Shown one : shown(profile, SimpleStart.of(profile))) {
            List<String> now = one.rungs().stream()
                    .filter(rung -> rung.state() == Ladder.State.DONE)
                    .map(Ladder.Rung::words)
                    .toList();
            assertThat(now).containsAll(done);
            assertThat(one.rungs().stream()
                            .filter(rung -> rung.state() == Ladder.State.NOW && rung.milestone() != null))
                    .hasSizeLessThanOrEqualTo(1);
            done = now;
        }
        assertThat(done)
                .hasSize(Ladder.of(profile, null, Duration.ZERO, null, null, null)
                        .size());
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void theFlowIsHeldToItsCutUntilAWhileAfterLightOffAndNoLonger(StartProfile profile) {
        Map<Boolean, List<String>> byHeld = shown(profile, SimpleStart.of(profile)).stream()
                .collect(Collectors.partitioningBy(
                        one -> {
                            Duration lit = one.report().milestones().get(Milestone.LIGHT_OFF);
                            return lit == null || one.report().lasted().compareTo(lit.plusSeconds(3)) <= 0;
                        },
                        Collectors.flatMapping(
                                one -> one.lanes().stream()
                                        .filter(lane -> lane.parameter() == Parameter.FLOW && lane.value() != null)
                                        .map(Lane::note),
                                Collectors.toList())));
        String most = String.format(Locale.ROOT, "%.0f", profile.fuel().cutAbove_kgph());
        assertThat(byHeld.get(true)).isNotEmpty().allMatch(note -> note.endsWith(" below " + most + " at light-off"));
        assertThat(byHeld.get(false)).isNotEmpty().containsOnly(most + " was for light-off only");
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void beforeTheStarterNothingIsDoneOrCounted(StartProfile profile) {
        assertThat(Ladder.of(profile, null, Duration.ZERO, null, null, null))
                .isNotEmpty()
                .allSatisfy(rung -> {
                    assertThat(rung.state()).isEqualTo(Ladder.State.NEXT);
                    assertThat(rung.left()).isNull();
                });
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aTemperatureThatIsNoLongerReadHasNotTurnedOver(StartProfile profile) {
        StartMonitor monitor = new StartMonitor(profile, 0);
        SimpleStart start = SimpleStart.of(profile);
        long until_us =
                start.samples().getFirst().at_us() + Math.round((SimpleStart.LEAD_IN_s + start.fuelAt() + 5.5) * 1e6);
        start.samples().stream().filter(sample -> sample.at_us() <= until_us).forEach(monitor::accept);
        AttemptReport before = monitor.running().orElseThrow();
        assertThat(before.milestones()).containsKey(Milestone.LIGHT_OFF);
        monitor.advanceTo(until_us + 8_000_000);
        AttemptReport silent = monitor.running().orElseThrow();
        assertThat(silent.peak()).isEqualTo(before.peak());
        assertThat(Ladder.of(profile, silent, silent.lasted(), null, null, null))
                .filteredOn(rung -> rung.milestone() == null && rung.tap() == null)
                .singleElement()
                .satisfies(rung -> assertThat(rung.state()).isNotEqualTo(Ladder.State.DONE));
    }

    @Test
    void fuelThatIsNotAllowedYetIsLookedForOnItsOwnRung() {
        assertThat(Ladder.of(TestProfiles.byHand(), null, Duration.ZERO, Milestone.FUEL_ALLOWED, null, null))
                .filteredOn(rung -> rung.state() == Ladder.State.NOW)
                .singleElement()
                .satisfies(rung -> assertThat(rung.milestone()).isEqualTo(Milestone.FUEL_ON));
    }

    @Test
    void aWindowThatHasPassedIsLate() {
        StartProfile profile = TestProfiles.byHand();
        Shown last = shown(profile, SimpleStart.of(profile).with(Parameter.TEMPERATURE, (_, _) -> 40))
                .getLast();
        assertThat(last.rungs())
                .filteredOn(rung -> rung.milestone() == Milestone.LIGHT_OFF)
                .singleElement()
                .satisfies(rung -> assertThat(rung.state()).isEqualTo(Ladder.State.LATE));
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void everyLaneHasItsReadingAndItsMargin(StartProfile profile) {
        for (Shown one : shown(profile, SimpleStart.of(profile))) {
            assertThat(one.lanes())
                    .hasSize(6)
                    .allSatisfy(lane -> assertThat(lane.note()).isNotBlank());
        }
        Shown blind =
                shown(profile, SimpleStart.of(profile).without(Parameter.OIL)).getLast();
        assertThat(blind.lanes())
                .filteredOn(lane -> lane.parameter() == Parameter.OIL)
                .singleElement()
                .satisfies(lane -> {
                    assertThat(lane.value()).isNull();
                    assertThat(lane.note()).isEqualTo("no reading");
                });
    }

    @Test
    void theMarginOfTheTemperatureIsToldForEveryLimit() {
        StartProfile profile = TestProfiles.byHand();
        Shown last = shown(profile, SimpleStart.of(profile)).getLast();
        Lane temperature = last.lanes().stream()
                .filter(lane -> lane.parameter() == Parameter.TEMPERATURE)
                .findFirst()
                .orElseThrow();
        profile.temperatureLimits()
                .forEach(limit -> assertThat(temperature.note()).contains(String.format("below %.0f", limit.value())));
        assertThat(temperature.forecast_s()).isNull();
    }
}
