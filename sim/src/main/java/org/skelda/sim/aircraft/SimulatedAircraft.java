package org.skelda.sim.aircraft;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.ControlMove;
import org.skelda.sim.Controls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;
import org.skelda.sim.start.SimulatedEngine;

/**
 * The engines of one simulated aircraft under somebody's hands. Deterministic: the same beginning and the same moves at
 * the same times give the same readings, so that it can be built again from what is on record of its controls.
 *
 * <p>Times are microseconds since 1970. One thread.
 */
public final class SimulatedAircraft {
    private static final double AT_REST_pct = 1;

    private final StartProfile profile;
    private final Surroundings surroundings;
    private final List<Engine> engines = new ArrayList<>();
    private Controls shared = Controls.ready().withAir(false);
    private @Nullable Failure wrong;

    /**
     * @param engines how many, 1 to 4
     * @param seed of the sensors' noise
     * @param begin_us its beginning: everything off and cold, batteries full
     */
    public SimulatedAircraft(StartProfile profile, Surroundings surroundings, int engines, long seed, long begin_us) {
        this.profile = profile;
        this.surroundings = surroundings;
        for (int i = 0; i < engines; i++) {
            this.engines.add(new Engine(seed + i, begin_us));
        }
    }

    /**
     * A control is moved at a time. Air and packs, or ground power and loads, are the aircraft's; a failure comes true
     * at the next press of a starter while nothing burns.
     *
     * @param at_us not before the move before it
     */
    public void move(ControlMove move, long at_us) {
        advanceTo(at_us);
        switch (move.control()) {
            case AIR -> shared = shared.withAir(move.on());
            case PACKS -> shared = shared.withPacks(move.on());
            case GROUND_POWER -> shared = shared.withGroundPower(move.on());
            case WHAT_GOES_WRONG -> wrong = move.failure();
            case STARTER, IGNITION, FUEL, SECOND_MEANS -> {
                if (move.engine() <= engines.size()) {
                    engines.get(move.engine() - 1).move(move);
                }
            }
        }
    }

    /** Steps every engine up to a time. A time in the past is no news. */
    public void advanceTo(long at_us) {
        engines.forEach(engine -> engine.advanceTo(at_us));
    }

    /**
     * What the sensors of an engine say now.
     *
     * @param engine 1 and up
     * @return empty when its feed is lost
     */
    public Optional<Sample> sample(int engine) {
        return engines.get(engine - 1).sample();
    }

    /** How many engines it has. */
    public int engines() {
        return engines.size();
    }

    /** Whether any engine turns, burns, or is asked to. */
    public boolean busy() {
        return engines.stream().anyMatch(Engine::busy);
    }

    private final class Engine {
        private final long seed;
        private long begin_us;
        private SimulatedEngine engine;
        private @Nullable Failure failing;
        private boolean starter;
        private boolean ignition;
        private boolean fuel;
        private boolean secondMeans;
        private boolean pressedAgain;

        Engine(long seed, long begin_us) {
            this.seed = seed;
            this.begin_us = begin_us;
            engine = new SimulatedEngine(profile, surroundings, Set.of(), seed);
        }

        void move(ControlMove move) {
            switch (move.control()) {
                case STARTER -> {
                    pressedAgain = move.on() && starter;
                    starter = move.on();
                }
                case IGNITION -> ignition = move.on();
                case FUEL -> fuel = move.on();
                case SECOND_MEANS -> secondMeans = move.on();
                case AIR, PACKS, GROUND_POWER, WHAT_GOES_WRONG ->
                    throw new IllegalArgumentException(move.control() + " is not an engine's");
            }
        }

        void advanceTo(long at_us) {
            while (begin_us + engine.at_us() + SimulatedEngine.STEP_us <= at_us) {
                if (starter && failing != wrong && !fuel && !engine.isLit()) {
                    takeOn(wrong);
                }
                engine.step(controls());
                pressedAgain = false;
            }
        }

        /** A starter that dropped out at its speed is let go for a moment before it is pressed again. */
        private Controls controls() {
            boolean sparks = profile.drive().ignition() == StartProfile.Ignition.WITH_FUEL_LEVER ? fuel : ignition;
            Controls own = shared.withStarter(starter && !pressedAgain)
                    .withIgnition(sparks)
                    .withFuel(fuel);
            return secondMeans ? own.withSecondMeans() : own;
        }

        /** The engine as it stands, with something else wrong. */
        private void takeOn(@Nullable Failure failure) {
            SimulatedEngine before = engine;
            begin_us += before.at_us();
            engine = new SimulatedEngine(
                    profile,
                    surroundings,
                    failure == null ? EnumSet.noneOf(Failure.class) : EnumSet.of(failure),
                    seed + begin_us);
            engine.goOnFrom(before);
            failing = failure;
        }

        Optional<Sample> sample() {
            return engine.sample().map(sample -> sample.at(begin_us + sample.at_us()));
        }

        boolean busy() {
            return starter || fuel || engine.isLit() || engine.spool_pct() > AT_REST_pct;
        }
    }
}
