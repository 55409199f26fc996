package org.skelda.app.simulator;

import org.jspecify.annotations.Nullable;
import org.skelda.app.start.DayOfStart;
import org.skelda.core.departure.Departure;
import org.skelda.core.simulator.SoakControl;
import org.skelda.sim.Surroundings;

/** The weather in which the simulated aircraft of a departure stands: that which its crew has been told. */
final class WeatherOfDeparture {
    private static final double STANDARD_C = 15;
    private static final double COLDEST_C = -60;
    private static final double WARMEST_C = 55;
    private static final double LOWEST_FT = -1000;
    private static final double HIGHEST_FT = 15_000;
    private static final double MOST_KT = 60;

    private WeatherOfDeparture() {}

    /** Calm and 15 degC as far as nobody has told it; no weather that the simulation does not know. */
    static Surroundings of(Departure departure) {
        Double oat_c = null;
        Double tailWind_kt = null;
        for (int engine : departure.plan().engines()) {
            oat_c = oat_c == null ? DayOfStart.oat_c(departure, engine) : oat_c;
            tailWind_kt = tailWind_kt == null ? DayOfStart.tailWind_kt(departure, engine) : tailWind_kt;
        }
        Surroundings air = new Surroundings(
                Math.clamp(or(oat_c, STANDARD_C), COLDEST_C, WARMEST_C),
                Math.clamp(departure.opening().elevation_ft(), LOWEST_FT, HIGHEST_FT),
                Math.clamp(or(tailWind_kt, 0), -MOST_KT, MOST_KT));
        Double soak_c = SoakControl.soak_c(departure.controls());
        return soak_c == null ? air : air.soaked(soak_c);
    }

    private static double or(@Nullable Double told, double otherwise) {
        return told == null ? otherwise : told;
    }
}
