package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.StandardAir;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Range;
import org.skelda.core.start.BeforeStart.Today;

/**
 * The peak to expect in today's air. Behind the burner it is hotter than the air that goes in by what the fuel adds,
 * and that is the more the less air there is for the fuel. At light-off the air that a given speed draws falls with its
 * density, the fuel that is metered only partly with it: the rise over the outside air goes with density to the power
 * of {@value #THINNER}. Wind from behind holds air back: the rise grows by {@value #WIND_PER_kt} of itself for each
 * knot. Both are measured on the simulated aircraft of six types, between -25 and 38 degC and up to 5,000 ft (0.52 to
 * 0.62), and up to 20 kt (0.0020 to 0.0030).
 */
final class PeakToday {
    private static final double THINNER = 0.55;
    private static final double WIND_PER_kt = 0.0025;
    private static final double WORTH_SAYING_kt = 5;

    private PeakToday() {}

    /** Null where none of the starts has a peak. @param ten the last starts */
    static @Nullable Range range(Today today, List<Past> ten) {
        List<Past> known = ten.stream().filter(past -> past.peak_c() != null).toList();
        double behind_kt = Math.max(0, today.tailWind_kt());
        return BeforeStart.range(
                known,
                past -> inTodaysAir(today, past),
                text(
                        behind_kt < WORTH_SAYING_kt
                                ? "its last %s, brought to %.0f °C and %,.0f ft"
                                : "its last %s, brought to %.0f °C, %,.0f ft and %.0f kt from behind",
                        BeforeStart.count(known.size()),
                        today.oat_c(),
                        today.elevation_ft(),
                        behind_kt));
    }

    private static @Nullable Double inTodaysAir(Today today, Past past) {
        Double peak_c = past.peak_c();
        double thinner = StandardAir.sigma(past.elevation_ft(), past.oat_c())
                / StandardAir.sigma(today.elevation_ft(), today.oat_c());
        Double then_kt = past.tailWind_kt();
        double windier = heldBack(today.tailWind_kt()) / heldBack(then_kt == null ? 0 : then_kt);
        return peak_c == null
                ? null
                : (Double) (today.oat_c() + (peak_c - past.oat_c()) * Math.pow(thinner, THINNER) * windier);
    }

    private static double heldBack(double tailWind_kt) {
        return 1 + WIND_PER_kt * Math.max(0, tailWind_kt);
    }
}
