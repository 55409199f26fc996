package org.skelda.sim.electrics;

import org.skelda.core.start.StartProfile;
import org.skelda.sim.Controls;
import org.skelda.sim.Surroundings;

/**
 * A battery or ground power behind a resistance, and a motor whose current falls as it turns.
 *
 * <p>I = (E - k N) / (Rs + Rm), V = E - I Rs. E is open-circuit volts or ground power's; Rs the battery's resistance by
 * temperature, or ground power's; Rm the motor's and its cable's, chosen so that a new battery at 25 degC gives the
 * type's current at standstill; k N the motor's own volts against it.
 */
public final class PowerSupply {
    private static final double GROUND_v = 28.2;
    private static final double GROUND_mohm = 3.0;
    private static final double GROUND_MOST_a = 1300;
    private static final double LOADS_a = 20;
    private static final double HEAVY_LOADS_a = 90;
    private static final double OPEN_PER_CHARGE_v = 0.022;
    private static final double AS_PER_AH = 3600;
    private static final double CAPACITY_Ah = 40;
    private static final double FULL_pct = 100;
    private static final double REFERENCE_degC = 25;

    private final StartProfile.Supply.Battery battery;
    private final double battery_mohm;
    private final double motor_mohm;
    private double charge_pct;
    private double current_a;
    private double motor_a;
    private double bus_v;

    public PowerSupply(StartProfile.Supply.Battery battery, Surroundings surroundings, BatteryState state) {
        this.battery = battery;
        charge_pct = state.charge_pct();
        battery_mohm = battery.newAt(surroundings.oat_c()) * state.resistanceOverNew();
        motor_mohm = battery.full_v() / battery.standstill_a() * 1000 - battery.newAt(REFERENCE_degC);
    }

    /**
     * Steps on.
     *
     * @param engaged whether the starter draws
     * @param part of the motor's free speed that it turns with, 0 to 1
     * @param dt_s step (s)
     */
    public void step(Controls controls, boolean engaged, double part, double dt_s) {
        double open =
                controls.groundPower() ? GROUND_v : battery.full_v() - OPEN_PER_CHARGE_v * (FULL_pct - charge_pct);
        double source = controls.groundPower() ? GROUND_mohm : battery_mohm;
        motor_a = engaged ? Math.max(0, (open - part * battery.full_v()) / (source + motor_mohm) * 1000) : 0;
        current_a = motor_a + (controls.packsOn() ? HEAVY_LOADS_a : LOADS_a);
        if (controls.groundPower()) {
            current_a = Math.min(current_a, GROUND_MOST_a);
        } else {
            charge_pct = Math.max(0, charge_pct - current_a * dt_s / AS_PER_AH / CAPACITY_Ah * FULL_pct);
        }
        bus_v = open - current_a * source / 1000;
    }

    /** Volts at the bus. */
    public double bus_v() {
        return bus_v;
    }

    /** Current drawn, A. */
    public double current_a() {
        return current_a;
    }

    /** What turns the motor against what a new battery gives at standstill, 0 and up. */
    public double torque() {
        return motor_a / battery.standstill_a();
    }
}
