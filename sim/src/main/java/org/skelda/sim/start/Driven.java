package org.skelda.sim.start;

import org.skelda.core.start.StartProfile;
import org.skelda.sim.Failure;
import org.skelda.sim.Faults;
import org.skelda.sim.Surroundings;

/**
 * What the spool drives along: fan or propeller, and the oil pump. Wind from behind holds the fan back, or turns it
 * backwards, until the spool's flow is stronger. Cold oil is thick: its pressure is higher and comes later.
 */
final class Driven {
    private static final double FAN_AT_IDLE_pct = 21;
    private static final double PROPELLER_AT_IDLE_rpm = 950;
    private static final double COUPLING_POWER = 1.4;
    private static final double OVER_IDLE = 3.2;
    private static final double WIND_AT_WORST_kt = 40;
    private static final double LAG_s = 1.6;
    private static final double BREAKS_LOOSE_AT = 0.10;
    private static final double WIND_PER_kt = 0.0035;
    private static final double OIL_LAG_s = 1.2;
    private static final double OIL_POWER = 0.75;
    private static final double THICKER_PER_degC = 0.004;
    private static final double REFERENCE_degC = 15;

    private final StartProfile profile;
    private final Surroundings surroundings;
    private final Faults faults;
    private double fan;
    private double oil_kpa;

    Driven(StartProfile profile, Surroundings surroundings, Faults faults) {
        this.profile = profile;
        this.surroundings = surroundings;
        this.faults = faults;
        fan = atRest();
    }

    private double most() {
        return profile.drive().engine() == StartProfile.Engine.JET ? FAN_AT_IDLE_pct : PROPELLER_AT_IDLE_rpm;
    }

    private double atRest() {
        double behind_kt = surroundings.tailWind_kt() + WIND_AT_WORST_kt * faults.of(Failure.TAIL_WIND);
        return -most() * WIND_PER_kt * Math.max(0, behind_kt);
    }

    void step(double n, double dt_s) {
        double turned = n <= 1 ? Math.pow(n, COUPLING_POWER) : 1 + OVER_IDLE * (n - 1);
        double target = n < BREAKS_LOOSE_AT ? atRest() : most() * turned + atRest() * Math.max(0, 1 - n);
        fan += (target * (1 - faults.of(Failure.FAN_SEIZED)) - fan) * dt_s / LAG_s;
        double middle = (profile.idle().oilLeast_kpa() + profile.idle().oilMost_kpa()) / 2;
        double cold = 1 + THICKER_PER_degC * (REFERENCE_degC - surroundings.soak_c());
        double oilTarget = n == 0
                ? 0
                : middle
                        * Math.min(1.3, cold)
                        * Math.pow(Math.min(1, n), OIL_POWER)
                        * (1 - faults.of(Failure.NO_OIL_PRESSURE));
        oil_kpa += (oilTarget - oil_kpa) * dt_s / OIL_LAG_s;
    }

    /** Whether nothing of it changes any more by itself. */
    boolean isAtRest() {
        return oil_kpa < 1e-3 && Math.abs(fan - atRest()) < 1e-3;
    }

    /** N1 (%) or propeller speed (rpm); below zero when it turns backwards. */
    double fan() {
        return fan;
    }

    double oil_kpa() {
        return oil_kpa;
    }
}
