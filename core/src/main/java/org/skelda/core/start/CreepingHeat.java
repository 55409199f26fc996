package org.skelda.core.start;

import org.skelda.core.limit.Signal;
import org.skelda.core.limit.SlopeWindow;

/**
 * A temperature that climbs slowly and does not turn over, towards a limit that it will pass. A curve through its last
 * seconds lies within the noise of the limit until it is almost there; what tells it earlier is that it goes on
 * straight, and that the starter will go out on the way: the engine then pays with fuel for what the starter gave, and
 * the temperature steps up.
 *
 * <p>Said when T + s h + step is over the limit, h = 3 s, s the slope over the last 3 s, at least 3 degC/s and at least
 * 0.75 of the slope over the last 6 s. The step is 0.06 of the rise since light-off, where the starter still turns and
 * the spool reaches its cut-out within h; in 300 recorded normal starts of two types the step was -0.002 to 0.105 of
 * it, 0.04 and 0.07 in the middle. Times are microseconds. One thread.
 */
final class CreepingHeat {
    private static final long LATE_us = 3_000_000;
    private static final long LONG_us = 6_000_000;
    private static final long READY_us = 5_800_000;
    private static final double AHEAD_s = 3;
    private static final double LEAST_degCps = 3;
    private static final double GOES_ON = 0.75;
    private static final double STEPS_BY = 0.06;
    /** The newest readings count most in what stands for the temperature now. */
    private static final double SMOOTHED = 0.3;

    private SlopeWindow late = new SlopeWindow(LATE_us, 0);
    private SlopeWindow whole = new SlopeWindow(LONG_us, 0);
    private SlopeWindow left = new SlopeWindow(LATE_us, 0);
    private long began_us = Signal.NEVER;
    private long last_us;
    private double base_c;
    private double smooth_c;
    private double left_pct = Double.NaN;

    /** Forgets everything: the engine has just lit, or sight was lost. */
    void restart() {
        began_us = Signal.NEVER;
    }

    /**
     * A reading.
     *
     * @param toCutOut_pct start spool that is still to come until the starter goes out; NaN once it is out, or unread
     */
    void read(long at_us, double temperature_c, double toCutOut_pct) {
        if (began_us == Signal.NEVER) {
            began_us = at_us;
            base_c = temperature_c;
            smooth_c = temperature_c;
            late = new SlopeWindow(LATE_us, at_us);
            whole = new SlopeWindow(LONG_us, at_us);
            left = new SlopeWindow(LATE_us, at_us);
        }
        late.read(at_us, temperature_c);
        whole.read(at_us, temperature_c);
        smooth_c += (temperature_c - smooth_c) * SMOOTHED;
        left_pct = toCutOut_pct;
        if (!Double.isNaN(toCutOut_pct)) {
            left.read(at_us, toCutOut_pct);
        }
        last_us = at_us;
    }

    /** Whether it will pass a limit (degC). */
    boolean passes(double limit_c) {
        double slope = late.perSecond();
        if (began_us == Signal.NEVER
                || last_us - began_us < READY_us
                || !(slope >= LEAST_degCps)
                || !(slope >= GOES_ON * whole.perSecond())) {
            return false;
        }
        boolean goesOut = left_pct > 0 && left_pct + left.perSecond() * AHEAD_s <= 0;
        double step = goesOut ? STEPS_BY * (smooth_c - base_c) : 0;
        return smooth_c + slope * AHEAD_s + step > limit_c;
    }
}
