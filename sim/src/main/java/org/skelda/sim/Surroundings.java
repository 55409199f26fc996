package org.skelda.sim;

/**
 * Where and in what weather the aircraft stands.
 *
 * @param oat_c outside air, degC, -60 to 55
 * @param elevation_ft of the stand, -1,000 to 15,000
 * @param tailWind_kt wind from behind, kt; negative from ahead
 */
public record Surroundings(double oat_c, double elevation_ft, double tailWind_kt) {
    private static final double SEA_LEVEL_K = 288.15;
    private static final double LAPSE_K_PER_M = 0.0065;
    private static final double PRESSURE_EXPONENT = 5.25588;
    private static final double M_PER_FT = 0.3048;
    private static final double ZERO_C_IN_K = 273.15;

    /** @throws IllegalArgumentException for weather or a stand out of range */
    public Surroundings {
        if (!(oat_c >= -60 && oat_c <= 55)
                || !(elevation_ft >= -1000 && elevation_ft <= 15_000)
                || !(Math.abs(tailWind_kt) <= 60)) {
            throw new IllegalArgumentException("a stand at " + elevation_ft + " ft in " + oat_c + " degC and "
                    + tailWind_kt + " kt is out of range; give -1,000 to 15,000 ft, -60 to 55 degC, up to 60 kt");
        }
    }

    /** A calm day of 15 degC at sea level. */
    public static Surroundings standard() {
        return new Surroundings(15, 0, 0);
    }

    /** Air pressure against sea level. Source: ICAO Doc 7488, troposphere. */
    public double delta() {
        return Math.pow(1 - LAPSE_K_PER_M * elevation_ft * M_PER_FT / SEA_LEVEL_K, PRESSURE_EXPONENT);
    }

    /** Air density against a standard day at sea level. */
    public double sigma() {
        return delta() * SEA_LEVEL_K / (oat_c + ZERO_C_IN_K);
    }
}
