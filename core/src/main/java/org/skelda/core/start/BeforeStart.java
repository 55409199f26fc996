package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.hipparchus.stat.descriptive.rank.Median;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork;

/**
 * The strip before the starter: what to expect of this engine today, each number with its reason, and advice. Expected
 * is the median of this engine's last ten starts with their lowest and highest; of those, only starts on days like
 * today where there are three or more. The dip is brought to today's battery, the peak to today's air and wind, the
 * time to idle to today's supply. What the starter reaches alone is computed from today's supply.
 */
public final class BeforeStart {
    private static final int LAST = 10;
    private static final int ENOUGH_ALIKE = 3;
    private static final double ALIKE_degC = 15;
    private static final double ALIKE_ft = 2000;
    /** Part of the least supply under which there is none. */
    private static final double NO_SUPPLY = 0.1;

    private BeforeStart() {}

    /**
     * Today.
     *
     * @param oat_c outside air, degC
     * @param elevation_ft of the stand
     * @param supply static duct pressure, kPa, or loaded bus volts, V, as read now; null when it is not read
     * @param windFrom_deg true; 0 to 360
     * @param wind_kt its speed
     * @param heading_deg true, of the nose
     * @param packsOn whether air or heavy electrical loads are still taken
     */
    public record Today(
            double oat_c,
            double elevation_ft,
            @Nullable Double supply,
            double windFrom_deg,
            double wind_kt,
            double heading_deg,
            boolean packsOn) {

        /** Wind from behind, kt; negative from ahead. */
        public double tailWind_kt() {
            return -wind_kt * Math.cos(Math.toRadians(windFrom_deg - heading_deg));
        }
    }

    /**
     * A start of the past. Null where a number is not known.
     *
     * @param supply as read before the starter
     * @param resistance_mohm of what fed the starter, at the instant of its dip
     * @param tailWind_kt from behind, kt; negative from ahead
     */
    public record Past(
            double oat_c,
            double elevation_ft,
            @Nullable Double supply,
            @Nullable Double dip_v,
            @Nullable Double resistance_mohm,
            @Nullable Double timeToLight_s,
            @Nullable Double peak_c,
            @Nullable Double timeToIdle_s,
            @Nullable Double tailWind_kt) {}

    /**
     * @param median of the starts; @param lowest of them; @param highest of them; @param starts how many there were
     * @param because why so, in words
     */
    public record Range(double median, double lowest, double highest, int starts, String because) {

        /** How far a value lies outside; zero inside. */
        public double outside(double value) {
            return Math.max(0, Math.max(lowest - value, value - highest));
        }
    }

    /** What the starter reaches without fuel. @param spool_pct start spool, %; @param because why so, in words */
    public record Alone(double spool_pct, String because) {}

    /**
     * What the battery's resistance is by its last starts.
     *
     * @param today_mohm at today's temperature, mOhm
     * @param ofNew part of a new one's, both at 25 degC; 1 is as new
     * @param starts by how many
     */
    public record Resistance(double today_mohm, double ofNew, int starts) {}

    /**
     * What to expect; null where the past does not tell.
     *
     * @param resistance of the battery; null on air, and where no ammeter saw the starter
     * @param alone what the starter reaches without fuel, on today's supply; null when that is not read
     * @param advice what to do before the starter, most pressing first
     */
    public record Expected(
            @Nullable Range dip_v,
            @Nullable Resistance resistance,
            @Nullable Alone alone,
            @Nullable Range timeToLight_s,
            @Nullable Range peak_c,
            @Nullable Range timeToIdle_s,
            List<String> advice) {
        public Expected {
            advice = List.copyOf(advice);
        }
    }

    /**
     * What to expect of a start.
     *
     * @param last this engine's starts, the newest last; more than ten count as the last ten
     */
    public static Expected expected(StartProfile profile, Today today, List<Past> last) {
        List<Past> ten = last.subList(Math.max(0, last.size() - LAST), last.size());
        List<Past> alike = ten.stream()
                .filter(past -> Math.abs(past.oat_c() - today.oat_c()) <= ALIKE_degC
                        && Math.abs(past.elevation_ft() - today.elevation_ft()) <= ALIKE_ft)
                .toList();
        boolean like = alike.size() >= ENOUGH_ALIKE;
        List<Past> used = like ? alike : ten;
        String because = like
                ? text("%s on days like today", count(alike.size()))
                : text("its last %s, whatever the day", count(used.size()));
        Range dip = BatteryToday.dip(profile, today, ten);
        Range idle = IdleToday.range(profile, today, dip, ten);
        Resistance resistance = BatteryToday.resistance(profile, today, ten);
        Alone alone = alone(profile, today, resistance);
        return new Expected(
                dip,
                resistance,
                alone,
                range(used, Past::timeToLight_s, because),
                PeakToday.range(today, ten),
                idle == null ? range(used, Past::timeToIdle_s, because) : idle,
                advice(profile, today, dip, alone));
    }

    static String count(int starts) {
        return starts == 1 ? "one start" : starts + " starts";
    }

    private static @Nullable Alone alone(StartProfile profile, Today today, @Nullable Resistance resistance) {
        Double supply = today.supply();
        Motoring motoring = Motoring.of(profile, today.oat_c(), today.elevation_ft());
        // Of what is as good as nothing it is told elsewhere that there is none.
        if (supply == null
                || motoring == null
                || supply < NO_SUPPLY * profile.supply().beforeStarterAt(today.elevation_ft())) {
            return null;
        }
        StartProfile.Supply.Battery battery = profile.supply().battery();
        AirNetwork air = profile.supply().air();
        if (battery != null) {
            double source_mohm = resistance == null ? battery.newAt(today.oat_c()) : resistance.today_mohm();
            return new Alone(
                    motoring.onCurrent(supply, source_mohm), text("on %.1f V behind %.1f mOhm", supply, source_mohm));
        }
        return air == null
                ? null
                : new Alone(
                        motoring.onAir(supply, air.swallows(), today.elevation_ft()),
                        text("on %.0f kPa at %,.0f ft and %.0f °C", supply, today.elevation_ft(), today.oat_c()));
    }

    /** Of those starts that have the number; null when none has it. */
    static @Nullable Range range(List<Past> starts, Function<Past, @Nullable Double> number, String because) {
        double[] values = starts.stream()
                .map(number)
                .flatMap(value -> Optional.ofNullable(value).stream())
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
        return values.length == 0
                ? null
                : new Range(
                        new Median().evaluate(values), values[0], values[values.length - 1], values.length, because);
    }

    private static List<String> advice(StartProfile profile, Today today, @Nullable Range dip, @Nullable Alone alone) {
        List<String> advice = new ArrayList<>();
        StartProfile.Supply supply = profile.supply();
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        Double now = today.supply();
        double least = supply.beforeStarterAt(today.elevation_ft());
        // Where the ducts are known they tell it better: which source, which valve, which pack.
        boolean toldByDucts = air && supply.air() != null;
        if (now != null && now < least && !toldByDucts) {
            advice.add(
                    air
                            ? text(
                                    "Duct pressure %.0f kPa is %.0f kPa short of %.0f kPa%s",
                                    now,
                                    least - now,
                                    least,
                                    today.packsOn() ? ": packs off" : ": another source of air")
                            : text("Bus volts %.1f V are under %.1f V: ground power", now, least));
        } else if (now != null && supply.caution() != null && now < supply.caution()) {
            advice.add(text("Bus volts %.1f V are under %.1f V: charge first or ground power", now, supply.caution()));
        }
        if (today.packsOn()) {
            advice.add(
                    air
                            ? "Packs off: all air for the engine"
                            : "Bleed and heavy loads off: all current for the engine");
        }
        if (supply.dip() != null && dip != null && dip.median() < supply.dip().caution_v()) {
            advice.add(text(
                    "Expected dip %.1f V is under the caution of %.1f V: warm or charge the battery, or ground power",
                    dip.median(), supply.dip().caution_v()));
        }
        double fuelAt_pct = profile.fuel().minimum_pct();
        if (alone != null && alone.spool_pct() < fuelAt_pct) {
            advice.add(text(
                    "The starter alone reaches %.0f %%, fuel needs %s %%: another source first",
                    Math.floor(alone.spool_pct()), Words.shortest(fuelAt_pct)));
        }
        if (today.tailWind_kt() >= profile.drive().tailWindCaution_kt()) {
            advice.add(text(
                    "%.0f kt of tailwind, caution from %.0f kt: turn into the wind",
                    today.tailWind_kt(), profile.drive().tailWindCaution_kt()));
        }
        return advice;
    }
}
