package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Range;
import org.skelda.core.start.BeforeStart.Resistance;
import org.skelda.core.start.BeforeStart.Today;

/**
 * What the last starts tell of today's battery. The dip falls from today's volts by what it fell then, as much more as
 * a colder battery resists more; an engine without a start on record has that of a new battery. Starts with outside
 * help stand by themselves: they tell nothing of the battery, and the battery's nothing of them.
 */
final class BatteryToday {
    /** A battery at rest shows no more than when it is full; a cart or a generator beside it does, if only a little. */
    private static final double OVER_FULL_v = 0.2;

    private BatteryToday() {}

    static @Nullable Range dip(StartProfile profile, Today today, List<Past> ten) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        Double volts = today.supply();
        if (battery == null) {
            return null;
        }
        boolean fromBattery = isFromBattery(battery, volts);
        Range past = BeforeStart.range(
                ten.stream()
                        .filter(start -> isFromBattery(battery, start.supply()) == fromBattery)
                        .toList(),
                start -> dipToday(profile, today, start),
                text(
                        "its last starts%s, brought to %s and %.0f °C",
                        fromBattery ? "" : " with outside help",
                        volts == null ? "the same volts" : text("%.1f V", volts),
                        today.oat_c()));
        if (past != null || volts == null || !fromBattery) {
            return past;
        }
        double fresh = volts - battery.standstill_a() * battery.newAt(today.oat_c()) / 1000;
        return new Range(
                fresh,
                fresh,
                fresh,
                0,
                text(
                        "a new battery: %.1f V less %.0f A through %.1f mOhm at %.0f °C",
                        volts, battery.standstill_a(), battery.newAt(today.oat_c()), today.oat_c()));
    }

    /** The median of the last starts, each brought to 25 degC by the new battery's own law. */
    static @Nullable Resistance resistance(StartProfile profile, Today today, List<Past> ten) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        if (battery == null) {
            return null;
        }
        Range ofNew = BeforeStart.range(ten, past -> ofNew(battery, past), "");
        return ofNew == null
                ? null
                : new Resistance(ofNew.median() * battery.newAt(today.oat_c()), ofNew.median(), ofNew.starts());
    }

    /**
     * Whether a battery alone feeds the starter: more volts than it has when full are ground power's or a generator's.
     */
    static boolean isFromBattery(StartProfile.Supply.Battery battery, @Nullable Double volts) {
        return volts == null || volts <= battery.full_v() + OVER_FULL_v;
    }

    private static @Nullable Double ofNew(StartProfile.Supply.Battery battery, Past past) {
        Double resistance_mohm = isFromBattery(battery, past.supply()) ? past.resistance_mohm() : null;
        return resistance_mohm == null ? null : (Double) (resistance_mohm / battery.newAt(past.oat_c()));
    }

    private static @Nullable Double dipToday(StartProfile profile, Today today, Past past) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        Double dip = past.dip_v();
        if (battery == null || dip == null) {
            return null;
        }
        double colder = battery.newAt(today.oat_c()) / battery.newAt(past.oat_c());
        if (today.supply() != null && past.supply() != null) {
            return today.supply() - (past.supply() - dip) * colder;
        }
        return dip + battery.standstill_a() * (battery.newAt(past.oat_c()) - battery.newAt(today.oat_c())) / 1000;
    }
}
