package org.skelda.sim.apu;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.SplittableRandom;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.crew.Person;
import org.skelda.core.log.LogEntry;
import org.skelda.core.simulator.ApuControls;
import org.skelda.core.start.Switch;

/** Random hands on the APU of each type: what the desk shows is what it does, by a feed and by what the crew saw. */
class DeskAndTruthTest {
    private static final int HISTORIES = 500;
    private static final int SECONDS = 260;
    private static final int STEPS_PER_SECOND = 10;
    private static final int DELAY_STEPS = 3;

    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void byAFeedTheDeskIsTheTruthAtEverySecond(String type) {
        ApuProfile profile = Fleet.apu(type);
        Map<Phase, Integer> seconds = new EnumMap<>(Phase.class);
        int latched = 0;
        for (int seed = 0; seed < HISTORIES; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Watching watching = new Watching(profile, seed);
            Queue<Phase> lately = new ArrayDeque<>(List.of(Phase.OFF));
            for (int step = 0; step < SECONDS * STEPS_PER_SECOND; step++) {
                hand(random, watching, null);
                Phase desk = watching.desk().phase();
                Phase watched = watching.watched().phase();
                watching.step();
                assertThat(watching.desk().latched()).isEqualTo(watching.truth().isLatched());
                lately.add(watching.truth().phase());
                if (lately.size() > DELAY_STEPS) {
                    lately.remove();
                }
                // Zero speed may be read a tenth of a second before it is: the instrument is not better than that.
                if (step % STEPS_PER_SECOND == 0) {
                    assertThat(lately)
                            .as("seed %d, second %d", seed, step / STEPS_PER_SECOND)
                            .contains(desk);
                    assertThat(watched).isEqualTo(desk);
                    seconds.merge(desk, 1, Integer::sum);
                }
            }
            latched += watching.desk().latched() ? 1 : 0;
        }
        assertThat(seconds.keySet()).containsExactlyInAnyOrder(Phase.values());
        assertThat(latched).isPositive();
    }

    /** A hand that mostly does what comes next, and sometimes anything. */
    private static void hand(SplittableRandom random, Watching watching, @Nullable Crew crew) {
        if (random.nextInt(25) > 0) {
            return;
        }
        SimulatedApu apu = watching.truth();
        boolean sensible = random.nextInt(8) > 0;
        switch (sensible ? apu.phase() : Phase.values()[random.nextInt(7)]) {
            case OFF, STOPPED -> {
                watching.move("apu/batteries", "on");
                if (random.nextInt(4) == 0) {
                    watching.move("apu/reset", "on");
                }
                watching.move("apu/goes-wrong", wrong(random));
                watching.move("apu/master", random.nextInt(3) == 0 ? "off" : "on");
            }
            case POWERED -> watching.move("apu/start", crew == null || crew.mayStart() ? "on" : "off");
            case STARTING -> {
                if (random.nextInt(12) == 0) {
                    watching.move("apu/master", "off");
                }
            }
            case AVAILABLE -> {
                switch (random.nextInt(12)) {
                    case 0 -> watching.move("apu/master", "off");
                    case 1, 2, 3, 4 -> watching.move("apu/generator", random.nextBoolean() ? "on" : "off");
                    case 5 -> {
                        if (random.nextInt(3) == 0) {
                            watching.move("apu/emergency-stop", "on");
                        }
                    }
                    case 6 -> {
                        AutomaticStop why = AutomaticStop.values()[random.nextInt(AutomaticStop.values().length)];
                        watching.move("apu/goes-wrong", random.nextInt(3) == 0 ? ApuControls.stop(why) : "nothing");
                    }
                    default -> {
                        boolean air = random.nextInt(3) > 0 && (crew == null || crew.mayTakeAir());
                        watching.move("apu/bleed", air ? "on" : "off");
                    }
                }
            }
            case COOLING, SPOOLING_DOWN -> {
                if (random.nextInt(30) == 0) {
                    watching.move("apu/batteries", "off");
                }
            }
        }
    }

    private static String wrong(SplittableRandom random) {
        return switch (random.nextInt(12)) {
            case 0 -> "no-light";
            case 1 -> "hot";
            case 2 -> "hangs";
            case 3 -> "door-stuck";
            default -> "nothing";
        };
    }

    /**
     * The crew tells what it sees, up to two seconds late. What the desk shows then was true not longer ago than that
     * and the longest moment that the crew does not see; the batteries are never let go before the truth does.
     */
    @ParameterizedTest
    @ValueSource(strings = {"havern-2m", "havern-2a", "havern-4", "teista-b2"})
    void byTapsTheDeskNeverContradictsTheTruth(String type) {
        ApuProfile profile = Fleet.apu(type);
        int told = 0;
        int checked = 0;
        for (int seed = 0; seed < HISTORIES; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Watching watching = new Watching(profile, seed);
            Crew crew = new Crew(profile, watching);
            Queue<Phase> lately = new ArrayDeque<>(List.of(Phase.OFF));
            for (int step = 0; step < SECONDS * STEPS_PER_SECOND; step++) {
                hand(random, watching, crew);
                watching.step();
                crew.looks(random);
                lately.add(watching.truth().phase());
                if (lately.size() > 30) {
                    lately.remove();
                }
                if (step % STEPS_PER_SECOND == 0 && crew.hasToldAll()) {
                    checked++;
                    Phase desk = crew.desk().phase();
                    assertThat(lately)
                            .as("seed %d, second %d", seed, step / STEPS_PER_SECOND)
                            .contains(desk);
                }
            }
            told += crew.told;
        }
        assertThat(told).isGreaterThan(HISTORIES);
        assertThat(checked).isGreaterThan(HISTORIES * SECONDS / 2);
    }

    /** Somebody who watches the gauges, not a feed. */
    private static final class Crew {
        private static final Person PERSON = new Person("1", "Crew");

        private final Watching watching;
        private final Queue<Seen> seen = new ArrayDeque<>();
        private ApuHistory history;
        private Phase last = Phase.OFF;
        private boolean lastGenerator;
        private boolean lastBleed;
        private boolean lastLatched;
        private long delayed_ms;
        private int told;

        private record Seen(ApuTap tap, AutomaticStop why, Instant tellAt) {}

        Crew(ApuProfile profile, Watching watching) {
            this.watching = watching;
            this.history = ApuHistory.begin(profile.rule(), SimulatedApuTest.BEGIN);
        }

        void looks(SplittableRandom random) {
            SimulatedApu apu = watching.truth();
            Phase now = apu.phase();
            if (apu.isLatched() != lastLatched) {
                lastLatched = apu.isLatched();
                see(random, lastLatched ? ApuTap.BATTERIES_OFF : ApuTap.RESET_OUTSIDE);
            }
            if (now != last) {
                if (now == Phase.STOPPED && last != Phase.SPOOLING_DOWN) {
                    see(random, ApuTap.EMERGENCY_STOP);
                }
                if (now == Phase.POWERED && last == Phase.SPOOLING_DOWN) {
                    see(random, ApuTap.ZERO);
                }
                see(random, change(now));
                last = now;
            }
            if (apu.generates() != lastGenerator) {
                lastGenerator = apu.generates();
                see(random, lastGenerator ? ApuTap.GENERATOR_ON : ApuTap.GENERATOR_OFF);
            }
            if (apu.bleeds() != lastBleed) {
                lastBleed = apu.bleeds();
                see(random, lastBleed ? ApuTap.AIR_ON : ApuTap.AIR_OFF);
            }
            while (!seen.isEmpty() && !seen.peek().tellAt().isAfter(watching.now())) {
                tell(seen.remove());
            }
        }

        /** What of a new phase a crew sees; what time alone brings it does not tell. */
        private ApuTap change(Phase now) {
            return switch (now) {
                case POWERED -> ApuTap.MASTER_ON;
                case STARTING -> ApuTap.START;
                case AVAILABLE -> ApuTap.RUNS;
                case COOLING -> ApuTap.MASTER_OFF;
                case SPOOLING_DOWN -> last == Phase.COOLING && !isStopped() ? null : ApuTap.EMERGENCY_STOP;
                case STOPPED -> ApuTap.ZERO;
                case OFF -> last == Phase.POWERED ? ApuTap.MASTER_OFF : null;
            };
        }

        private boolean isStopped() {
            ApuSample sample = watching.truth().sample();
            return sample.emergency() == Switch.ON || sample.stopped() != null;
        }

        private void see(SplittableRandom random, ApuTap tap) {
            if (tap != null) {
                // Told in the order in which it was seen.
                delayed_ms = Math.max(random.nextInt(0, 2000), 0);
                Instant at = watching.now().plusMillis(delayed_ms);
                Instant after =
                        seen.stream().map(Seen::tellAt).max(Instant::compareTo).orElse(at);
                seen.add(new Seen(tap, null, at.isBefore(after) ? after : at));
            }
        }

        private void tell(Seen one) {
            Instant at = watching.now();
            ApuEvent event = one.tap() == ApuTap.RUNS
                    ? new ApuEvent.Found(
                            at,
                            Phase.AVAILABLE,
                            watching.truth().generates(),
                            watching.truth().bleeds())
                    : one.tap().event(at, one.why());
            if (history.apu().refusal(event) == null) {
                told++;
                history = history.apply(new LogEntry<>(
                        new UUID(1, told),
                        told,
                        at,
                        null,
                        PERSON,
                        null,
                        new UUID(1, told),
                        new ApuFact.ApuTold(event)));
            }
        }

        boolean hasToldAll() {
            return seen.isEmpty();
        }

        /** It takes no air while the desk says that it is not warm through. */
        boolean mayTakeAir() {
            return desk().bleedAllowedAt()
                    .filter(at -> !at.isAfter(watching.now()))
                    .isPresent();
        }

        /** It does not start while the desk says that it rests. */
        boolean mayStart() {
            return desk().startableAt()
                    .filter(at -> !at.isAfter(watching.now()))
                    .isPresent();
        }

        org.skelda.core.apu.Apu desk() {
            return history.at(watching.now());
        }
    }
}
