package org.skelda.sim.bleed;

import java.util.Set;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.Controls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;

/**
 * Air from the APU at the starter valve. Static pressure falls with the pressure of the air around and with heat; packs
 * take their share; a starter that swallows air lowers it, the less the faster it turns.
 *
 * <p>p = p0 (0.35 + 0.65 delta) (1 - 0.0012 (OAT - 15)) (1 - packs) (1 - swallow (1 - N / Nfree)). p0 is what the type
 * needs before the starter, and a sixth more.
 */
public final class AirSupply {
    private static final double SPARE = 1.16;
    private static final double BY_DELTA = 0.65;
    private static final double PER_DEGREE = 0.0012;
    private static final double PACKS_TAKE = 0.17;
    private static final double SWALLOW = 0.13;
    private static final double WEAK = 0.70;
    private static final double STANDARD_degC = 15;
    private static final double LAG_s = 0.15;

    private final double rated_kpa;
    private final double around;
    private double duct_kpa;

    public AirSupply(StartProfile profile, Surroundings surroundings, Set<Failure> failures) {
        rated_kpa = profile.supply().beforeStarter() * SPARE * (failures.contains(Failure.WEAK_AIR) ? WEAK : 1);
        around = (1 - BY_DELTA + BY_DELTA * surroundings.delta())
                * (1 - PER_DEGREE * (surroundings.oat_c() - STANDARD_degC));
    }

    /**
     * Steps on.
     *
     * @param engaged whether the start valve is open
     * @param part of the starter's free speed that it turns with, 0 to 1
     * @param dt_s step (s)
     * @return duct pressure (kPa gauge)
     */
    public double step(Controls controls, boolean engaged, double part, double dt_s) {
        double target = !controls.air()
                ? 0
                : rated_kpa
                        * around
                        * (controls.packsOn() ? 1 - PACKS_TAKE : 1)
                        * (engaged ? 1 - SWALLOW * Math.max(0, 1 - part) : 1);
        duct_kpa += (target - duct_kpa) * Math.min(1, dt_s / LAG_s);
        return duct_kpa;
    }

    /** Puts the duct at rest before a start. */
    public double settle(Controls controls) {
        return step(controls, false, 0, Double.POSITIVE_INFINITY);
    }
}
