package org.skelda.core.apu;

import java.time.Duration;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Limit;

/**
 * The APU of a type: how it works, what it needs, what it must not pass, and how high it gives what.
 *
 * @param rule its times and speeds
 * @param batteryMin_v loaded volts of its battery for a start, V
 * @param startHeld how long its start switch is held; null when it is pressed
 * @param startLimits of its temperature while it is started, degC, from above
 * @param runningMax_C of its temperature while it runs
 * @param ceilings_ft pressure altitude up to which each may be asked for, ft; one for every load
 * @param burn_kgph fuel it burns, kg/h, positive
 * @param tank the measure that tells how much is in the tank that feeds it, by its id; null when none does
 * @param source where all this comes from
 */
public record ApuProfile(
        ApuRule rule,
        double batteryMin_v,
        @Nullable Duration startHeld,
        List<Limit> startLimits,
        double runningMax_C,
        Map<ApuLoad, Double> ceilings_ft,
        double burn_kgph,
        @Nullable String tank,
        String source) {

    /** @throws IllegalArgumentException when a number cannot be, or a ceiling is missing */
    public ApuProfile {
        startLimits = List.copyOf(startLimits);
        EnumMap<ApuLoad, Double> ceilings = new EnumMap<>(ApuLoad.class);
        ceilings.putAll(ceilings_ft);
        ceilings_ft = Map.copyOf(ceilings);
        if (!(burn_kgph > 0)) {
            throw new IllegalArgumentException("APU: it burns some fuel");
        }
        if (startLimits.isEmpty()) {
            throw new IllegalArgumentException("APU: its start needs at least one temperature limit");
        }
        if (startLimits.stream().anyMatch(limit -> limit.value() <= runningMax_C)) {
            throw new IllegalArgumentException("APU: its running limit must lie under the limits of its start");
        }
        double both = ceiling(ceilings_ft, ApuLoad.BOTH);
        for (ApuLoad load : ApuLoad.values()) {
            double alone = ceiling(ceilings_ft, load);
            if (both > alone && (load == ApuLoad.BLEED_CABIN || load == ApuLoad.ELECTRICAL)) {
                throw new IllegalArgumentException("APU: both loads together cannot go higher than either alone");
            }
        }
    }

    private static double ceiling(Map<ApuLoad, Double> ceilings_ft, ApuLoad load) {
        Double ceiling = ceilings_ft.get(load);
        if (ceiling == null) {
            throw new IllegalArgumentException("APU: a ceiling is missing for " + load.words());
        }
        return ceiling;
    }

    /** What it may be asked for at a pressure altitude; a ceiling itself is allowed. @param altitude_ft ft */
    public Set<ApuLoad> allowedAt(double altitude_ft) {
        Set<ApuLoad> allowed = EnumSet.noneOf(ApuLoad.class);
        ceilings_ft.forEach((load, ceiling) -> {
            if (altitude_ft <= ceiling) {
                allowed.add(load);
            }
        });
        return allowed;
    }
}
