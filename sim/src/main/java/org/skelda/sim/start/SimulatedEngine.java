package org.skelda.sim.start;

import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.sim.Controls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;
import org.skelda.sim.bleed.AirSupply;
import org.skelda.sim.electrics.BatteryState;
import org.skelda.sim.electrics.PowerSupply;

/**
 * One engine with what turns it. It steps 50 times a second and is deterministic: the same seed, surroundings, failures
 * and controls give the same readings, to the last digit. The step never depends on when a reading is taken. One
 * thread.
 */
public final class SimulatedEngine {
    /** Length of a step (us). */
    public static final long STEP_us = 20_000;

    private static final double DT_s = STEP_us / 1e6;
    private static final double AHEAD_OF_IDLE = 0.06;
    private static final double OVER_IDLE_FUEL = 1.15;
    private static final double RICH = 1.55;
    private static final double HANGS_AT = 0.62;
    private static final double HANGS_AFTER_s = 1.5;
    private static final double DROOP = 12;
    private static final double FREEZES_AFTER_s = 3;
    private static final double LOST_AFTER_s = 4;
    private static final double BACK_AFTER_s = 16;

    private final StartProfile profile;
    private final Set<Failure> failures;
    private final Surroundings surroundings;
    private final SplittableRandom noise;
    private final Spool spool;
    private final Combustion combustion;
    private final Driven driven;
    private final AirSupply air;
    private final @Nullable PowerSupply power;
    private final double motoring;
    private boolean engaged;
    private boolean reachedCutOut;
    private double duct_kpa;
    private double frozen_c = Double.NaN;
    private long at_us;
    private Controls controls = Controls.ready();

    /**
     * An engine at rest.
     *
     * @param profile that it is scaled from
     * @param failures that it has
     * @param seed of its sensors' noise
     */
    public SimulatedEngine(StartProfile profile, Surroundings surroundings, Set<Failure> failures, long seed) {
        this(
                profile,
                surroundings,
                failures,
                failures.contains(Failure.WEAK_BATTERY) ? BatteryState.weak() : BatteryState.good(),
                seed);
    }

    /** An engine at rest, with a battery of its own; it counts in an electric start only. */
    public SimulatedEngine(
            StartProfile profile, Surroundings surroundings, Set<Failure> failures, BatteryState state, long seed) {
        this.profile = profile;
        this.failures = Set.copyOf(failures);
        this.surroundings = surroundings;
        this.noise = new SplittableRandom(seed);
        this.spool = new Spool(profile);
        this.motoring = spool.motoring();
        this.combustion = new Combustion(profile, surroundings, failures, motoring, spool.fuelAtIdle());
        this.driven = new Driven(profile, surroundings, failures);
        this.air = new AirSupply(profile, surroundings, failures);
        StartProfile.Supply.Battery battery = profile.supply().battery();
        this.power = battery == null ? null : new PowerSupply(battery, surroundings, state);
        duct_kpa = air.settle(controls);
    }

    /** Heats it up as a run before would have. @param temperature_c degC */
    public SimulatedEngine heatedTo(double temperature_c) {
        combustion.heatTo(temperature_c);
        return this;
    }

    /** Goes on from where another engine of the same type stands, which does not burn: its speed, its heat, its oil. */
    public void goOnFrom(SimulatedEngine other) {
        spool.turnFrom(other.spool.part());
        combustion.goOnFrom(other.combustion);
        driven.goOnFrom(other.driven);
        duct_kpa = air.settle(other.controls.withStarter(false));
    }

    /** One step of 20 ms with the controls as they stand. */
    public void step(Controls now) {
        controls = now;
        engage();
        double supply = turn();
        combustion.step(now, metered(), spool.part(), DT_s);
        spool.step(supply, combustion.push(), surroundings.sigma(), DT_s);
        driven.step(spool.part(), DT_s);
        at_us += STEP_us;
    }

    /** The starter goes out by itself at its cut-out speed, or when its switch goes off; unless it sticks. */
    private void engage() {
        if (!controls.starter()) {
            reachedCutOut = false;
        }
        reachedCutOut |= engaged
                && !profile.starter().byHand()
                && spool.pct() >= profile.starter().cutOut_pct();
        boolean wanted = controls.starter() && !reachedCutOut;
        // A starter on air that sticks lets go once its air is taken away.
        boolean driven = power != null || controls.air();
        engaged = wanted || engaged && driven && failures.contains(Failure.STARTER_STUCK);
    }

    /** The supply against what the type needs, after its own step. */
    private double turn() {
        double part = spool.partOfFree();
        if (power != null) {
            power.step(controls, engaged, part, DT_s);
            return engaged ? power.torque() / Math.max(0.05, 1 - part) : 0;
        }
        duct_kpa = air.step(controls, engaged, part, DT_s);
        return engaged ? duct_kpa / profile.supply().crankingAt(0, surroundings.elevation_ft()) : 0;
    }

    /**
     * Fuel that the control meters by speed, against light-off flow: rising to idle, and as much as idle needs there.
     */
    private double metered() {
        double n = spool.part();
        double idle = spool.fuelAtIdle();
        double accelerating = 1 + Math.max(0, n - motoring) / (1 - motoring) * (Math.max(1, OVER_IDLE_FUEL * idle) - 1);
        double near = Math.clamp((1 - n) / AHEAD_OF_IDLE, 0, 1);
        double wanted = n > 1 ? idle * Math.max(0.3, 1 - DROOP * (n - 1)) : idle + (accelerating - idle) * near;
        if (failures.contains(Failure.HUNG) && combustion.litFor_s() > HANGS_AFTER_s) {
            wanted = Math.min(wanted, spool.fuelAt(HANGS_AT));
        }
        return failures.contains(Failure.RICH_CONTROL) ? wanted * RICH : wanted;
    }

    /** What the sensors say now; empty while the feed is lost. */
    public Optional<Sample> sample() {
        double lit_s = combustion.litFor_s();
        if (lit_s > LOST_AFTER_s
                && (failures.contains(Failure.FEED_LOST)
                        || failures.contains(Failure.FEED_INTERRUPTED) && lit_s < BACK_AFTER_s)) {
            return Optional.empty();
        }
        double temperature = combustion.temperature_c() + gauss(1.2);
        if (failures.contains(Failure.SENSOR_FROZEN) && combustion.litFor_s() > FREEZES_AFTER_s) {
            frozen_c = Double.isNaN(frozen_c) ? temperature : frozen_c;
            temperature = frozen_c;
        }
        boolean jet = profile.drive().engine() == StartProfile.Engine.JET;
        return Optional.of(new Sample(
                at_us,
                rounded(spool.pct() + gauss(0.03), 2),
                rounded(driven.fan() + gauss(jet ? 0.02 : 1), jet ? 2 : 0),
                rounded(temperature, 1),
                rounded(Math.max(0, combustion.flow_kgph() + gauss(0.5)), 1),
                rounded(Math.max(0, driven.oil_kpa() + gauss(0.8)), 1),
                power == null ? rounded(duct_kpa + gauss(0.7), 1) : Double.NaN,
                power == null ? Double.NaN : rounded(power.bus_v() + gauss(0.03), 2),
                power == null ? Double.NaN : rounded(power.current_a() + gauss(2), 0),
                told(engaged),
                told(controls.fuel()),
                told(controls.ignition())));
    }

    private double gauss(double sigma) {
        return sigma * noise.nextGaussian();
    }

    private static double rounded(double value, int decimals) {
        double scale = Math.pow(10, decimals);
        return Math.max(-1e6, Math.round(value * scale) / scale);
    }

    private static Switch told(boolean on) {
        return on ? Switch.ON : Switch.OFF;
    }

    /** Time since the engine was made (us). */
    public long at_us() {
        return at_us;
    }

    /** Start spool (%), as it is and not as a sensor says. */
    public double spool_pct() {
        return spool.pct();
    }

    /** Temperature (degC), as it is. */
    public double temperature_c() {
        return combustion.temperature_c();
    }

    /** Whether the flame burns. */
    public boolean isLit() {
        return combustion.isLit();
    }
}
