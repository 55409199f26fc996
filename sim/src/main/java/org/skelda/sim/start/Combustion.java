package org.skelda.sim.start;

import java.util.List;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Faults;
import org.skelda.sim.Surroundings;

/**
 * Fuel, flame and temperature.
 *
 * <p>Light-off needs ignition, flow and some turning for a moment. Fuel that does not burn collects, and burns with the
 * rest once it lights: a late light is a hot one. The gas strives for OAT + K f / (c + sigma n w), f the burning fuel
 * against light-off flow, n the spool against idle, w what wind from behind leaves of the flow; the sensor follows with
 * a lag. K and c are such that a good start peaks at 0.83 of the lowest start limit and idles in the middle of the
 * type's band. Without flame it cools, the faster the more air passes, to what the metal gives off: that heats with the
 * flame and cools slowly, so that a hot engine shows its heat again as it runs down, and is cooled by turning it.
 */
final class Combustion {
    private static final double PEAK_PART = 0.83;
    private static final double PEAK_OVER_MOTORING = 0.12;
    private static final double STANDARD_degC = 15;
    private static final double FUEL_LAG_s = 0.35;
    private static final double LIGHTS_AFTER_s = 2.2;
    private static final double FLOW_TO_LIGHT = 0.6;
    private static final double TURNING_TO_LIGHT = 0.08;
    private static final double GAS_LAG_s = 2.4;
    private static final double COOLING_LAG_s = 1.4;
    private static final double STILL_AIR = 0.12;
    private static final double METAL_HEATS_IN_s = 10;
    private static final double METAL_COOLS_STILL_per_s = 0.002;
    private static final double METAL_COOLS_TURNING_per_s = 0.015;
    private static final double METAL_SHOWS = 0.6;
    private static final double AIR_HIDES_METAL = 0.8;
    private static final double BURNS_COLLECTED_IN_s = 3;
    private static final double MOST_COLLECTED_s = 14;
    private static final double DRAINS_IN_s = 30;
    private static final double WIND_TAKES_PER_kt = 0.016;
    private static final double FOULED = 0.6;
    private static final double LATER_AT_WORST = 4;
    private static final double WIND_AT_WORST_kt = 40;
    private static final double HEAT_AT_LEAST_degC = 150;
    private static final double HEAT_AT_WORST_degC = 250;
    private static final double FIRE_GROWS_AFTER_s = 4;
    private static final double FIRE_LAG_s = 7;
    private static final double FIRE_RISES_degC = 560;
    private static final double FIRE_LASTS_s = 130;
    private static final double OUT = 0.03;
    private static final double NO_MORE = 1e-6;
    private static final double AT_REST_degC = 0.02;

    private final StartProfile profile;
    private final Surroundings surroundings;
    private final Faults faults;
    private final double gain;
    private final double offset;
    private double fuel;
    private double collected_s;
    private double sparking_s;
    private double burning;
    private double fire_s;
    private boolean lit;
    private double litFor_s;
    private boolean opened;
    private double temperature_c;
    private double metal_c;

    Combustion(StartProfile profile, Surroundings surroundings, Faults faults, double motoring, double fuelAtIdle) {
        this.profile = profile;
        this.surroundings = surroundings;
        this.faults = faults;
        this.temperature_c = surroundings.soak_c();
        this.metal_c = temperature_c;
        double idle = (profile.idle().coolest_c() + profile.idle().hottest_c()) / 2 - STANDARD_degC;
        double peak = profile.temperatureLimits().getFirst().value() * PEAK_PART - STANDARD_degC;
        double at = motoring + PEAK_OVER_MOTORING;
        double ratio = idle / (peak * fuelAtIdle);
        offset = Math.max(0.05, (ratio - at) / (1 - ratio));
        gain = peak * (offset + at);
    }

    /** Residual heat from a run before. */
    void heatTo(double temperature) {
        temperature_c = temperature;
        metal_c = temperature;
    }

    /** Something else is wrong from now on. */
    void begin(List<Fault> wrong) {
        fire_s = 0;
        for (Fault fault : wrong) {
            if (fault.what() == Failure.HOT_RESTART) {
                heatTo(Math.max(temperature_c, HEAT_AT_LEAST_degC + HEAT_AT_WORST_degC * fault.severity()));
            }
        }
    }

    /**
     * Steps on.
     *
     * @param valve whether the fuel is on; @param shut whether the second means has shut it off
     * @param sparks whether the igniters are on
     * @param metered fuel that the control meters, against light-off flow
     * @param n spool against idle
     */
    void step(boolean valve, boolean shut, boolean sparks, double metered, double n, double dt_s) {
        opened |= valve;
        // A lever without effect leaves more or less of the fuel on.
        double open = shut ? 0 : valve ? 1 : opened ? faults.of(Failure.LEVER_INEFFECTIVE) : 0;
        double comes = open * metered * (1 - faults.of(Failure.NO_FUEL));
        fuel += (comes - fuel) * Math.min(1, dt_s / FUEL_LAG_s);
        fuel = comes == 0 && fuel < NO_MORE ? 0 : fuel;
        light(sparks, n, dt_s);
        burn(dt_s);
        heat(n, open > 0, dt_s);
    }

    private void light(boolean sparks, double n, double dt_s) {
        double bad = faults.of(Failure.NO_LIGHT_OFF);
        boolean may = sparks && bad < 1 && fuel > FLOW_TO_LIGHT && n > TURNING_TO_LIGHT;
        sparking_s = may ? sparking_s + dt_s : 0;
        boolean was = lit;
        lit = lit ? fuel > OUT : sparking_s >= LIGHTS_AFTER_s * (1 + LATER_AT_WORST * bad);
        litFor_s = lit ? (was ? litFor_s : 0) + dt_s : litFor_s;
    }

    private void burn(double dt_s) {
        if (lit) {
            double more = Math.min(collected_s, collected_s * dt_s / BURNS_COLLECTED_IN_s);
            collected_s -= more;
            // What the mixture needs to light does no harm; what collected beyond it does.
            burning = fuel + Math.max(0, more / dt_s - LIGHTS_AFTER_s / BURNS_COLLECTED_IN_s) * 0.5;
        } else {
            burning = 0;
            collected_s = Math.min(MOST_COLLECTED_s, collected_s + fuel * dt_s);
            collected_s -= fuel > OUT ? 0 : collected_s * dt_s / DRAINS_IN_s;
        }
    }

    private void heat(double n, boolean open, double dt_s) {
        // Wind into the exhaust is soon nothing against the spool's own flow.
        double wind = 1 - WIND_TAKES_PER_kt * behind_kt() * Math.max(0, 1 - n);
        double air = surroundings.sigma() * n * wind;
        if (lit) {
            double fouled = 1 + FOULED * faults.of(Failure.HOT);
            double target = surroundings.oat_c() + fouled * gain * burning / (offset + air);
            temperature_c += (target - temperature_c) * dt_s / GAS_LAG_s;
            metal_c += (temperature_c - metal_c) * dt_s / METAL_HEATS_IN_s;
        } else if (faults.has(Failure.INTERNAL_FIRE) && litFor_s > 1 && !open && fire_s < FIRE_LASTS_s) {
            // Pooled fuel burns on: hidden by the cooling at first, and blown out in the end by turning it.
            fire_s += dt_s * (1 + 2 * n);
            if (fire_s < FIRE_GROWS_AFTER_s) {
                cool(air, dt_s);
            } else {
                double hottest_c = surroundings.oat_c() + FIRE_RISES_degC * faults.of(Failure.INTERNAL_FIRE);
                temperature_c += (hottest_c - temperature_c) * dt_s / FIRE_LAG_s;
            }
        } else {
            cool(air, dt_s);
        }
    }

    private void cool(double air, double dt_s) {
        double oat_c = surroundings.oat_c();
        double target = oat_c + (metal_c - oat_c) * METAL_SHOWS / (1 + AIR_HIDES_METAL * air);
        temperature_c += (target - temperature_c) * dt_s * (STILL_AIR * STILL_AIR + air) / COOLING_LAG_s;
        metal_c += (oat_c - metal_c) * dt_s * (METAL_COOLS_STILL_per_s + METAL_COOLS_TURNING_per_s * air);
    }

    /** Wind from behind, kt; 0 for wind from ahead. */
    private double behind_kt() {
        return Math.max(0, surroundings.tailWind_kt() + WIND_AT_WORST_kt * faults.of(Failure.TAIL_WIND));
    }

    /** Whether nothing of it changes any more by itself. */
    boolean isAtRest() {
        return fuel == 0
                && !lit
                && collected_s < NO_MORE
                && Math.abs(temperature_c - surroundings.oat_c()) < AT_REST_degC
                && Math.abs(metal_c - surroundings.oat_c()) < AT_REST_degC;
    }

    boolean isLit() {
        return lit;
    }

    /** How long it has burnt, s. */
    double litFor_s() {
        return litFor_s;
    }

    /** Burning fuel against light-off flow, for the turbine: no more than what the flame can use. */
    double push() {
        return lit ? Math.min(burning, fuel * 1.15) : 0;
    }

    double temperature_c() {
        return temperature_c;
    }

    double flow_kgph() {
        return fuel * (profile.fuel().normalFrom_kgph() + profile.fuel().normalTo_kgph()) / 2;
    }
}
