package org.skelda.sim.start;

import java.util.Arrays;
import java.util.List;
import org.skelda.core.limit.Limit;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StartProfile.Remedy.Doing;

/**
 * The computer of an automatic start. On its master it engages the starter, brings ignition and fuel at their speeds
 * (fuel only once the engine is cool enough), and guards light-off, flow, temperature and a hung start; nothing else.
 * What it finds stops fuel and ignition after a moment; then it goes on turning as the type's remedy says, tries again
 * if the type grants it a try, and lets the starter go. One thread.
 */
final class StartComputer {
    private static final double FLOW_HIGH_FOR_s = 0.5;
    private static final double FLOW_WATCHED_s = 3;
    private static final double HUNG_UNDER_IDLE_pct = 4;
    private static final double RATE_OVER_s = 1;
    private static final double HUNG_SURE_AFTER_s = 2;
    private static final double REACTS_AFTER_s = 0.6;
    private static final double COOLER_BY_degC = 5;

    /** Where it stands. */
    private enum Phase {
        OFF,
        STARTING,
        /** Fuel off, the starter turns on. */
        CLEARING,
        STOPPED
    }

    private final StartProfile profile;
    private Phase phase = Phase.OFF;
    private boolean fuel;
    private boolean starterDone;
    private boolean everLit;
    private double fuelFor_s;
    private double litFor_s;
    private double highFor_s;
    private double slowFor_s;
    private double wrongFor_s;
    private double cleared_s;
    private double rate_pctps;
    private int tries;
    private final double[] above_s;

    StartComputer(StartProfile profile) {
        this.profile = profile;
        above_s = new double[profile.temperatureLimits().size()];
    }

    /** What it sees. */
    record Seen(double spool_pct, double temperature_c, double flow_kgph, boolean lit) {}

    /**
     * Steps on.
     *
     * @param master whether its master is on
     * @param stops whether it stops what it finds
     */
    void step(boolean master, Seen seen, double spoolBefore_pct, boolean stops, double dt_s) {
        if (!master) {
            off(seen, dt_s);
            return;
        }
        if (phase == Phase.OFF) {
            begin();
        }
        rate_pctps += ((seen.spool_pct() - spoolBefore_pct) / dt_s - rate_pctps) * Math.min(1, dt_s / RATE_OVER_s);
        if (phase == Phase.STARTING) {
            starting(seen, stops, dt_s);
        } else if (phase == Phase.CLEARING) {
            clearing(seen, dt_s);
        }
    }

    /** The crew's cut is one like its own: an engine that had fuel is turned on until it is clear. */
    private void off(Seen seen, double dt_s) {
        boolean fuelled = fuel;
        fuel = false;
        if (phase == Phase.STARTING && fuelled && !starterDone) {
            phase = Phase.CLEARING;
        }
        if (phase == Phase.CLEARING) {
            tries = profile.remedy().tries();
            clearing(seen, dt_s);
        } else {
            phase = Phase.OFF;
            tries = 0;
        }
    }

    private void begin() {
        phase = Phase.STARTING;
        tries++;
        starterDone = false;
        everLit = false;
        fuelFor_s = 0;
        litFor_s = 0;
        highFor_s = 0;
        slowFor_s = 0;
        wrongFor_s = 0;
        cleared_s = 0;
        Arrays.fill(above_s, 0);
    }

    private void starting(Seen seen, boolean stops, double dt_s) {
        starterDone |= seen.spool_pct() >= profile.starter().cutOut_pct();
        fuel |= seen.spool_pct() >= profile.fuel().minimum_pct()
                && seen.temperature_c() <= profile.fuel().hottestBefore_c() - COOLER_BY_degC;
        if (!fuel) {
            return;
        }
        fuelFor_s += dt_s;
        everLit |= seen.lit();
        litFor_s = everLit ? litFor_s + dt_s : 0;
        boolean found = wrong(seen, dt_s);
        wrongFor_s = stops && (found || wrongFor_s > 0) ? wrongFor_s + dt_s : 0;
        if (wrongFor_s > REACTS_AFTER_s) {
            fuel = false;
            phase = Phase.CLEARING;
        }
    }

    private boolean wrong(Seen seen, double dt_s) {
        boolean dark = !everLit && fuelFor_s > profile.lightOffWithin().toMillis() / 1000.0;
        highFor_s =
                seen.flow_kgph() > profile.fuel().cutAbove_kgph() && litFor_s < FLOW_WATCHED_s ? highFor_s + dt_s : 0;
        boolean below = seen.spool_pct() < profile.idle().speed_pct() - HUNG_UNDER_IDLE_pct;
        slowFor_s = below && litFor_s > 2 && rate_pctps < profile.hung().rate_pctps() ? slowFor_s + dt_s : 0;
        boolean hot = false;
        List<Limit> limits = profile.temperatureLimits();
        for (int i = 0; i < above_s.length; i++) {
            above_s[i] = seen.temperature_c() > limits.get(i).value() ? above_s[i] + dt_s : 0;
            hot |= above_s[i] > limits.get(i).allowed().toMillis() / 1000.0;
        }
        return dark
                || hot
                || highFor_s >= FLOW_HIGH_FOR_s
                || slowFor_s >= profile.hung().time().toMillis() / 1000.0 + HUNG_SURE_AFTER_s;
    }

    private void clearing(Seen seen, double dt_s) {
        cleared_s += dt_s;
        boolean clear = everLit ? seen.temperature_c() <= profile.fuel().hottestBefore_c() : cleared_s >= turns_s();
        boolean tired = cleared_s >= profile.starter().allowed().toMillis() / 1000.0;
        if (clear && tries < profile.remedy().tries()) {
            begin();
        } else if (clear || tired) {
            phase = Phase.STOPPED;
        }
    }

    private double turns_s() {
        return profile.remedy().noLight().stream()
                .filter(step -> step.doing() == Doing.KEEP_TURNING && step.time() != null)
                .mapToDouble(step -> step.time().toMillis() / 1000.0)
                .sum();
    }

    boolean starter() {
        return phase == Phase.STARTING && !starterDone || phase == Phase.CLEARING;
    }

    boolean fuel() {
        return fuel;
    }

    /** @param spool_pct as it turns */
    boolean ignition(double spool_pct) {
        Double at = profile.drive().ignitionAt_pct();
        return phase == Phase.STARTING && !starterDone && at != null && spool_pct >= at;
    }
}
