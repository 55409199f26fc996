package org.skelda.sim;

import org.skelda.core.bleed.StandardAir;

/**
 * Where and in what weather the aircraft stands.
 *
 * @param oat_c outside air, degC, -60 to 55
 * @param elevation_ft of the stand, -1,000 to 15,000
 * @param tailWind_kt wind from behind, kt; negative from ahead
 * @param soak_c temperature of engine, oil and battery after standing, degC, -60 to 55
 */
public record Surroundings(double oat_c, double elevation_ft, double tailWind_kt, double soak_c) {
    /** @throws IllegalArgumentException for weather or a stand out of range */
    public Surroundings {
        if (!(oat_c >= -60 && oat_c <= 55)
                || !(soak_c >= -60 && soak_c <= 55)
                || !(elevation_ft >= -1000 && elevation_ft <= 15_000)
                || !(Math.abs(tailWind_kt) <= 60)) {
            throw new IllegalArgumentException("a stand at " + elevation_ft + " ft in " + oat_c + " degC and "
                    + tailWind_kt + " kt is out of range; give -1,000 to 15,000 ft, -60 to 55 degC, up to 60 kt");
        }
    }

    /** An aircraft that is as warm as the air around it. */
    public Surroundings(double oat_c, double elevation_ft, double tailWind_kt) {
        this(oat_c, elevation_ft, tailWind_kt, oat_c);
    }

    /** The same, after standing in other air. @param temperature_c of engine, oil and battery, degC */
    public Surroundings soaked(double temperature_c) {
        return new Surroundings(oat_c, elevation_ft, tailWind_kt, temperature_c);
    }

    /** A calm day of 15 degC at sea level. */
    public static Surroundings standard() {
        return new Surroundings(15, 0, 0);
    }

    /** Air pressure against sea level. */
    public double delta() {
        return StandardAir.delta(elevation_ft);
    }

    /** Air density against a standard day at sea level. */
    public double sigma() {
        return StandardAir.sigma(elevation_ft, oat_c);
    }
}
