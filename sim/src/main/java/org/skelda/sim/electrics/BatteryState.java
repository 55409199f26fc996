package org.skelda.sim.electrics;

/**
 * What has become of a battery.
 *
 * @param charge_pct 0 to 100
 * @param resistanceOverNew against a new one of the same type and temperature, 0.5 to 10
 */
public record BatteryState(double charge_pct, double resistanceOverNew) {
    private static final double FULL_pct = 100;
    private static final double WORST_MISSES_pct = 55;
    private static final double WORST_OVER_NEW = 0.9;

    /** @throws IllegalArgumentException out of range */
    public BatteryState {
        if (!(charge_pct >= 0 && charge_pct <= 100) || !(resistanceOverNew >= 0.5 && resistanceOverNew <= 10)) {
            throw new IllegalArgumentException("a battery charged to " + charge_pct + " % with " + resistanceOverNew
                    + " times its resistance is out of range; give 0 to 100 % and 0.5 to 10 times");
        }
    }

    /** New and full. */
    public static BatteryState good() {
        return weak(0);
    }

    /** Old and partly empty. @param severity 0 for good, 1 for half charged with almost twice its resistance */
    public static BatteryState weak(double severity) {
        return new BatteryState(FULL_pct - WORST_MISSES_pct * severity, 1 + WORST_OVER_NEW * severity);
    }
}
