package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.StandardAir;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Range;
import org.skelda.core.start.BeforeStart.Today;

/**
 * The time to idle to expect on today's supply. On air it goes with the static duct pressure to the power of
 * -{@value #AIR} and with the outside pressure to that of {@value #THINNER_AIR}: thin air drags less. On current it
 * goes with the lowest volts, to the power of -{@value #VOLTS}, and with the density of the air, to that of
 * {@value #DENSER}. The powers are measured on the simulated aircraft of six types, between -25 and 38 degC and up to
 * 8,000 ft. Times of starts whose supply nobody read tell nothing of another supply.
 */
final class IdleToday {
    private static final double AIR = 0.6;
    private static final double THINNER_AIR = 0.2;
    private static final double VOLTS = 0.95;
    private static final double DENSER = 0.22;

    private IdleToday() {}

    /**
     * Null where it cannot be told: no start with its supply, or today's is not read.
     *
     * @param dip to expect today; null on air
     * @param ten the last starts
     */
    static @Nullable Range range(StartProfile profile, Today today, @Nullable Range dip, List<Past> ten) {
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        Double supply = air ? today.supply() : dip == null ? null : (Double) dip.median();
        if (supply == null || supply <= 0) {
            return null;
        }
        List<Past> known = ten.stream()
                .filter(past ->
                        past.timeToIdle_s() != null && supplied(air, past) != null && sameHelp(profile, today, past))
                .toList();
        return BeforeStart.range(
                known,
                past -> air ? onAir(today, supply, past) : onCurrent(today, supply, past),
                text(
                        air
                                ? "its last %s, brought to %.0f kPa at %,.0f ft"
                                : "its last %s, brought to a dip of %.1f V at %.0f °C",
                        BeforeStart.count(known.size()),
                        supply,
                        air ? today.elevation_ft() : today.oat_c()));
    }

    /** On a battery alone both times, or with outside help both times: the powers were measured on batteries. */
    private static boolean sameHelp(StartProfile profile, Today today, Past past) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        return battery == null
                || BatteryToday.isFromBattery(battery, today.supply())
                        == BatteryToday.isFromBattery(battery, past.supply());
    }

    private static @Nullable Double supplied(boolean air, Past past) {
        Double supply = air ? past.supply() : past.dip_v();
        return supply == null || supply <= 0 ? null : supply;
    }

    private static @Nullable Double onAir(Today today, double kpa, Past past) {
        Double then_kpa = past.supply();
        Double took_s = past.timeToIdle_s();
        if (then_kpa == null || took_s == null) {
            return null;
        }
        double outside = StandardAir.delta(today.elevation_ft()) / StandardAir.delta(past.elevation_ft());
        return took_s * Math.pow(then_kpa / kpa, AIR) * Math.pow(outside, THINNER_AIR);
    }

    private static @Nullable Double onCurrent(Today today, double volts, Past past) {
        Double then_v = past.dip_v();
        Double took_s = past.timeToIdle_s();
        if (then_v == null || took_s == null) {
            return null;
        }
        double denser = StandardAir.sigma(today.elevation_ft(), today.oat_c())
                / StandardAir.sigma(past.elevation_ft(), past.oat_c());
        return took_s * Math.pow(then_v / volts, VOLTS) * Math.pow(denser, DENSER);
    }
}
