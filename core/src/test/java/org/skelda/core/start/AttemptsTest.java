package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Where one attempt ends and the next begins, what is owed between them, and what is watched after a cut. */
class AttemptsTest {

    static List<StartProfile> profiles() {
        return TestProfiles.all();
    }

    private static double engageAt(StartProfile profile) {
        return Objects.requireNonNullElse(profile.starter().engageAtOrBelow_pct(), 30.0);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aStarterThatEngagesAgainAtItsSpeedBeginsTheNextAttempt(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .cut()
                .starter(false)
                .spool(engageAt(profile))
                .for_s(1)
                .starter(true)
                .for_s(1);
        assertThat(engine.attempts()).hasSize(2);
        assertThat(engine.attempts().getFirst().ended()).isTrue();
        assertThat(engine.attempts().getFirst().outcome().code()).isEqualTo("CREW_ABORT");
        assertThat(engine.findings(1)).isEmpty();
        assertThat(engine.attempts().get(1).startedAt_us())
                .isEqualTo(engine.attempts().getFirst().startedAt_us()
                        + engine.attempts().getFirst().lasted().toNanos() / 1000);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aStarterThatEngagesAgainAboveItsSpeedStaysInItsAttemptAndIsFound(StartProfile profile) {
        assumeThat(profile.starter().engageAtOrBelow_pct()).isNotNull();
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .cut()
                .starter(false)
                .spool(engageAt(profile) + 1)
                .for_s(1)
                .starter(true)
                .for_s(1);
        assertThat(engine.attempts()).hasSize(1);
        assertThat(engine.findings(0)).containsExactly(FindingId.STARTER_REENGAGED);
        assertThat(engine.attempts().getFirst().findings().getFirst().action()).isEqualTo(Action.STOP_STARTER);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aDryMotorThatIsStoppedAndEngagedAgainIsTwoAttempts(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .starter(true)
                .spool(8)
                .for_s(4)
                .starter(false)
                .for_s(1)
                .starter(true)
                .for_s(1);
        assertThat(engine.attempts())
                .extracting(report -> report.outcome().code())
                .containsExactly("DRY_MOTOR", "INCOMPLETE");
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void fuelThatWasOnBeforeTheStarterComesOnWithIt(StartProfile profile) {
        HandFlown engine =
                new HandFlown(profile).fuel(true).for_s(1).starter(true).for_s(1);
        assertThat(engine.attempts().getFirst().milestones()).containsEntry(Milestone.FUEL_ON, Duration.ZERO);
        assertThat(engine.findings(0)).contains(FindingId.FUEL_EARLY);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void anEngineThatRunsWhenTheStarterEngagesHasNoFuelOn(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .fuel(true)
                .spool(profile.fuel().minimum_pct())
                .for_s(1)
                .starter(true)
                .for_s(2);
        assertThat(engine.attempts().getFirst().reached(Milestone.FUEL_ON)).isEmpty();
        engine.fuel(false).for_s(1).fuel(true).for_s(1);
        assertThat(engine.attempts().getFirst().reached(Milestone.FUEL_ON)).isEmpty();
        assertThat(engine.findings(0)).contains(FindingId.RELIGHT_AFTER_CUT);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aSpoolThatStillTurnsMustTurnUp(StartProfile profile) {
        HandFlown engine =
                new HandFlown(profile).spool(6).for_s(1).starter(true).for_s(6);
        assertThat(engine.findings(0)).contains(FindingId.NO_ROTATION);
        HandFlown turning = new HandFlown(profile)
                .spool(6)
                .for_s(1)
                .starter(true)
                .for_s(1)
                .spool(7)
                .for_s(5);
        assertThat(turning.findings(0)).doesNotContain(FindingId.NO_ROTATION);
        assertThat(turning.attempts().getFirst().reached(Milestone.ROTATION)).isPresent();
    }

    /** Seconds of starter that clear an engine of fuel that never lit. */
    private static double turnUnlit_s(StartProfile profile) {
        return profile.remedy().turnUnlit().toMillis() / 1000.0;
    }

    private static double drain_s(StartProfile profile) {
        return profile.remedy().drain().toMillis() / 1000.0;
    }

    private static HandFlown secondTry(HandFlown engine) {
        return engine.starter(false).spool(0).for_s(1).toFuel();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void fuelThatNeverLitIsOwedTheTypesClearing(StartProfile profile) {
        assertThat(secondTry(new HandFlown(profile).toFuel().cut()).findings(1)).contains(FindingId.NOT_CLEARED);
        for (double part : new double[] {0.9, 1.01}) {
            HandFlown engine = new HandFlown(profile).toFuel().cut();
            if (drain_s(profile) > 0) {
                engine.starter(false)
                        .spool(8)
                        .for_s(drain_s(profile) + 0.2)
                        .starter(true)
                        .spool(9);
            }
            engine.spool(8).for_s(part * turnUnlit_s(profile));
            // The second try turns on the starter too before its fuel, but with ignition on.
            List<FindingId> found = new ArrayList<>(secondTry(engine).attempts().getLast().findings().stream()
                    .map(Finding::id)
                    .toList());
            assertThat(found.contains(FindingId.NOT_CLEARED))
                    .as("%.2f of the time turned", part)
                    .isEqualTo(part < 1);
        }
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void starterTimeWithIgnitionOnClearsNothing(StartProfile profile) {
        HandFlown engine = new HandFlown(profile).toFuel().cut();
        engine.starter(false)
                .spool(8)
                .for_s(drain_s(profile) + 1)
                .starter(true)
                .ignition(true)
                .for_s(turnUnlit_s(profile) + 1);
        assertThat(secondTry(engine).attempts().getLast().findings())
                .extracting(Finding::id)
                .contains(FindingId.NOT_CLEARED);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aDrainIsWithoutABreak(StartProfile profile) {
        assumeThat(drain_s(profile)).isPositive();
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .cut()
                .starter(false)
                .spool(8)
                .for_s(drain_s(profile) / 2)
                .starter(true)
                .for_s(1)
                .starter(false)
                .for_s(drain_s(profile) / 2 + 1)
                .starter(true)
                .for_s(turnUnlit_s(profile) + 1);
        assertThat(secondTry(engine).attempts().getLast().findings())
                .extracting(Finding::id)
                .contains(FindingId.NOT_CLEARED);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void fuelThatLitIsOwedWhatTheTypeTurnsAfterIt(StartProfile profile) {
        boolean owes = !profile.remedy().turnLit().isZero();
        HandFlown engine = new HandFlown(profile).toFuel().lit().cut().temperature(20);
        assertThat(secondTry(engine).findings(1).contains(FindingId.NOT_CLEARED))
                .isEqualTo(owes);
        HandFlown turned = new HandFlown(profile)
                .toFuel()
                .lit()
                .cut()
                .temperature(20)
                .spool(10)
                .for_s(profile.remedy().turnLit().toSeconds());
        assertThat(secondTry(turned).findings(1)).doesNotContain(FindingId.NOT_CLEARED);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void whatIsOwedIsForgottenAfterHalfAnHour(StartProfile profile) {
        HandFlown engine =
                new HandFlown(profile).toFuel().cut().starter(false).spool(0).for_s(1800);
        assertThat(secondTry(engine).attempts().getLast().findings())
                .extracting(Finding::id)
                .doesNotContain(FindingId.NOT_CLEARED);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void fuelOnWhichIdleWasReachedLeavesNothing(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .temperature((profile.idle().coolest_c() + profile.idle().hottest_c()) / 2)
                .spool(profile.idle().speed_pct())
                .starter(false)
                .for_s(20)
                .cut();
        assertThat(engine.attempts().getFirst().outcome().code()).isEqualTo("NORMAL");
        assertThat(secondTry(engine.temperature(20)).findings(1)).doesNotContain(FindingId.NOT_CLEARED);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aFireAfterTheEndBelongsToTheAttemptOfItsCut(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .lit()
                .cut()
                .starter(false)
                .spool(4)
                .for_s(1);
        assertThat(engine.attempts().getFirst().ended()).isTrue();
        Outcome before = engine.attempts().getFirst().outcome();
        engine.rising(3).for_s(10);
        assertThat(engine.findings(0)).contains(FindingId.INTERNAL_FIRE);
        assertThat(engine.attempts().getFirst().outcome()).isEqualTo(before);
        assertThat(engine.attempts().getFirst().findings().getLast().at())
                .isGreaterThan(engine.attempts().getFirst().lasted());
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void fuelThatFlowsOnAfterAShutdownBelongsToTheLastAttempt(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .temperature((profile.idle().coolest_c() + profile.idle().hottest_c()) / 2)
                .spool(profile.idle().speed_pct())
                .starter(false)
                .for_s(20);
        engine.cut();
        engine.flow_kgph = 60;
        engine.for_s(5);
        assertThat(engine.findings(0)).containsExactly(FindingId.CUT_NOT_EFFECTIVE);
        assertThat(engine.attempts().getFirst().outcome().code()).isEqualTo("NORMAL");
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void nothingIsWatchedTenMinutesAfterACut(StartProfile profile) {
        HandFlown engine = new HandFlown(profile)
                .toFuel()
                .lit()
                .cut()
                .starter(false)
                .spool(0)
                .for_s(601);
        engine.flow_kgph = 60;
        engine.rising(3).for_s(10);
        engine.flow_kgph = 0;
        engine.for_s(10);
        assertThat(engine.findings(0)).isEmpty();
    }

    record Seeded(StartProfile profile, long seed) {
        @Override
        public String toString() {
            return profile.typeId() + ", seed " + seed;
        }
    }

    static List<Seeded> seeded() {
        return profiles().stream()
                .flatMap(profile -> IntStream.range(0, 25).mapToObj(seed -> new Seeded(profile, seed)))
                .toList();
    }

    /** Ten minutes of somebody who moves everything by lot. */
    private static List<Sample> fiddled(Seeded seeded) {
        Random lot = new Random(seeded.seed());
        HandFlown engine = new HandFlown(seeded.profile());
        while (engine.samples.size() < 6000) {
            switch (lot.nextInt(6)) {
                case 0, 1 -> engine.starter(lot.nextBoolean());
                case 2 -> engine.fuel(lot.nextInt(3) == 0);
                case 3 -> engine.ignition(lot.nextBoolean());
                case 4 -> engine.spool(lot.nextDouble() * lot.nextDouble() * 70);
                default -> engine.temperature(15 + lot.nextDouble() * 500).rising(lot.nextInt(-4, 5));
            }
            engine.flow_kgph = engine.fuel || lot.nextInt(4) == 0 ? 60 : 0;
            engine.for_s(0.2 + lot.nextDouble() * (lot.nextInt(5) == 0 ? 40 : 6));
            engine.temperature_c = Math.clamp(engine.temperature_c, -20, 900);
        }
        return engine.samples;
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void aForkBetweenAttemptsGoesOnAsItsMonitorDoes(Seeded seeded) {
        List<Sample> samples = fiddled(seeded);
        Random lot = new Random(seeded.seed());
        StartMonitor whole = new StartMonitor(seeded.profile(), 0);
        StartMonitor forked = new StartMonitor(seeded.profile(), 0);
        int forks = 0;
        for (Sample sample : samples) {
            whole.accept(sample);
            forked.accept(sample);
            if (!forked.isRunning() && lot.nextInt(20) == 0) {
                StartMonitor left = forked;
                forked = forked.fork();
                left.accept(
                        sample.at(sample.at_us() + 1)); // What becomes of the one left behind does not touch the fork.
                forks++;
            }
        }
        assertThat(forks).isPositive();
        assertThat(forked.attempts()).isEqualTo(whole.attempts());
    }

    @ParameterizedTest
    @MethodSource("seeded")
    void attemptsFollowEachOtherWithoutOverlap(Seeded seeded) {
        StartMonitor monitor = new StartMonitor(seeded.profile(), 0);
        fiddled(seeded).forEach(monitor::accept);
        List<AttemptReport> all = monitor.attempts();
        assertThat(all).isNotEmpty();
        for (int i = 1; i < all.size(); i++) {
            AttemptReport before = all.get(i - 1);
            assertThat(before.ended()).isTrue();
            assertThat(all.get(i).startedAt_us())
                    .isGreaterThanOrEqualTo(
                            before.startedAt_us() + before.lasted().toNanos() / 1000);
        }
    }
}
