package org.skelda.core.start;

import org.skelda.core.limit.Signal;
import org.skelda.core.limit.SlopeWindow;

/**
 * A temperature that leaps at light-off so fast that a curve through a second of readings comes too late: some engines
 * pass their highest limit within three seconds of it.
 *
 * <p>Said from 0.3 to 2.5 s after light-off when T + 1.7 s x slope is over the limit, the slope by least squares over
 * the last 0.8 s. A good start gains 100 to 270 degC a second then and stays 150 degC and more under it. Times are
 * microseconds. One thread.
 */
final class LeapingHeat {
    private static final long WINDOW_us = 800_000;
    private static final long FROM_us = 300_000;
    private static final long UNTIL_us = 2_500_000;
    private static final double AHEAD_s = 1.7;

    private SlopeWindow slope = new SlopeWindow(WINDOW_us, 0);
    private long began_us = Signal.NEVER;
    private long last_us;
    private double last_c;

    /** Forgets everything: the engine has just lit. */
    void restart() {
        began_us = Signal.NEVER;
    }

    /** A reading. @param at_us when; @param temperature_c degC */
    void read(long at_us, double temperature_c) {
        if (began_us == Signal.NEVER) {
            began_us = at_us;
            slope = new SlopeWindow(WINDOW_us, at_us);
        }
        slope.read(at_us, temperature_c);
        last_us = at_us;
        last_c = temperature_c;
    }

    /** Whether it leaps over a limit (degC). */
    boolean passes(double limit_c) {
        long since_us = last_us - began_us;
        return began_us != Signal.NEVER
                && since_us >= FROM_us
                && since_us <= UNTIL_us
                && last_c + slope.perSecond() * AHEAD_s > limit_c;
    }
}
