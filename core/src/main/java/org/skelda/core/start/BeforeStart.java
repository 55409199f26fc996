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
 * today where there are three or more. The dip is brought to today's battery: open-circuit volts and resistance by
 * temperature, at the same current; an engine without a start on record has that of a new battery. What the starter
 * reaches alone is computed from today's supply. Afterwards expected stands against got.
 */
public final class BeforeStart {
    private static final int LAST = 10;
    private static final int ENOUGH_ALIKE = 3;
    private static final double ALIKE_degC = 15;
    private static final double ALIKE_ft = 2000;

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

    /** A start of the past. Null where a number is not known. @param supply as read before the starter */
    public record Past(
            double oat_c,
            double elevation_ft,
            @Nullable Double supply,
            @Nullable Double dip_v,
            @Nullable Double motoring_pct,
            @Nullable Double timeToLight_s,
            @Nullable Double peak_c,
            @Nullable Double timeToIdle_s) {}

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
     * What to expect; null where the past does not tell.
     *
     * @param alone what the starter reaches without fuel, on today's supply; null when that is not read
     * @param advice what to do before the starter, most pressing first
     */
    public record Expected(
            @Nullable Range dip_v,
            @Nullable Alone alone,
            @Nullable Range timeToLight_s,
            @Nullable Range peak_c,
            @Nullable Range timeToIdle_s,
            List<String> advice) {
        public Expected {
            advice = List.copyOf(advice);
        }
    }

    /** What came of a start. Null where a number is not known. */
    public record Got(
            @Nullable Double dip_v,
            @Nullable Double timeToLight_s,
            @Nullable Double peak_c,
            @Nullable Double timeToIdle_s) {}

    /**
     * Expected against got.
     *
     * @param what in words
     * @param expected null when nothing was to be expected
     * @param decimals with which it is shown
     * @param says what differs beyond what was usual, with what it could come from; null when nothing does
     */
    public record Comparison(
            String what,
            @Nullable Range expected,
            double got,
            String unit,
            int decimals,
            @Nullable String says) {}

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
        Range dip = dip(profile, today, ten);
        Alone alone = alone(profile, today);
        return new Expected(
                dip,
                alone,
                range(used, Past::timeToLight_s, because),
                range(used, Past::peak_c, because),
                range(used, Past::timeToIdle_s, because),
                advice(profile, today, dip, alone));
    }

    private static String count(int starts) {
        return starts == 1 ? "one start" : starts + " starts";
    }

    private static @Nullable Range dip(StartProfile profile, Today today, List<Past> ten) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        Double volts = today.supply();
        if (battery == null) {
            return null;
        }
        Range past = range(
                ten,
                start -> dipToday(profile, today, start),
                text(
                        "its last starts, brought to %s and %.1f mOhm at %.0f °C",
                        volts == null ? "the same volts" : text("%.1f V", volts),
                        battery.newAt(today.oat_c()),
                        today.oat_c()));
        if (past != null || volts == null) {
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

    private static @Nullable Alone alone(StartProfile profile, Today today) {
        Double supply = today.supply();
        Motoring motoring = Motoring.of(profile, today.oat_c(), today.elevation_ft());
        if (supply == null || motoring == null) {
            return null;
        }
        StartProfile.Supply.Battery battery = profile.supply().battery();
        AirNetwork air = profile.supply().air();
        if (battery != null) {
            double source_mohm = battery.newAt(today.oat_c());
            return new Alone(
                    motoring.onCurrent(supply, source_mohm), text("on %.1f V behind %.1f mOhm", supply, source_mohm));
        }
        return air == null
                ? null
                : new Alone(
                        motoring.onAir(supply, air.swallows(), today.elevation_ft()),
                        text("on %.0f kPa at %,.0f ft and %.0f °C", supply, today.elevation_ft(), today.oat_c()));
    }

    private static @Nullable Double dipToday(StartProfile profile, Today today, Past past) {
        StartProfile.Supply.Battery battery = profile.supply().battery();
        Double dip = past.dip_v();
        if (battery == null || dip == null) {
            return null;
        }
        double volts = today.supply() == null || past.supply() == null ? 0 : today.supply() - past.supply();
        return dip
                + volts
                + battery.standstill_a() * (battery.newAt(past.oat_c()) - battery.newAt(today.oat_c())) / 1000;
    }

    private static @Nullable Range range(List<Past> starts, Function<Past, @Nullable Double> number, String because) {
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
        if (now != null && now < least) {
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

    /** Expected against got, for all that was measured. */
    public static List<Comparison> compare(Expected expected, Got got) {
        List<Comparison> all = new ArrayList<>();
        compare(all, Compared.DIP, expected.dip_v(), got.dip_v());
        compare(all, Compared.LIGHT, expected.timeToLight_s(), got.timeToLight_s());
        compare(all, Compared.PEAK, expected.peak_c(), got.peak_c());
        compare(all, Compared.IDLE, expected.timeToIdle_s(), got.timeToIdle_s());
        return List.copyOf(all);
    }

    /** What is compared, how a difference is said, and what it could come from. */
    private enum Compared {
        DIP("dip", "V", 1, 0.4, "deeper a dip", "higher a dip", "", "charge, cold, or age of the battery?"),
        LIGHT("to light", "s", 1, 0.4, "sooner to light", "later to light", "igniter, or fuel that comes late?", ""),
        PEAK(
                "peak",
                "°C",
                0,
                15,
                "cooler a peak",
                "hotter a peak",
                "early fuel, wind from behind, supply, or a compressor that fouls?",
                ""),
        IDLE("to idle", "s", 0, 3, "sooner at idle", "later at idle", "supply, drag, or fuel control?", "");

        private final String what;
        private final String unit;
        private final int decimals;
        /** What lies outside by less is no difference that anybody would look into. */
        private final double worthSaying;

        private final String less;
        private final String more;
        private final String ifMore;
        private final String ifLess;

        Compared(
                String what,
                String unit,
                int decimals,
                double worthSaying,
                String less,
                String more,
                String ifMore,
                String ifLess) {
            this.what = what;
            this.unit = unit;
            this.decimals = decimals;
            this.worthSaying = worthSaying;
            this.less = less;
            this.more = more;
            this.ifMore = ifMore;
            this.ifLess = ifLess;
        }
    }

    private static void compare(List<Comparison> all, Compared what, @Nullable Range range, @Nullable Double got) {
        if (got != null) {
            String says = range == null ? null : differs(what, range, got);
            all.add(new Comparison(what.what, range, got, what.unit, what.decimals, says));
        }
    }

    private static @Nullable String differs(Compared what, Range range, double got) {
        boolean more = got > range.highest();
        double outside = range.outside(got);
        if (outside < what.worthSaying) {
            return null;
        }
        String cause = more ? what.ifMore : what.ifLess;
        return text(
                "%." + what.decimals + "f %s %s than %s%s",
                outside,
                what.unit,
                more ? what.more : what.less,
                range.starts() > 1
                        ? text("any of the %d before", range.starts())
                        : range.starts() == 1 ? "the one before" : "a new battery's",
                cause.isEmpty() ? "" : ": " + cause);
    }
}
