package org.skelda.sim.apu;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuWatch;
import org.skelda.core.crew.Person;
import org.skelda.core.log.LogEntry;

/** A simulated APU, read ten times a second; what is told of it is folded as a departure's log is. */
final class Watching {
    private static final long EVERY_us = 100_000;
    private static final Person FEED = new Person("feed:1", "Simulated aircraft");

    private final ApuProfile profile;
    private final SimulatedApu truth;
    private final List<ApuFact> facts = new ArrayList<>();
    private final ApuWatch watch;
    private ApuHistory history;
    private long now_us;
    private boolean othersTell;
    private UnaryOperator<ApuSample> instruments = UnaryOperator.identity();

    Watching(ApuProfile profile, long seed) {
        this(profile, new SimulatedApu(profile, seed, micros(SimulatedApuTest.BEGIN)), micros(SimulatedApuTest.BEGIN));
    }

    private Watching(ApuProfile profile, SimulatedApu truth, long now_us) {
        this(profile, truth, now_us, ApuHistory.begin(profile.rule(), instant(now_us)));
    }

    private Watching(ApuProfile profile, SimulatedApu truth, long now_us, ApuHistory history) {
        this.profile = profile;
        this.truth = truth;
        this.now_us = now_us;
        this.history = history;
        this.watch = new ApuWatch(profile, history);
    }

    /** The same APU, by somebody who knows nothing of it yet. */
    Watching watchedAnew() {
        return new Watching(profile, truth, now_us);
    }

    /** The same APU, by somebody who knows all that was told of it: as a server does that was started again. */
    Watching watchedFromHereOn() {
        return new Watching(profile, truth, now_us, history);
    }

    /** Another APU that stands as this one does by what was told, watched by somebody who knows that. */
    Watching goneOn() {
        return new Watching(profile, SimulatedApu.as(profile, 7, now_us, history.before(now())), now_us, history);
    }

    /** From now on others tell before every reading what is known already. */
    Watching whileOthersTell() {
        othersTell = true;
        return this;
    }

    /** Its instruments show something else. */
    Watching through(UnaryOperator<ApuSample> others) {
        instruments = others;
        return this;
    }

    ApuProfile profile() {
        return profile;
    }

    SimulatedApu truth() {
        return truth;
    }

    Instant now() {
        return instant(now_us);
    }

    private static Instant instant(long at_us) {
        return Instant.ofEpochSecond(at_us / 1_000_000, at_us % 1_000_000 * 1000);
    }

    /** As the desk shows it: by the fold alone. */
    Apu desk() {
        return history.at(now());
    }

    /** As the watch itself has it. */
    Apu watched() {
        return watch.apu().at(now());
    }

    <F extends ApuFact> List<F> facts(Class<F> kind) {
        return facts.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    void move(String control, String position) {
        truth.move(control, position, now_us);
    }

    void untilPhase(Phase phase) {
        for (int i = 0; i < 3000 && truth.phase() != phase; i++) {
            step();
        }
    }

    void untilTold(Class<? extends ApuFact> kind) {
        for (int i = 0; i < 3000 && facts(kind).isEmpty(); i++) {
            step();
        }
    }

    void pass(Duration time) {
        long end_us = now_us + time.toMillis() * 1000;
        while (now_us < end_us) {
            step();
        }
    }

    /** One reading. */
    void step() {
        now_us += EVERY_us;
        truth.advanceTo(now_us);
        if (othersTell) {
            watch.told(history);
        }
        for (ApuFact fact : watch.accept(instruments.apply(truth.sample()))) {
            facts.add(fact);
            history = history.apply(new LogEntry<>(
                    new UUID(0, facts.size()), facts.size(), now(), null, FEED, null, new UUID(0, facts.size()), fact));
        }
    }

    private static long micros(Instant at) {
        return at.getEpochSecond() * 1_000_000 + at.getNano() / 1000;
    }
}
