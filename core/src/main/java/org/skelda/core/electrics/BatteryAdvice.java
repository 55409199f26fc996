package org.skelda.core.electrics;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What to do with a battery, and the numbers that say so. Loaded volts say charged; that is never said as enough.
 *
 * @param kind what to do
 * @param words the same with its reason, one or two sentences
 * @param numbers each judged number with its limit, the margin to it, and its unit
 * @param others what the other batteries that do the same read
 * @param source where the limits come from
 */
public record BatteryAdvice(Kind kind, String words, List<Judged> numbers, List<Other> others, String source) {
    private static final double WARM_C = 25;

    /** What to do. */
    public enum Kind {
        USE,
        CHARGE,
        WARM,
        INTO_WIND,
        GROUND_POWER,
        MAINTENANCE,
        /** Something that is not known decides. */
        NOT_DECIDED
    }

    /** @param margin how much is left to the limit: negative when it is passed */
    public record Judged(String name, double value, double limit, double margin, String unit) {
        static Judged wind(TailWind wind) {
            return new Judged("Tailwind", wind.tail_kt(), wind.caution_kt(), wind.caution_kt() - wind.tail_kt(), "kt");
        }

        static Judged volts(String name, double value, double limit) {
            return new Judged(name, rounded(value), limit, rounded(value - limit), "V");
        }

        private static double rounded(double value) {
            return Math.rint(value * 100) / 100;
        }
    }

    /**
     * Another battery that does the same.
     *
     * @param name how its volts are called
     * @param loaded_v as they were read, V
     * @param more_V by how much it has more than this one, V; negative when it has less
     */
    public record Other(String name, double loaded_v, double more_V) {
        /** @param own volts of the one that it is held against */
        public static Other beside(String name, double loaded_v, double own) {
            return new Other(name, loaded_v, Judged.rounded(loaded_v - own));
        }
    }

    /**
     * The wind on the tail. @param tail_kt as it was read, negative on the nose; @param caution_kt from which it counts
     */
    public record TailWind(double tail_kt, double caution_kt) {}

    public BatteryAdvice {
        numbers = List.copyOf(numbers);
        others = List.copyOf(others);
    }

    private BatteryAdvice(Kind kind, String words, List<Judged> numbers, String source) {
        this(kind, words, numbers, List.of(), source);
    }

    /** The same beside other batteries. */
    public BatteryAdvice beside(List<Other> all) {
        return new BatteryAdvice(kind, words, numbers, all, source);
    }

    /** The same with how its current must fall while it is charged. @param rule of the type; null when it has none */
    public BatteryAdvice charging(@Nullable ChargeRule rule) {
        return kind != Kind.CHARGE || rule == null
                ? this
                : new BatteryAdvice(
                        kind,
                        words
                                + String.format(
                                        Locale.ROOT,
                                        " Its current must come under %.0f A within %d s of being switched on, and "
                                                + "fall.",
                                        rule.under_A(),
                                        rule.within().toSeconds()),
                        numbers,
                        others,
                        source);
    }

    /** The same with a wind on the tail, which a starter turns against. @param wind null when it was not read */
    public BatteryAdvice in(@Nullable TailWind wind) {
        if (wind == null) {
            return this;
        }
        List<Judged> all = new ArrayList<>(numbers);
        all.add(Judged.wind(wind));
        if (wind.tail_kt() <= wind.caution_kt()) {
            return new BatteryAdvice(kind, words, all, others, source);
        }
        String over = String.format(
                Locale.ROOT,
                "%.0f kt of tailwind, %.0f over the caution: it turns slower against it. Turn into the wind, or ground "
                        + "power.",
                wind.tail_kt(),
                wind.tail_kt() - wind.caution_kt());
        return new BatteryAdvice(kind == Kind.USE ? Kind.INTO_WIND : kind, words + " " + over, all, others, source);
    }

    /**
     * Judges a battery by its loaded volts.
     *
     * @param loaded_v as they were read, V
     * @param battery_c its temperature, degC, taken as that of the air; null when it is not known
     */
    public static BatteryAdvice of(BatteryRule rule, double loaded_v, @Nullable Double battery_c) {
        List<Judged> numbers = new ArrayList<>();
        numbers.add(Judged.volts("Loaded volts", loaded_v, rule.min_v()));
        BatteryRule.Dip dip = rule.dip();
        if (loaded_v < rule.min_v()) {
            return new BatteryAdvice(
                    rule.charge() == null ? Kind.GROUND_POWER : Kind.CHARGE,
                    low(rule, loaded_v),
                    numbers,
                    rule.source());
        }
        if (dip == null) {
            return new BatteryAdvice(
                    Kind.USE,
                    "It is charged. Whether that is enough " + rule.task().words()
                            + " shows only in how it turns: stop when it turns slower than it should.",
                    numbers,
                    rule.source());
        }
        if (battery_c == null) {
            return new BatteryAdvice(
                    Kind.NOT_DECIDED,
                    "Charged, not yet enough: how cold the battery is, and so how far it dips, is not known.",
                    numbers,
                    rule.source());
        }
        double expected_v = dip.dip_v(loaded_v, battery_c);
        numbers.add(Judged.volts("Expected dip", expected_v, dip.caution_v()));
        if (expected_v >= dip.caution_v()) {
            return new BatteryAdvice(
                    Kind.USE,
                    number(
                            "Use it. It should dip to %.1f V; the dip itself decides, not the volts before.",
                            expected_v),
                    numbers,
                    rule.source());
        }
        numbers.add(Judged.volts("Expected dip, to be stopped at", expected_v, dip.stop_v()));
        return weak(dip, loaded_v, expected_v, numbers, rule.source());
    }

    private static String low(BatteryRule rule, double loaded_v) {
        String by = number("%.1f V under the least ", rule.min_v() - loaded_v)
                + rule.task().words() + ". ";
        Duration charge = rule.charge();
        return by
                + (charge == null
                        ? "Ground power, or another battery."
                        : "Charge it " + charge.toMinutes() + " min on external power, then read it again; or ground "
                                + "power.");
    }

    /** It would dip too far: which of warmth, charge and another source mends that. */
    private static BatteryAdvice weak(
            BatteryRule.Dip dip, double loaded_v, double expected_v, List<Judged> numbers, String source) {
        String far = number("It would dip to %.1f V", expected_v)
                + (expected_v < dip.stop_v()
                        ? number(", under the %.1f V at which the starter is stopped. ", dip.stop_v())
                        : number(", under the caution of %.1f V. ", dip.caution_v()));
        double best_v = dip.dip_v(Math.max(loaded_v, dip.full_v()), WARM_C);
        if (best_v < dip.stop_v()) {
            return new BatteryAdvice(
                    Kind.MAINTENANCE,
                    far + number("Even full and warm it would dip to %.1f V: maintenance.", best_v),
                    numbers,
                    source);
        }
        double coldest_c = dip.coldest_c(loaded_v, dip.caution_v());
        return Double.isNaN(coldest_c)
                ? new BatteryAdvice(Kind.GROUND_POWER, far + "Ground power, or charge it first.", numbers, source)
                : new BatteryAdvice(
                        Kind.WARM,
                        far + number("Warm it to %.0f °C or more, or ground power.", Math.ceil(coldest_c)),
                        numbers,
                        source);
    }

    private static String number(String format, double value) {
        return String.format(Locale.ROOT, format, value);
    }
}
