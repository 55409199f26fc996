package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.TappedStart.Told;
import org.skelda.core.start.TappedWatch.Question;

/**
 * A start that the crew tells tap by tap: the ladder and the clocks of any start, and a cut only on what the crew says.
 */
class TappedStartTest {
    private static final StartProfile JET = TestProfiles.byHand();

    private static TappedStart taps(Object... tapsAndSeconds) {
        TappedStart start = TappedStart.begun("p-1");
        for (int i = 0; i < tapsAndSeconds.length; i += 2) {
            start = start.with(new Told(
                    (Tap) tapsAndSeconds[i], seconds(((Number) tapsAndSeconds[i + 1]).doubleValue()), true, "p-1"));
        }
        return start;
    }

    private static Duration seconds(double seconds) {
        return Duration.ofMillis(Math.round(seconds * 1000));
    }

    private static List<String> asked(StartProfile profile, TappedStart start, double now) {
        return watch(profile, start).questions().stream()
                .filter(question -> question.due().compareTo(seconds(now)) <= 0)
                .map(Question::words)
                .toList();
    }

    private static TappedWatch watch(StartProfile profile, TappedStart start) {
        return new TappedWatch(profile, start, Clearing.Left.NOTHING);
    }

    private static StartAdvice advice(StartProfile profile, TappedStart start, double now) {
        StarterDuty.NextTry next = new StarterDuty.NextTry(
                2,
                3,
                java.time.Instant.EPOCH,
                profile.starter().allowed(),
                profile.starter().engageAtOrBelow_pct(),
                2);
        return watch(profile, start)
                .advice(
                        "Engine 2",
                        List.of(new TappedWatch.Attempt(start, seconds(now))),
                        start.has(Tap.FLOW_FALLS),
                        next,
                        Duration.ZERO);
    }

    private static Verdict verdict(TappedStart start, double now) {
        return advice(JET, start, now).verdict();
    }

    @Test
    void theSameLadderWithItsWindowsAndWhatComesNext() {
        TappedStart start = taps(Tap.ROTATION, 1.5, Tap.FAN_ROTATION, 9, Tap.FUEL_ON, 21);
        List<Ladder.Rung> rungs = advice(JET, start, 26).ladder();
        assertThat(rungs)
                .filteredOn(rung -> rung.milestone() == Milestone.LIGHT_OFF)
                .singleElement()
                .satisfies(rung -> {
                    assertThat(rung.state()).isEqualTo(Ladder.State.NOW);
                    assertThat(rung.left()).isEqualTo(seconds(7));
                });
        assertThat(rungs)
                .filteredOn(rung -> rung.milestone() == Milestone.FUEL_ON)
                .singleElement()
                .satisfies(rung -> assertThat(rung.state()).isEqualTo(Ladder.State.DONE));
    }

    @Test
    void passingARungOverPassesThoseBeforeIt() {
        assertThat(watch(JET, taps()).next()).isEqualTo(Milestone.VALVE_OPEN);
        assertThat(watch(TestProfiles.onCurrent(), taps()).next()).isEqualTo(Milestone.ROTATION);
        assertThat(watch(JET, taps(Tap.FAN_ROTATION, 8)).next()).isEqualTo(Milestone.FUEL_ON);
        assertThat(watch(JET, taps(Tap.FUEL_ON, 20)).next()).isEqualTo(Milestone.LIGHT_OFF);
        assertThat(watch(JET, taps(Tap.FUEL_ON, 20, Tap.FUEL_OFF, 30)).next()).isNull();
    }

    @Test
    void aWindowThatPassesAsksAndCallsForNothing() {
        TappedStart start = taps(Tap.ROTATION, 1, Tap.OIL_RISING, 4, Tap.FAN_ROTATION, 9, Tap.FUEL_ON, 20);
        assertThat(asked(JET, start, 31.9)).isEmpty();
        assertThat(asked(JET, start, 32)).containsExactly("12 s since fuel: lit? No light-off: fuel lever OFF");
        assertThat(verdict(start, 60).call()).isEqualTo(Verdict.Call.ON_TRACK);
        assertThat(verdict(start, 60).note()).contains("every gauge");
    }

    @Test
    void onlyWhatTheCrewSaysCallsForACut() {
        TappedStart start =
                taps(Tap.ROTATION, 1, Tap.OIL_RISING, 4, Tap.FAN_ROTATION, 9, Tap.FUEL_ON, 20, Tap.NOT_LIT, 33);
        Verdict verdict = verdict(start, 33.1);
        assertThat(verdict.sentence()).isEqualTo("Engine 2: cut the fuel");
        assertThat(verdict.reasons()).containsExactly("The crew says: no light-off, 33.0 s after the starter.");
        assertThat(verdict.note()).isEqualTo("Cutting the fuel does not stop the starter: it stays on.");
        assertThat(start.outcome().code()).isEqualTo("NO_LIGHT_OFF");
        assertThat(asked(JET, start, 34)).isEmpty();
    }

    @Test
    void everyWindowHasItsQuestion() {
        assertThat(asked(JET, taps(), 5)).containsExactly("5 s since the starter: does N2 turn? If not: starter OFF");
        assertThat(asked(JET, taps(Tap.ROTATION, 2), 22))
                .containsExactly("20 s since it turned: is oil pressure rising? If not: starter OFF");
        TappedStart dark = taps(Tap.ROTATION, 2, Tap.OIL_RISING, 5, Tap.FUEL_ON, 20);
        assertThat(asked(JET, dark, 20)).containsExactly("Fuel is on: does the fan turn? If not: fuel lever OFF");
        assertThat(asked(TestProfiles.onCurrent(), dark, 20))
                .containsExactly("Is ignition ON? If not: starter OFF, no fuel");
        assertThat(asked(TestProfiles.onCurrent(), dark.with(new Told(Tap.LIGHT_OFF, seconds(23), true, "p-1")), 23))
                .contains("It is lit: does the propeller turn? If not: fuel lever OFF");
        TappedStart lit = dark.with(new Told(Tap.FAN_ROTATION, seconds(20), false, "p-1"))
                .with(new Told(Tap.LIGHT_OFF, seconds(23), true, "p-1"));
        assertThat(asked(JET, lit, 100))
                .containsExactly(
                        "60 s since the starter: is it out, at 48 %?",
                        "75 s since the starter: at idle?", "100 s of starter: is it off?");
        TappedStart cut = lit.with(new Told(Tap.FUEL_OFF, seconds(30), true, "p-1"));
        assertThat(asked(JET, cut, 33))
                .containsExactly("3 s since the cut: do flow and EGT fall? If not: the isolation handle");
    }

    @Test
    void fuelThatFlowsOnAsksForTheSecondMeansUntilItFalls() {
        TappedStart flows =
                taps(Tap.FUEL_ON, 20, Tap.LIGHT_OFF, 23, Tap.TOO_HOT, 26, Tap.FUEL_OFF, 27, Tap.FLOW_STAYS, 31);
        assertThat(verdict(flows, 32).sentence()).isEqualTo("Engine 2: use the isolation handle");
        assertThat(watch(JET, flows).questions())
                .filteredOn(question -> question.yes() == Tap.FLOW_FALLS)
                .singleElement()
                .satisfies(question -> assertThat(question.no()).isNull());
        TappedStart falls = flows.with(new Told(Tap.FLOW_FALLS, seconds(36), false, "p-1"));
        assertThat(verdict(falls, 37).call()).isEqualTo(Verdict.Call.AFTER_CUT);
        assertThat(falls.outcome().code()).isEqualTo("HOT_START");
    }

    @Test
    void theStarterOffOnAnUnlitEngineWithFuelIsACut() {
        TappedStart start = taps(Tap.ROTATION, 1, Tap.FUEL_ON, 20, Tap.STARTER_OFF, 24);
        assertThat(verdict(start, 24).sentence()).isEqualTo("Engine 2: cut the fuel");
        assertThat(start.milestones()).doesNotContainKey(Milestone.STARTER_OUT);
    }

    @Test
    void aTimeComesOnlyFromTapsThatWereToldAsTheyHappened() {
        TappedStart told = taps(Tap.FUEL_ON, 20, Tap.LIGHT_OFF, 23.4, Tap.STARTER_OFF, 40, Tap.IDLE, 47);
        assertThat(told.report(seconds(47)).figures().timeToLightOff()).isEqualTo(seconds(3.4));
        assertThat(told.report(seconds(47)).figures().timeToIdle()).isEqualTo(seconds(47));
        assertThat(told.report(seconds(47)).figures().starterOn()).isEqualTo(seconds(40));
        assertThat(told.outcome().code()).isEqualTo("NORMAL");
        TappedStart answered = taps(Tap.FUEL_ON, 20).with(new Told(Tap.LIGHT_OFF, seconds(33), false, "p-1"));
        assertThat(answered.report(seconds(34)).figures().timeToLightOff()).isNull();
        assertThat(answered.milestones()).containsKey(Milestone.LIGHT_OFF);
    }

    @Test
    void howItEnded() {
        assertThat(taps(Tap.ROTATION, 1, Tap.STARTER_OFF, 20).outcome().code()).isEqualTo("DRY_MOTOR");
        assertThat(taps(Tap.FUEL_ON, 20, Tap.FUEL_OFF, 25).outcome().code()).isEqualTo("CREW_ABORT");
        assertThat(taps(Tap.FUEL_ON, 20, Tap.FUEL_OFF, 25).ended()).isFalse();
        assertThat(taps(Tap.FUEL_ON, 20, Tap.FUEL_OFF, 25, Tap.STARTER_OFF, 55).endedAt())
                .isEqualTo(seconds(55));
        assertThat(taps(Tap.FUEL_ON, 20).outcome().code()).isEqualTo("INCOMPLETE");
        assertThatThrownBy(() -> new TappedStart(List.of(new Told(Tap.FUEL_ON, Duration.ZERO, true, "p-1"))))
                .isInstanceOf(IllegalArgumentException.class);
    }

    static LongStream seeds() {
        return LongStream.range(0, 300);
    }

    /**
     * Whatever is tapped, in whatever order: no act without a crew's word, no question that is answered, and a tap less
     * undoes a tap more.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void holdsForEverySequenceOfTaps(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        StartProfile profile = TestProfiles.all().get(random.nextInt(3));
        List<Tap> left = new ArrayList<>(List.of(Tap.values()));
        left.remove(Tap.STARTER_ON);
        left.remove(Tap.IGNITION_ON);
        TappedStart start = TappedStart.begun("p-1");
        double now = 0;
        while (!left.isEmpty() && random.nextInt(20) != 0) {
            now += random.nextDouble(0.1, 15);
            Tap tap = left.remove(random.nextInt(left.size()));
            TappedStart before = start;
            start = start.with(new Told(tap, seconds(now), random.nextBoolean(), "p-1"));
            assertThat(start.without(tap)).isEqualTo(before);
            TappedWatch watch = watch(profile, start);
            TappedStart known = start;
            assertThat(watch.questions())
                    .noneMatch(
                            question -> known.has(question.yes()) || question.no() != null && known.has(question.no()));
            assertThat(watch.wrongs()).noneMatch(offer -> known.has(offer.tap()));
            StartAdvice advice = advice(profile, start, now + 200);
            Verdict verdict = advice.verdict();
            boolean acts = verdict.call() != Verdict.Call.ON_TRACK
                    && verdict.call() != Verdict.Call.RESTING
                    && verdict.call() != Verdict.Call.AFTER_CUT
                    && !(verdict.call() == Verdict.Call.STOP_STARTER && known.has(Tap.FUEL_OFF));
            assertThat(acts
                            && known.taps().stream()
                                    .noneMatch(told -> told.tap().says() != null || told.tap() == Tap.STARTER_OFF))
                    .isFalse();
            if (verdict.call() == Verdict.Call.CUT_FUEL) {
                assertThat(known.fuel()).isTrue();
            }
            assertThat(known.ended()).isEqualTo(known.report(seconds(now)).ended());
            assertThat(advice.ladder().stream()
                            .filter(rung -> rung.state() == Ladder.State.NOW && rung.milestone() != null)
                            .count())
                    .isLessThanOrEqualTo(1);
        }
    }
}
