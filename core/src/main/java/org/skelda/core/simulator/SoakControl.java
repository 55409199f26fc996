package org.skelda.core.simulator;

import org.jspecify.annotations.Nullable;

/** How cold or warm the simulated aircraft stood before its first start: as the air around it, or otherwise. */
public final class SoakControl {
    private static final String SOAK = "soak";
    private static final String AIR = "air";
    private static final int COLDEST_C = -60;
    private static final int WARMEST_C = 55;

    private SoakControl() {}

    /** Whether a control is this one. */
    public static boolean has(String control) {
        return control.equals(SOAK);
    }

    /** Temperature of engines, oil and battery before anything is started, degC; null for that of the air. */
    public static @Nullable Double soak_c(Controls controls) {
        String position = controls.positions().getOrDefault(SOAK, AIR);
        return position.equals(AIR) ? null : (Double) Double.parseDouble(position);
    }

    /** What is wrong with a move, in a sentence; null when nothing is, or when it is of another control. */
    static @Nullable String wrong(SimulatorAsk.TapControl tap) {
        if (!has(tap.control()) || tap.position().equals(AIR)) {
            return null;
        }
        try {
            int soak_c = Integer.parseInt(tap.position());
            if (soak_c >= COLDEST_C && soak_c <= WARMEST_C) {
                return null;
            }
        } catch (NumberFormatException _) {
            // Said below, as a number out of range is.
        }
        return "'" + tap.position() + "' is no position of soak; it is 'air', or whole degrees from " + COLDEST_C
                + " to " + WARMEST_C + ".";
    }
}
