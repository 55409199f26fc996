package org.skelda.core.bleed;

/** The air around a stand. Source: ICAO Doc 7488, troposphere. */
public final class StandardAir {
    private static final double SEA_LEVEL_K = 288.15;
    private static final double LAPSE_K_PER_M = 0.0065;
    private static final double PRESSURE_EXPONENT = 5.25588;
    private static final double M_PER_FT = 0.3048;
    private static final double ZERO_C_IN_K = 273.15;

    private StandardAir() {}

    /** Air pressure against sea level, 1 at 0 ft. @param pressureAltitude_ft -1,000 to 36,000 */
    public static double delta(double pressureAltitude_ft) {
        return Math.pow(1 - LAPSE_K_PER_M * pressureAltitude_ft * M_PER_FT / SEA_LEVEL_K, PRESSURE_EXPONENT);
    }

    /** Air density against a standard day at sea level. @param oat_c outside air, degC, above -273 */
    public static double sigma(double pressureAltitude_ft, double oat_c) {
        return delta(pressureAltitude_ft) * SEA_LEVEL_K / (oat_c + ZERO_C_IN_K);
    }
}
