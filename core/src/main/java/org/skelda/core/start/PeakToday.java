package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.List;
import org.hipparchus.stat.descriptive.rank.Median;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.StandardAir;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Range;
import org.skelda.core.start.BeforeStart.Today;

/**
 * The peak to expect in today's air. Behind the burner it is hotter than the air that goes in by what the fuel adds,
 * and that is the more the less air there is for the fuel. At light-off the air that a given speed draws falls with its
 * density, the fuel that is metered only partly with it: the rise over the outside air goes with density to the power
 * of {@value #THINNER}. The power is measured on the simulated aircraft of six types, between -25 and 38 degC and up to
 * 5,000 ft: 0.52 to 0.62. Wind from behind makes it hotter still, by how much nobody knows beforehand; it is told.
 */
final class PeakToday {
    private static final double THINNER = 0.55;
    private static final double WORTH_SAYING_kt = 5;

    private PeakToday() {}

    /** Null where none of the starts has a peak. @param ten the last starts */
    static @Nullable Range range(Today today, List<Past> ten) {
        List<Past> known = ten.stream().filter(past -> past.peak_c() != null).toList();
        return BeforeStart.range(
                known,
                past -> inTodaysAir(today, past),
                text(
                        "its last %s, brought to %.0f °C and %,.0f ft%s",
                        BeforeStart.count(known.size()), today.oat_c(), today.elevation_ft(), wind(today, known)));
    }

    private static @Nullable Double inTodaysAir(Today today, Past past) {
        Double peak_c = past.peak_c();
        double thinner = StandardAir.sigma(past.elevation_ft(), past.oat_c())
                / StandardAir.sigma(today.elevation_ft(), today.oat_c());
        return peak_c == null ? null : (Double) (today.oat_c() + (peak_c - past.oat_c()) * Math.pow(thinner, THINNER));
    }

    private static String wind(Today today, List<Past> known) {
        double[] then = known.stream()
                .map(Past::tailWind_kt)
                .mapToDouble(wind -> wind == null ? 0 : Math.max(0, wind))
                .toArray();
        double more = Math.max(0, today.tailWind_kt()) - (then.length == 0 ? 0 : new Median().evaluate(then));
        return more < WORTH_SAYING_kt ? "" : text("; hotter by %.0f kt more from behind", more);
    }
}
