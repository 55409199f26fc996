package org.skelda.sim.aircraft;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.ControlMove;
import org.skelda.sim.Controls;
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;
import org.skelda.sim.bleed.SimulatedAir;
import org.skelda.sim.electrics.BatteryState;
import org.skelda.sim.electrics.StartPower;
import org.skelda.sim.start.SimulatedEngine;

/**
 * The engines of one simulated aircraft under somebody's hands, with the air or the bus that they share. Deterministic:
 * the same beginning and the same moves at the same times give the same readings, so that it can be built again from
 * what is on record of its controls.
 *
 * <p>Times are microseconds since 1970. One thread.
 */
public final class SimulatedAircraft {
    private static final double AT_REST_pct = 1;
    private static final double DT_s = SimulatedEngine.STEP_us / 1e6;
    private static final double GROUND_LOST_AFTER_s = 4;
    private static final double STARTED_WITHIN_s = 150;
    private static final double STILL_TO_COME = 0.05;
    private static final double ALIVE_kpa = 5;
    private static final double ALIVE_v = 5;

    private final StartProfile profile;
    private final Surroundings surroundings;
    private final List<Engine> engines = new ArrayList<>();
    private final @Nullable SimulatedAir air;
    private final @Nullable StartPower power;
    private final SimulatedAir.Setting setting;
    private long now_us;
    private Controls shared = Controls.ready().withAir(false);
    private boolean apuGives;
    private boolean groundLost;
    private @Nullable BatteryState battery;
    private List<Fault> wrong = List.of();

    /** Hands on one engine, and what is to go wrong at its next start. */
    private static final class Engine {
        private final SimulatedEngine engine;
        private EngineControls controls = EngineControls.OFF;
        private boolean pressed;
        private boolean pressedAgain;

        Engine(SimulatedEngine engine) {
            this.engine = engine;
        }
    }

    /**
     * @param engines how many, 1 to 4
     * @param seed of the sensors' noise
     * @param begin_us its beginning: everything off and cold, batteries full
     * @throws IllegalArgumentException when the type's document does not tell enough to simulate it
     */
    public SimulatedAircraft(StartProfile profile, Surroundings surroundings, int engines, long seed, long begin_us) {
        this.profile = profile;
        this.surroundings = surroundings;
        now_us = begin_us;
        for (int i = 0; i < engines; i++) {
            this.engines.add(new Engine(new SimulatedEngine(profile, surroundings, seed + i)));
        }
        AirNetwork network = profile.supply().air();
        StartProfile.Supply.Battery battery = profile.supply().battery();
        if (network == null && battery == null) {
            throw new IllegalArgumentException(
                    profile.name() + " cannot be simulated: its document does not tell what turns its engines");
        }
        air = network == null ? null : new SimulatedAir(network, surroundings, engines);
        power = battery == null ? null : new StartPower(battery, surroundings, engines);
        setting = new SimulatedAir.Setting(engines);
    }

    /**
     * A control is moved at a time. Air, valves and packs, or ground power, battery and loads, are the aircraft's; what
     * goes wrong comes true at the next press of a starter (or of a master) while nothing burns.
     *
     * @param at_us not before the move before it
     */
    public void move(ControlMove move, long at_us) {
        advanceTo(at_us);
        switch (move.control()) {
            case AIR -> shared = shared.withAir(move.on());
            case CROSS_BLEED -> shared = shared.withValves(move.on());
            case PACKS -> {
                shared = shared.withPacks(move.on());
                if (!move.on()) {
                    switchedOff(Failure.PACKS_LEFT_ON);
                }
            }
            case GROUND_POWER -> shared = shared.withGroundPower(move.on());
            case BATTERY -> shared = shared.withBattery(move.on());
            case HELD -> shared = shared.withHeld(move.on());
            case WHAT_GOES_WRONG -> wrong = move.faults();
            case STARTER, IGNITION, FUEL, SECOND_STAGE, SECOND_MEANS -> {
                if (move.engine() <= engines.size()) {
                    moveEngine(engines.get(move.engine() - 1), move);
                }
            }
        }
    }

    /** What was left on is off once a hand switches it off. */
    private void switchedOff(Failure left) {
        wrong = wrong.stream().filter(fault -> fault.what() != left).toList();
        engines.forEach(one -> one.engine.isOver(left));
    }

    private static void moveEngine(Engine one, ControlMove move) {
        one.pressedAgain |= move.control() == ControlMove.Control.STARTER && move.on() && one.controls.starter();
        one.controls = switch (move.control()) {
            case STARTER -> one.controls.withStarter(move.on());
            case IGNITION -> one.controls.withIgnition(move.on());
            case FUEL -> one.controls.withFuel(move.on());
            case SECOND_STAGE -> one.controls.withSecondStage(move.on());
            case SECOND_MEANS -> one.controls.withSecondMeans(move.on());
            case AIR, CROSS_BLEED, PACKS, GROUND_POWER, BATTERY, HELD, WHAT_GOES_WRONG ->
                throw new IllegalArgumentException(move.control() + " is not an engine's");
        };
    }

    /** What all engines share, from now on. */
    public void set(Controls controls) {
        shared = controls;
    }

    /** How the controls of one engine stand, from now on. @param engine 1 and up */
    public void set(int engine, EngineControls controls) {
        engines.get(engine - 1).controls = controls;
    }

    /** What goes wrong at the next press of a starter. */
    public void goesWrong(List<Fault> faults) {
        wrong = List.copyOf(faults);
    }

    /** A battery of one's own, whatever else is wrong; it counts on current only. */
    public void battery(BatteryState state) {
        battery = state;
    }

    /** The heat of a run before. @param engine 1 and up; @param temperature_c degC */
    public void heat(int engine, double temperature_c) {
        engines.get(engine - 1).engine.heatedTo(temperature_c);
    }

    /**
     * An engine that was started before the beginning, with all the air or current it wants: at idle from the first
     * reading on.
     *
     * @param engine 1 and up
     */
    public void runs(int engine) {
        long begin_us = now_us;
        Controls before = shared;
        boolean gave = apuGives;
        Engine one = engines.get(engine - 1);
        shared = Controls.ready().withGroundPower(true);
        apuGives = true;
        one.controls =
                EngineControls.OFF.withStarter(!profile.drive().automatic()).withIgnition(true);
        for (long step = 0; step * DT_s < STARTED_WITHIN_s; step++) {
            double fuelAt_pct = profile.fuel().preferred_pct();
            boolean fuel = profile.drive().automatic() || one.engine.spool_pct() >= fuelAt_pct;
            one.controls = one.controls.withFuel(fuel || one.controls.fuel());
            if (one.engine.isRunning()
                    || one.engine.spool_pct() >= profile.starter().cutOut_pct()) {
                one.controls = one.controls.withStarter(false).withIgnition(false);
            }
            step();
        }
        if (!one.engine.isRunning()) {
            throw new IllegalStateException("engine " + engine + " did not come to idle by itself");
        }
        shared = before;
        apuGives = gave;
        now_us = begin_us;
        settle();
    }

    /** Whether the APU gives air. */
    public void apuGives(boolean gives) {
        apuGives = gives;
    }

    /** Steps all up to a time. A time in the past is no news. */
    public void advanceTo(long at_us) {
        while (now_us + SimulatedEngine.STEP_us <= at_us) {
            step();
        }
    }

    /** One step of 20 ms with the controls as they stand. */
    public void step() {
        loseGround();
        for (int i = 0; i < engines.size(); i++) {
            Engine one = engines.get(i);
            boolean pressed = one.controls.starter() || profile.drive().automatic() && one.controls.fuel();
            if (pressed && (!one.pressed || one.pressedAgain) && !one.engine.isFuelled() && !one.engine.isLit()) {
                one.engine.take(wrong);
            }
            one.pressed = pressed;
            // A starter that dropped out at its speed is let go for a moment before it is pressed again.
            EngineControls now = one.pressedAgain ? one.controls.withStarter(false) : one.controls;
            one.pressedAgain = false;
            one.engine.decide(now, shared.held(), isAlive(i + 1));
        }
        if (air != null) {
            onAir(air, DT_s);
        }
        if (power != null) {
            onCurrent(power);
        }
        now_us += SimulatedEngine.STEP_us;
    }

    /** Whether a starter gets anything at all. */
    private boolean isAlive(int engine) {
        if (power != null) {
            return shared.battery() || groundGives() || generators() > 0;
        }
        return air != null && air.at(engine) > ALIVE_kpa;
    }

    private void onAir(SimulatedAir ducts, double dt_s) {
        setting.set(
                apuGives,
                shared.air(),
                shared.valvesOpen(),
                shared.packsOn() || leftOn(Failure.PACKS_LEFT_ON) > 0,
                leftOn(Failure.ANTI_ICE_LEFT_ON),
                worst(Failure.WEAK_AIR));
        for (int i = 0; i < engines.size(); i++) {
            SimulatedEngine engine = engines.get(i).engine;
            // Its own bleed stays shut while its starter is engaged.
            boolean gives = engine.isRunning() && Double.isNaN(engine.starterTurns());
            setting.engine(i + 1, gives ? engine.fan() : Double.NaN, engine.starterTurns());
        }
        ducts.step(setting, dt_s);
        double needed = profile.supply().crankingAt(0, surroundings.elevation_ft());
        for (int i = 0; i < engines.size(); i++) {
            engines.get(i).engine.turn(ducts.at(i + 1) / needed);
        }
    }

    private void onCurrent(StartPower bus) {
        for (int i = 0; i < engines.size(); i++) {
            bus.motor(i + 1, engines.get(i).engine.starterTurns());
        }
        bus.battery(battery == null ? BatteryState.weak(worst(Failure.WEAK_BATTERY)) : battery);
        bus.step(
                groundGives(),
                shared.battery(),
                generators(),
                shared.packsOn() || leftOn(Failure.PACKS_LEFT_ON) > 0,
                DT_s);
        for (int i = 0; i < engines.size(); i++) {
            SimulatedEngine engine = engines.get(i).engine;
            double part = engine.starterTurns();
            engine.turn(bus.bus_v() < ALIVE_v ? 0 : bus.torque(i + 1) / Math.max(STILL_TO_COME, 1 - part));
        }
    }

    private boolean groundGives() {
        return shared.groundPower() && !groundLost;
    }

    /** A cart that was lost gives again once it was switched off and on. */
    private void loseGround() {
        groundLost &= shared.groundPower();
        for (Engine one : engines) {
            groundLost |= shared.groundPower()
                    && one.engine.wrong(Failure.GROUND_POWER_LOST) > 0
                    && one.engine.starterTurns() >= 0
                    && one.engine.sinceStarter_s() >= GROUND_LOST_AFTER_s;
        }
    }

    /** Generators that carry the bus: where a type has a high idle, only from there on. */
    private int generators() {
        boolean staged = profile.idle().high_pct() != null;
        int carrying = 0;
        for (Engine one : engines) {
            carrying += one.engine.isRunning() && (!staged || one.controls.secondStage()) ? 1 : 0;
        }
        return carrying;
    }

    /** What was left on takes its share before any starter, so that a crew can find it. */
    private double leftOn(Failure what) {
        double chosen = worst(what);
        for (Fault fault : wrong) {
            chosen = fault.what() == what && fault.after_s() == 0 ? Math.max(chosen, fault.severity()) : chosen;
        }
        return chosen;
    }

    private double worst(Failure what) {
        double worst = 0;
        for (Engine one : engines) {
            worst = Math.max(worst, one.engine.wrong(what));
        }
        return worst;
    }

    /** Lets ducts and bus come to rest with the controls as they stand, as long before anything begins. */
    public void settle() {
        if (air != null) {
            onAir(air, Double.POSITIVE_INFINITY);
        }
        if (power != null) {
            onCurrent(power);
        }
    }

    /**
     * What the sensors of an engine say now.
     *
     * @param engine 1 and up
     * @return empty when its feed is lost
     */
    public Optional<Sample> sample(int engine) {
        return engines.get(engine - 1)
                .engine
                .sample(
                        now_us,
                        air == null ? Double.NaN : air.at(engine),
                        power == null ? Double.NaN : power.bus_v(),
                        power == null ? Double.NaN : power.current_a());
    }

    /** An engine as it is, and not as its sensors say. @param engine 1 and up */
    public SimulatedEngine engine(int engine) {
        return engines.get(engine - 1).engine;
    }

    /** How many engines it has. */
    public int engines() {
        return engines.size();
    }

    /** Up to when it has stepped. */
    public long now_us() {
        return now_us;
    }

    /** Whether any engine turns, burns, or is asked to. */
    public boolean busy() {
        return engines.stream()
                .anyMatch(one -> one.controls.starter()
                        || one.controls.fuel()
                        || one.engine.isLit()
                        || one.engine.spool_pct() > AT_REST_pct);
    }
}
