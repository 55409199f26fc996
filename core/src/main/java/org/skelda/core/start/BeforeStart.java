package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.hipparchus.stat.descriptive.rank.Median;
import org.jspecify.annotations.Nullable;

/**
 * The strip before the starter: what to expect of this engine today, and advice. Expected is the median of this
 * engine's last ten starts with their lowest and highest; of those, only starts on days like today where there are
 * three or more. The dip is brought to today's battery: open-circuit volts and resistance by temperature, at the same
 * current. A first start has nothing to compare.
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

    /** @param median of the starts; @param lowest of them; @param highest of them; @param starts how many there were */
    public record Range(double median, double lowest, double highest, int starts) {

        /** How far a value lies outside; zero inside. */
        public double outside(double value) {
            return Math.max(0, Math.max(lowest - value, value - highest));
        }
    }

    /**
     * What to expect; null where the past does not tell.
     *
     * @param advice what to do before the starter, most pressing first
     */
    public record Expected(
            @Nullable Range dip_v,
            @Nullable Range motoring_pct,
            @Nullable Range timeToLight_s,
            @Nullable Range peak_c,
            @Nullable Range timeToIdle_s,
            List<String> advice) {
        public Expected {
            advice = List.copyOf(advice);
        }
    }

    /** Expected against got. @param outside how far got lies outside what was usual; zero inside */
    public record Comparison(String what, Range expected, double got, double outside, String unit) {}

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
        List<Past> used = alike.size() >= ENOUGH_ALIKE ? alike : ten;
        Range dip = range(ten, past -> dipToday(profile, today, past));
        return new Expected(
                dip,
                range(used, Past::motoring_pct),
                range(used, Past::timeToLight_s),
                range(used, Past::peak_c),
                range(used, Past::timeToIdle_s),
                advice(profile, today, dip));
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

    private static @Nullable Range range(List<Past> starts, Function<Past, @Nullable Double> number) {
        double[] values = starts.stream()
                .map(number)
                .flatMap(value -> Optional.ofNullable(value).stream())
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
        return values.length == 0
                ? null
                : new Range(new Median().evaluate(values), values[0], values[values.length - 1], values.length);
    }

    private static List<String> advice(StartProfile profile, Today today, @Nullable Range dip) {
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
        if (today.tailWind_kt() >= profile.drive().tailWindCaution_kt()) {
            advice.add(text(
                    "%.0f kt of tailwind, caution from %.0f kt: turn into the wind",
                    today.tailWind_kt(), profile.drive().tailWindCaution_kt()));
        }
        return advice;
    }

    /** Expected against got, for all that can be compared. */
    public static List<Comparison> compare(Expected expected, AttemptReport got) {
        List<Comparison> all = new ArrayList<>();
        AttemptReport.Remembered figures = got.figures();
        compare(all, "Dip", expected.dip_v(), figures.dip_v(), "V");
        compare(all, "Motoring speed", expected.motoring_pct(), figures.motoring_pct(), "%");
        compare(
                all,
                "Time to light-off",
                expected.timeToLight_s(),
                figures.timeToLightOff() == null
                        ? null
                        : figures.timeToLightOff().toNanos() / 1e9,
                "s");
        compare(
                all,
                "Peak temperature",
                expected.peak_c(),
                got.peak() == null ? null : got.peak().value_c(),
                "°C");
        compare(
                all,
                "Time to idle",
                expected.timeToIdle_s(),
                figures.timeToIdle() == null ? null : figures.timeToIdle().toNanos() / 1e9,
                "s");
        return List.copyOf(all);
    }

    private static void compare(
            List<Comparison> all, String what, @Nullable Range range, @Nullable Double got, String unit) {
        if (range != null && got != null) {
            all.add(new Comparison(what, range, got, range.outside(got), unit));
        }
    }
}
