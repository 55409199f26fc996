package org.skelda.sim.start;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Faults;
import org.skelda.sim.Surroundings;

/**
 * One engine. It steps 50 times a second and is deterministic: the same seed, surroundings, faults and controls give
 * the same readings, to the last digit. The step never depends on when a reading is taken. A step has two halves, so
 * that engines can share what turns them: first each tells what it asks of the supply, then each is turned by what it
 * gets. One thread.
 */
public final class SimulatedEngine {
    /** Length of a step (us). */
    public static final long STEP_us = 20_000;

    private static final double DT_s = STEP_us / 1e6;
    private static final double AHEAD_OF_IDLE = 0.06;
    private static final double OVER_IDLE_FUEL = 1.15;
    private static final double RICH = 0.55;
    private static final double HANGS_AT_WORST = 0.62;
    private static final double HANGS_AT_BEST = 0.90;
    private static final double HANGS_AFTER_s = 1.5;
    private static final double DROOP = 12;
    private static final double RAISED_THRUST = 1.18;
    private static final double SHEARS_AFTER_s = 3;
    private static final double FREEZES_AFTER_s = 3;
    private static final double LOST_AFTER_s = 4;
    private static final double SILENT_s = 12;
    private static final double TREMBLES_degC = 14;
    private static final double NOZZLES_OPEN_OVER = 0.02;
    private static final double NOZZLES_STAY_FOR = 0.05;
    private static final double NOZZLES_SETTLE_OVER = 0.2;

    private final StartProfile profile;
    private final Faults faults = new Faults();
    private final Surroundings surroundings;
    private final SplittableRandom noise;
    private final Spool spool;
    private final Combustion combustion;
    private final Driven driven;
    private final @Nullable StartComputer computer;
    private final double motoring;
    private final double light_kgph;
    private EngineControls controls = EngineControls.OFF;
    private boolean engaged;
    private boolean reachedCutOut;
    private boolean fuel;
    private boolean ignition;
    private boolean sheared;
    private double spoolBefore_pct;
    private double frozen_c = Double.NaN;

    /** An engine at rest. @param profile that it is scaled from; @param seed of its sensors' noise */
    public SimulatedEngine(StartProfile profile, Surroundings surroundings, long seed) {
        this.profile = profile;
        this.surroundings = surroundings;
        this.noise = new SplittableRandom(seed);
        this.spool = new Spool(profile);
        this.motoring = spool.motoring();
        this.combustion = new Combustion(profile, surroundings, faults, motoring, spool.fuelAtIdle());
        this.driven = new Driven(profile, surroundings, faults);
        this.computer = profile.drive().automatic() ? new StartComputer(profile) : null;
        this.light_kgph = (profile.fuel().normalFrom_kgph() + profile.fuel().normalTo_kgph()) / 2;
    }

    /** Heats it up as a run before would have. @param temperature_c degC */
    public SimulatedEngine heatedTo(double temperature_c) {
        combustion.heatTo(temperature_c);
        return this;
    }

    /** What is wrong with it from now on; it counts from its starter's next press. */
    public void take(List<Fault> wrong) {
        faults.take(wrong);
        combustion.begin(wrong);
        sheared = false;
        frozen_c = Double.NaN;
    }

    /** Something that was wrong is no longer. */
    public void isOver(Failure what) {
        faults.isOver(what);
    }

    /** Seconds since its starter last went on. */
    public double sinceStarter_s() {
        return faults.sinceStarter_s();
    }

    /** How bad something is with it now; 0 for nothing. */
    public double wrong(Failure what) {
        return faults.of(what);
    }

    /**
     * The first half of a step: hands and computer decide what is on.
     *
     * @param held whether the start selector is held by hand, so that no speed drops the starter out
     * @param supplied whether its air source or its bus is alive: a starter that sticks lets go without
     */
    public void decide(EngineControls now, boolean held, boolean supplied) {
        controls = now;
        faults.pass(DT_s);
        boolean was = engaged;
        boolean wanted;
        if (computer != null) {
            computer.step(
                    now.fuel() && !now.secondMeans(),
                    new StartComputer.Seen(
                            spool.pct(), combustion.temperature_c(), combustion.flow_kgph(), combustion.isLit()),
                    spoolBefore_pct,
                    !faults.has(Failure.COMPUTER_STOPS_NOTHING),
                    DT_s);
            wanted = computer.starter() || !now.fuel() && now.starter();
            fuel = computer.fuel();
            ignition = computer.ignition(spool.pct());
        } else {
            wanted = byHand(now, held);
            fuel = now.fuel();
            ignition =
                    profile.drive().ignition() == StartProfile.Ignition.WITH_FUEL_LEVER ? now.fuel() : now.ignition();
        }
        // On current the igniters hang on the same bus as the starter.
        ignition &= supplied || profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        engaged = supplied && (wanted || engaged && faults.has(Failure.STARTER_STUCK));
        if (engaged && !was) {
            faults.starterOn();
        }
        sheared |= engaged && faults.has(Failure.SHEARED_SHAFT) && faults.sinceStarter_s() >= SHEARS_AFTER_s;
    }

    /** The starter goes out by itself at its cut-out speed, or when its switch goes off. */
    private boolean byHand(EngineControls now, boolean held) {
        if (!now.starter()) {
            reachedCutOut = false;
        }
        reachedCutOut |= engaged
                && !held
                && !profile.starter().byHand()
                && spool.pct() >= profile.starter().cutOut_pct();
        return now.starter() && !reachedCutOut;
    }

    /** Part of its free speed with which the starter turns, 0 to 1; NaN while it is not engaged. */
    public double starterTurns() {
        return !engaged ? Double.NaN : sheared ? 1 : spool.partOfFree();
    }

    /**
     * The second half of a step.
     *
     * @param supply on air the pressure against what the type needs while cranking; on current the motor's torque
     *     against a new battery's at standstill, per part of its free speed that is still to come
     */
    public void turn(double supply) {
        spoolBefore_pct = spool.pct();
        if (!engaged && !fuel && spool.part() == 0 && combustion.isAtRest() && driven.isAtRest()) {
            return;
        }
        combustion.step(fuel, controls.secondMeans(), ignition, metered(), spool.part(), DT_s);
        spool.step(engaged && !sheared ? supply : 0, combustion.push(), surroundings.sigma(), DT_s);
        driven.step(spool.part(), DT_s);
    }

    /**
     * What the governor holds, against idle: the second stage of the lever is high idle, or thrust for a cross-bleed.
     */
    private double setting() {
        if (!controls.secondStage()) {
            return 1;
        }
        Double high = profile.idle().high_pct();
        return high == null ? RAISED_THRUST : high / profile.idle().speed_pct();
    }

    /**
     * Fuel that the control meters by speed, against light-off flow: rising to what is set, and as much as that needs
     * there. Second nozzles add theirs from their speed on.
     */
    private double metered() {
        double n = spool.part();
        double set = setting();
        double held = spool.fuelAt(set);
        double accelerating = 1 + Math.max(0, n - motoring) / (1 - motoring) * (Math.max(1, OVER_IDLE_FUEL * held) - 1);
        StartProfile.Fuel.SecondNozzles second = profile.fuel().secondNozzles();
        if (second != null) {
            double over = n - second.from_pct() / profile.idle().speed_pct();
            double open = Math.clamp(over / NOZZLES_OPEN_OVER, 0, 1);
            // The control takes back what they add as the spool gains.
            accelerating += second.adds_kgph()
                    / light_kgph
                    * open
                    * Math.clamp(1 - (over - NOZZLES_STAY_FOR) / NOZZLES_SETTLE_OVER, 0, 1);
        }
        double near = Math.clamp((set - n) / AHEAD_OF_IDLE, 0, 1);
        double wanted = n > set ? held * Math.max(0.3, 1 - DROOP * (n - set)) : held + (accelerating - held) * near;
        double hung = faults.of(Failure.HUNG);
        if (hung > 0 && combustion.litFor_s() > HANGS_AFTER_s) {
            wanted = Math.min(wanted, spool.fuelAt(HANGS_AT_BEST + (HANGS_AT_WORST - HANGS_AT_BEST) * hung));
        }
        return wanted * (1 + RICH * faults.of(Failure.RICH_CONTROL));
    }

    /**
     * What the sensors say now; empty while the feed is lost.
     *
     * @param at_us time of the reading
     * @param duct_kpa at its starter valve; NaN on current; @param bus_v and bus_a on current; NaN on air
     */
    public Optional<Sample> sample(long at_us, double duct_kpa, double bus_v, double bus_a) {
        double lit_s = combustion.litFor_s();
        if (lit_s > LOST_AFTER_s
                && (faults.has(Failure.FEED_LOST)
                        || lit_s < LOST_AFTER_s + SILENT_s * faults.of(Failure.FEED_INTERRUPTED))) {
            return Optional.empty();
        }
        double temperature = combustion.temperature_c() + gauss(1.2);
        temperature += faults.has(Failure.SENSOR_NOISY) ? gauss(TREMBLES_degC * faults.of(Failure.SENSOR_NOISY)) : 0;
        if (lit_s > FREEZES_AFTER_s && faults.has(Failure.SENSOR_FROZEN)) {
            frozen_c = Double.isNaN(frozen_c) ? temperature : frozen_c;
            temperature = frozen_c;
        }
        if (lit_s > FREEZES_AFTER_s && faults.has(Failure.SENSOR_LOST)) {
            temperature = Double.NaN;
        }
        boolean jet = profile.drive().engine() == StartProfile.Engine.JET;
        return Optional.of(new Sample(
                at_us,
                rounded(spool.pct() + gauss(0.03), 2),
                rounded(driven.fan() + gauss(jet ? 0.02 : 1), jet ? 2 : 0),
                rounded(temperature, 1),
                rounded(Math.max(0, combustion.flow_kgph() + gauss(0.5)), 1),
                rounded(Math.max(0, driven.oil_kpa() + gauss(0.8)), 1),
                rounded(duct_kpa + gauss(0.7), 1),
                rounded(bus_v + gauss(0.03), 2),
                rounded(bus_a + gauss(2), 0),
                told(engaged),
                told(fuel),
                told(ignition)));
    }

    private double gauss(double sigma) {
        return sigma * noise.nextGaussian();
    }

    private static double rounded(double value, int decimals) {
        double scale = Math.pow(10, decimals);
        return Double.isNaN(value) ? Double.NaN : Math.max(-1e6, Math.round(value * scale) / scale);
    }

    private static Switch told(boolean on) {
        return on ? Switch.ON : Switch.OFF;
    }

    /** Start spool (%), as it is and not as a sensor says. */
    public double spool_pct() {
        return spool.pct();
    }

    /** N1 (%) or propeller speed (rpm), as it is. */
    public double fan() {
        return driven.fan();
    }

    /** Temperature (degC), as it is. */
    public double temperature_c() {
        return combustion.temperature_c();
    }

    /** Whether the flame burns. */
    public boolean isLit() {
        return combustion.isLit();
    }

    /** Whether its fuel is on: by the lever, or by the computer. */
    public boolean isFuelled() {
        return fuel;
    }

    /** Whether it runs at idle or above, on its own. */
    public boolean isRunning() {
        return combustion.isLit()
                && spool.pct() >= profile.idle().speed_pct() - profile.idle().tolerance_pct();
    }
}
