package org.skelda.sim.electrics;

/**
 * What has become of a battery.
 *
 * @param charge_pct 0 to 100
 * @param resistanceOverNew against a new one of the same type and temperature, 0.5 to 10
 */
public record BatteryState(double charge_pct, double resistanceOverNew) {
    /** @throws IllegalArgumentException out of range */
    public BatteryState {
        if (!(charge_pct >= 0 && charge_pct <= 100) || !(resistanceOverNew >= 0.5 && resistanceOverNew <= 10)) {
            throw new IllegalArgumentException("a battery charged to " + charge_pct + " % with " + resistanceOverNew
                    + " times its resistance is out of range; give 0 to 100 % and 0.5 to 10 times");
        }
    }

    /** New and full. */
    public static BatteryState good() {
        return new BatteryState(100, 1);
    }

    /** Old and half charged. */
    public static BatteryState weak() {
        return new BatteryState(45, 1.9);
    }
}
