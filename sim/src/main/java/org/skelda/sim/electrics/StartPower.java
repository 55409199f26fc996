package org.skelda.sim.electrics;

import org.skelda.core.start.StartProfile;
import org.skelda.sim.Surroundings;

/**
 * The bus that carries the motors of an electric start: battery, ground power and the generator of a running engine
 * beside each other. One thread.
 *
 * <p>The bus stands at the volts at which the currents of its sources are those of its motors and loads. A battery
 * gives (E - V) / R, and takes a current when V is above E; ground power and a generator give (E - V) / R up to their
 * limit. A motor draws (V - k N) / Rm, Rm so that a new battery at 25 degC gives the type's current at standstill, k N
 * its own volts against it. Ground power starts softly: its limit rises within two seconds of a motor's first draw.
 */
public final class StartPower {
    private static final double GROUND_v = 28.2;
    private static final double GROUND_ohm = 0.003;
    private static final double GROUND_MOST_a = 1300;
    private static final double SOFT_FROM_a = 650;
    private static final double SOFT_s = 2;
    private static final double GENERATOR_v = 28.4;
    private static final double GENERATOR_ohm = 0.004;
    private static final double GENERATOR_MOST_a = 300;
    private static final double TAKES_MOST_a = 200;
    private static final double LOADS_a = 20;
    private static final double HEAVY_LOADS_a = 90;
    private static final double OPEN_PER_CHARGE_v = 0.022;
    private static final double AS_PER_AH = 3600;
    private static final double CAPACITY_Ah = 40;
    private static final double FULL_pct = 100;
    private static final double REFERENCE_degC = 25;
    private static final double HIGHEST_v = 32;
    private static final int HALVINGS = 32;

    private final StartProfile.Supply.Battery battery;
    private final double new_ohm;
    private final double motor_ohm;
    private final double[] motor_a;
    private final double[] turning;
    private BatteryState state;
    private double charge_pct;
    private boolean ground;
    private boolean onBus;
    private int generators;
    private double loads_a;
    private double soft_s;
    private double bus_v;
    private double current_a;

    public StartPower(StartProfile.Supply.Battery battery, Surroundings surroundings, int engines) {
        this.battery = battery;
        state = BatteryState.good();
        charge_pct = state.charge_pct();
        new_ohm = battery.newAt(surroundings.soak_c()) / 1000;
        motor_ohm = battery.full_v() / battery.standstill_a() - battery.newAt(REFERENCE_degC) / 1000;
        motor_a = new double[engines + 1];
        turning = new double[engines + 1];
    }

    /** Another battery from now on. */
    public void battery(BatteryState other) {
        if (!other.equals(state)) {
            state = other;
            charge_pct = other.charge_pct();
        }
    }

    /** @param part of its free speed with which a motor turns, 0 to 1; NaN while it is not engaged */
    public void motor(int engine, double part) {
        turning[engine] = part;
    }

    /**
     * Steps on.
     *
     * @param groundOn whether ground power is on; @param batteryOn whether the battery is on the bus
     * @param running how many generators of running engines carry the bus
     * @param heavyLoads whether heavy loads are on
     */
    public void step(boolean groundOn, boolean batteryOn, int running, boolean heavyLoads, double dt_s) {
        ground = groundOn;
        onBus = batteryOn;
        generators = running;
        loads_a = heavyLoads ? HEAVY_LOADS_a : LOADS_a;
        boolean draws = false;
        for (double part : turning) {
            draws |= part > 0 || part == 0;
        }
        soft_s = draws ? Math.min(SOFT_s, soft_s + dt_s) : 0;
        bus_v = settled();
        current_a = bus_v > 0 ? loads_a : 0;
        for (int engine = 1; engine < turning.length; engine++) {
            motor_a[engine] = motor(turning[engine], bus_v);
            current_a += motor_a[engine];
        }
        if (onBus) {
            charge_pct = Math.clamp(
                    charge_pct - fromBattery(bus_v) * dt_s / AS_PER_AH / CAPACITY_Ah * FULL_pct, 0, FULL_pct);
        }
    }

    /** The volts at which what is given is what is taken; both go straight, so that halving finds them. */
    private double settled() {
        if (!onBus && !ground && generators == 0) {
            return 0;
        }
        double low = 0;
        double high = HIGHEST_v;
        for (int i = 0; i < HALVINGS; i++) {
            double volts = (low + high) / 2;
            double taken = loads_a;
            for (int engine = 1; engine < turning.length; engine++) {
                taken += motor(turning[engine], volts);
            }
            if (given(volts) > taken) {
                low = volts;
            } else {
                high = volts;
            }
        }
        return (low + high) / 2;
    }

    private double given(double volts) {
        double most = SOFT_FROM_a + (GROUND_MOST_a - SOFT_FROM_a) * soft_s / SOFT_s;
        return (onBus ? fromBattery(volts) : 0)
                + (ground ? Math.clamp((GROUND_v - volts) / GROUND_ohm, 0, most) : 0)
                + generators * Math.clamp((GENERATOR_v - volts) / GENERATOR_ohm, 0, GENERATOR_MOST_a);
    }

    private double fromBattery(double volts) {
        double open = battery.full_v() - OPEN_PER_CHARGE_v * (FULL_pct - charge_pct);
        double full = charge_pct >= FULL_pct ? 0 : TAKES_MOST_a;
        return Math.max(-full, (open - volts) / (new_ohm * state.resistanceOverNew()));
    }

    private double motor(double part, double volts) {
        return Double.isNaN(part) ? 0 : Math.max(0, (volts - part * battery.full_v()) / motor_ohm);
    }

    /** Volts at the bus. */
    public double bus_v() {
        return bus_v;
    }

    /** Current that loads and motors draw, A. */
    public double current_a() {
        return current_a;
    }

    /** What turns the motor of an engine against what a new battery gives at standstill, 0 and up. */
    public double torque(int engine) {
        return motor_a[engine] / battery.standstill_a();
    }
}
