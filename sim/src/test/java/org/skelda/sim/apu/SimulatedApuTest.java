package org.skelda.sim.apu;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.limit.Limit;

/** What the simulated APU does, read as a feed reads it. */
class SimulatedApuTest {

    private static Watching started(ApuProfile profile, long seed) {
        Watching watching = new Watching(profile, seed);
        watching.move("apu/master", "on");
        watching.pass(watching.profile().rule().ready().plusSeconds(1));
        watching.move("apu/start", "on");
        return watching;
    }

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void aGoodStartIsReadRungByRungAndPassesNoLimit(String type) {
        ApuProfile profile = Fleet.apu(type);
        for (int seed = 0; seed < 20; seed++) {
            Watching watching = started(profile, seed);
            watching.pass(Duration.ofSeconds(40));
            assertThat(watching.truth().phase()).isEqualTo(Phase.AVAILABLE);
            assertThat(watching.desk().phase()).isEqualTo(Phase.AVAILABLE);
            assertThat(watching.desk().run().seen().keySet()).containsExactlyInAnyOrder(ApuMilestone.values());
            watching.move("apu/generator", "on");
            watching.move("apu/bleed", "on");
            watching.pass(profile.rule().bleedAfter().plusSeconds(1));
            assertThat(watching.truth().bleeds()).isTrue();
            assertThat(watching.desk().run().bleed()).isTrue();
            assertThat(watching.desk().run().generator()).isTrue();
            watching.pass(Duration.ofSeconds(30));
            assertThat(watching.facts(ApuFact.ApuTooHot.class)).isEmpty();
            assertThat(watching.facts(ApuFact.ApuPeak.class))
                    .singleElement()
                    .satisfies(peak -> assertThat(peak.peak_C())
                            .isBetween(
                                    profile.runningMax_C(),
                                    profile.startLimits().getFirst().value()))
                    .satisfies(peak -> assertThat(peak.seenFrom()).isNull());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void aPeakSaysFromWhenOnItWasSeen(String type) {
        ApuProfile profile = Fleet.apu(type);
        for (UnaryOperator<Watching> comes :
                List.<UnaryOperator<Watching>>of(Watching::watchedFromHereOn, Watching::watchedAnew)) {
            Watching begun = started(profile, 5);
            begun.untilPhase(Phase.STARTING);
            begun.pass(Duration.ofSeconds(8));
            Watching late = comes.apply(begun);
            Instant first = late.now().plusMillis(100);
            late.pass(Duration.ofSeconds(60));
            assertThat(late.truth().phase()).isEqualTo(Phase.AVAILABLE);
            late.move("apu/master", "off");
            late.pass(profile.rule().coolDown().plusSeconds(120));
            List<ApuFact.ApuPeak> peaks = late.facts(ApuFact.ApuPeak.class);
            assertThat(peaks).hasSize(2);
            assertThat(peaks.getFirst().starting()).isTrue();
            assertThat(peaks.getFirst().seenFrom()).isEqualTo(first);
            assertThat(peaks.getLast().starting()).isFalse();
            assertThat(peaks.getLast().seenFrom()).as("its run was seen whole").isNull();
        }
    }

    @Test
    void itsAirStaysShutUntilItIsWarmThrough() {
        ApuProfile profile = Fleet.apu("havern-2m");
        Watching watching = started(profile, 3);
        watching.move("apu/bleed", "on");
        watching.pass(Duration.ofSeconds(60));
        assertThat(watching.truth().phase()).isEqualTo(Phase.AVAILABLE);
        assertThat(watching.truth().bleeds()).isFalse();
        assertThat(watching.desk().run().bleed()).isFalse();
        watching.pass(profile.rule().bleedAfter());
        assertThat(watching.truth().bleeds()).isTrue();
        assertThat(watching.desk().run().bleed()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void aHotStartPassesItsLimitsAndIsTold(String type) {
        ApuProfile profile = Fleet.apu(type);
        Watching watching = new Watching(profile, 1);
        watching.move("apu/goes-wrong", "hot");
        watching.move("apu/master", "on");
        watching.pass(profile.rule().ready().plusSeconds(1));
        watching.move("apu/start", "on");
        watching.untilTold(ApuFact.ApuTooHot.class);
        Set<Double> passed = watching.facts(ApuFact.ApuTooHot.class).stream()
                .map(ApuFact.ApuTooHot::limit_C)
                .collect(Collectors.toSet());
        double never = profile.startLimits().stream()
                .filter(limit -> limit.allowed().isZero())
                .findFirst()
                .orElseThrow()
                .value();
        assertThat(passed).containsExactly(never);
        assertThat(watching.desk().phase()).isEqualTo(Phase.STARTING);
        watching.move("apu/master", "off");
        watching.pass(Duration.ofSeconds(1));
        assertThat(watching.desk().phase()).isEqualTo(Phase.SPOOLING_DOWN);
        assertThat(watching.desk().triesLeft()).isEqualTo(profile.rule().tries() - 1);
    }

    @ParameterizedTest
    @CsvSource({"havern-2m,nothing", "havern-2a,nothing", "havern-4,nothing", "teista-b2,nothing", "havern-2a,hot"})
    void whatOthersTellMeanwhileBeginsNothingAnew(String type, String wrong) {
        ApuProfile profile = Fleet.apu(type);
        List<List<ApuFact>> told = new ArrayList<>();
        for (Watching watching : List.of(new Watching(profile, 4), new Watching(profile, 4).whileOthersTell())) {
            watching.move("apu/goes-wrong", wrong);
            watching.move("apu/master", "on");
            watching.pass(profile.rule().ready().plusSeconds(1));
            watching.move("apu/start", "on");
            watching.pass(Duration.ofSeconds(90));
            watching.move("apu/generator", "on");
            watching.pass(profile.rule().bleedAfter());
            watching.move("apu/master", "off");
            watching.pass(profile.rule().coolDown().plusSeconds(120));
            told.add(watching.facts(ApuFact.class));
        }
        assertThat(told.getLast()).isEqualTo(told.getFirst());
        assertThat(told.getFirst()).hasAtLeastOneElementOfType(ApuFact.ApuPeak.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void aLimitThatAllowsSecondsIsPassedByThemAlsoWhereOthersTellSomethingMeanwhile(String type) {
        ApuProfile profile = Fleet.apu(type);
        Limit allowsSome = profile.startLimits().stream()
                .filter(limit -> limit.allowed().isPositive())
                .findFirst()
                .orElseThrow();
        Watching watching = started(profile, 3)
                .whileOthersTell()
                .through(sample -> sample.speed_pct() < 12 || sample.speed_pct() > 94
                        ? sample
                        : withTemperature(sample, allowsSome.value() + 5));
        watching.untilTold(ApuFact.ApuTooHot.class);
        ApuFact.ApuTooHot hot = watching.facts(ApuFact.ApuTooHot.class).getFirst();
        assertThat(hot.limit_C()).isEqualTo(allowsSome.value());
        assertThat(hot.allowed()).isEqualTo(allowsSome.allowed());
    }

    private static ApuSample withTemperature(ApuSample sample, double temperature_c) {
        return new ApuSample(
                sample.at_us(),
                sample.speed_pct(),
                temperature_c,
                sample.master(),
                sample.start(),
                sample.ready(),
                sample.generator(),
                sample.bleed(),
                sample.battery(),
                sample.emergency(),
                sample.latched(),
                sample.stopped());
    }

    @ParameterizedTest
    @CsvSource({"no-light", "hangs"})
    void oneThatDoesNotComeUpStopsItselfForUnderspeed(String what) {
        Watching watching = new Watching(Fleet.apu("havern-2a"), 2);
        watching.move("apu/goes-wrong", what);
        watching.move("apu/master", "on");
        watching.pass(Duration.ofSeconds(9));
        watching.move("apu/start", "on");
        watching.pass(Duration.ofSeconds(60));
        assertThat(watching.desk().tries().stopped()).isEqualTo(AutomaticStop.UNDERSPEED);
        assertThat(watching.desk().run().seen().containsKey(ApuMilestone.LIGHT)).isEqualTo(what.equals("hangs"));
    }

    @Test
    void aDoorThatSticksIsNeverReady() {
        Watching watching = new Watching(Fleet.apu("teista-b2"), 2);
        watching.move("apu/goes-wrong", "door-stuck");
        watching.move("apu/master", "on");
        watching.pass(Duration.ofSeconds(30));
        watching.move("apu/start", "on");
        watching.pass(Duration.ofSeconds(5));
        assertThat(watching.truth().phase()).isEqualTo(Phase.POWERED);
        assertThat(watching.desk().phase()).isEqualTo(Phase.POWERED);
        assertThat(watching.desk().run().readySeen()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"fire", "overspeed", "bleed-duct-hot", "controller-lost"})
    void whyItStoppedItselfIsTold(String why) {
        Watching watching = started(Fleet.apu("havern-2m"), 5);
        watching.pass(Duration.ofSeconds(60));
        watching.move("apu/goes-wrong", "stops-" + why);
        watching.pass(Duration.ofSeconds(1));
        assertThat(watching.desk().phase()).isEqualTo(Phase.SPOOLING_DOWN);
        assertThat(watching.desk()
                        .tries()
                        .stopped()
                        .name()
                        .toLowerCase(java.util.Locale.ROOT)
                        .replace('_', '-'))
                .isEqualTo(why);
    }

    @Test
    void batteriesOffTooEarlyLatchAFaultThatOnlyThePanelOutsideResets() {
        ApuProfile profile = Fleet.apu("havern-2m");
        Watching watching = started(profile, 5);
        watching.pass(Duration.ofSeconds(60));
        watching.move("apu/master", "off");
        watching.untilPhase(Phase.STOPPED);
        watching.pass(profile.rule().batteriesAfter().minusSeconds(2));
        watching.move("apu/batteries", "off");
        watching.pass(Duration.ofSeconds(5));
        assertThat(watching.truth().isLatched()).isTrue();
        assertThat(watching.desk().latched()).isTrue();
        watching.move("apu/batteries", "on");
        watching.move("apu/master", "on");
        watching.pass(Duration.ofSeconds(5));
        assertThat(watching.truth().phase()).isEqualTo(Phase.OFF);
        assertThat(watching.desk().phase()).isEqualTo(Phase.OFF);
    }

    @Test
    void aFeedThatComesWhileItRunsFindsItRunning() {
        Watching before = started(Fleet.apu("havern-2m"), 8);
        before.move("apu/generator", "on");
        before.pass(Duration.ofSeconds(60));
        Watching late = before.watchedAnew();
        late.pass(Duration.ofSeconds(1));
        assertThat(late.desk().phase()).isEqualTo(Phase.AVAILABLE);
        assertThat(late.desk().run().generator()).isTrue();
        assertThat(late.desk().bleedAllowedAt())
                .as("what is not known to be warm counts from now")
                .hasValueSatisfying(at -> assertThat(at).isAfter(late.now().plusSeconds(70)));
    }

    @Test
    void oneThatWasToldToGiveAirGoesOnGivingIt() {
        Watching told = started(Fleet.apu("havern-2a"), 4);
        told.move("apu/generator", "on");
        told.move("apu/bleed", "on");
        told.pass(Duration.ofSeconds(120));
        Watching taken = told.goneOn();
        taken.pass(Duration.ofSeconds(20));
        assertThat(taken.facts(ApuFact.ApuTold.class)).isEmpty();
        assertThat(taken.facts(ApuFact.ApuTooHot.class)).isEmpty();
        assertThat(taken.desk().phase()).isEqualTo(Phase.AVAILABLE);
        assertThat(taken.desk().run().bleed()).isTrue();
        assertThat(taken.desk().run().generator()).isTrue();
        taken.move("apu/bleed", "off");
        taken.move("apu/master", "off");
        taken.pass(Duration.ofSeconds(1));
        assertThat(taken.desk().phase()).isEqualTo(Phase.COOLING);
    }

    @Test
    void aStartThatWasToldLongAgoComesUpAndIsNotGivenUp() {
        Watching told = started(Fleet.apu("havern-2m"), 4);
        told.pass(Duration.ofSeconds(2));
        Instant later = told.now().plusSeconds(300);
        SimulatedApu apu = SimulatedApu.as(told.profile(), 4, micros(later), told.desk());
        apu.advanceTo(micros(later.plusSeconds(20)));
        assertThat(apu.phase()).isEqualTo(Phase.AVAILABLE);
    }

    private static long micros(Instant at) {
        return at.getEpochSecond() * 1_000_000;
    }

    @Test
    void whatItDoesNotHaveIsSaid() {
        SimulatedApu apu = new SimulatedApu(Fleet.apu("havern-2m"), 1, 0);
        assertThatThrownBy(() -> apu.move("apu/hatch", "on", 0)).hasMessageContaining("apu/hatch");
        assertThatThrownBy(() -> apu.move("apu/goes-wrong", "tired", 0)).hasMessageContaining("tired");
    }

    @Test
    void theSameSeedGivesTheSameReadings() {
        List<Object> first = new ArrayList<>();
        List<Object> second = new ArrayList<>();
        for (List<Object> readings : List.of(first, second)) {
            SimulatedApu apu = new SimulatedApu(Fleet.apu("havern-4"), 42, 0);
            apu.move("apu/master", "on", 0);
            apu.move("apu/start", "on", 13_000_000);
            for (long at = 0; at < 60_000_000; at += 100_000) {
                apu.advanceTo(at);
                readings.add(apu.sample());
            }
        }
        assertThat(first).isEqualTo(second);
    }

    /** The moment is not what is looked at here. */
    static final Instant BEGIN = Instant.parse("2026-05-04T10:00:00Z");
}
