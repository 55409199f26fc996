package org.skelda.core.measure;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.BatteryRule;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.Gauge;

/**
 * What a measured line expects. All values are in {@link #unit}.
 *
 * @param quantity what is measured, in the crew's words ("Battery volts")
 * @param unit the unit as typed and shown
 * @param decimals digits shown after the point, 0 to 3
 * @param possibleMin the lowest value an instrument can show, inclusive; below it the entry is refused
 * @param possibleMax the highest value an instrument can show, inclusive; above it the entry is refused
 * @param min the lowest allowed value, inclusive; null when there is none
 * @param max the highest allowed value, inclusive; null when there is none
 * @param cautionBelow under this value (exclusive) the reading is allowed with a caution; null when there is none
 * @param cautionAbove over this value (exclusive) the reading is allowed with a caution; null when there is none
 * @param source where the limit comes from, shown beside it
 * @param battery what a battery whose volts these are must do; null when they are none's
 * @param charge how a charge current must fall; null when it is none
 * @param gauge the instrument that is read, where a feed can tell it; null when none can
 */
public record MeasureSpec(
        String quantity,
        String unit,
        int decimals,
        double possibleMin,
        double possibleMax,
        @Nullable Double min,
        @Nullable Double max,
        @Nullable Double cautionBelow,
        @Nullable Double cautionAbove,
        String source,
        @Nullable BatteryRule battery,
        @Nullable ChargeRule charge,
        @Nullable Gauge gauge) {

    /** One that is no battery's. */
    public MeasureSpec(
            String quantity,
            String unit,
            int decimals,
            double possibleMin,
            double possibleMax,
            @Nullable Double min,
            @Nullable Double max,
            @Nullable Double cautionBelow,
            @Nullable Double cautionAbove,
            String source) {
        this(
                quantity,
                unit,
                decimals,
                possibleMin,
                possibleMax,
                min,
                max,
                cautionBelow,
                cautionAbove,
                source,
                null,
                null,
                null);
    }

    /** @throws IllegalArgumentException when the bounds contradict each other, naming which */
    public MeasureSpec {
        if (!(possibleMin < possibleMax)) {
            throw new IllegalArgumentException(quantity + ": possibleMin must be under possibleMax");
        }
        if (min != null && max != null && !(min <= max)) {
            throw new IllegalArgumentException(quantity + ": min must not be over max");
        }
        if (outside(min, possibleMin, possibleMax) || outside(max, possibleMin, possibleMax)) {
            throw new IllegalArgumentException(quantity + ": a limit lies outside what is possible");
        }
        if (cautionBelow != null && min != null && cautionBelow < min) {
            throw new IllegalArgumentException(quantity + ": cautionBelow must not be under min");
        }
        if (cautionAbove != null && max != null && cautionAbove > max) {
            throw new IllegalArgumentException(quantity + ": cautionAbove must not be over max");
        }
        if (decimals < 0 || decimals > 3) {
            throw new IllegalArgumentException(quantity + ": decimals must be 0 to 3");
        }
    }

    private static boolean outside(@Nullable Double bound, double low, double high) {
        return bound != null && !(bound >= low && bound <= high);
    }

    /**
     * Judges one reading against the nearer limit; against the nearer caution where there is no limit.
     *
     * @param value the reading, in {@link #unit}
     * @return the verdict with the nearer limit and the margin to it
     * @throws OutOfRange when no instrument of this kind can show the value (NaN and infinities included)
     */
    public Judgement judge(double value) {
        if (!(value >= possibleMin && value <= possibleMax)) {
            throw new OutOfRange(
                    quantity,
                    value,
                    possibleMin,
                    possibleMax,
                    unit,
                    "Read the instrument again and type what it shows.");
        }
        boolean caution =
                (cautionBelow != null && value < cautionBelow) || (cautionAbove != null && value > cautionAbove);
        boolean limited = min != null || max != null;
        // Where nothing is refused, what is worth a caution is what the reading is told against.
        Nearer nearer = limited ? Nearer.of(value, min, max) : Nearer.of(value, cautionBelow, cautionAbove);
        Judgement.Verdict verdict = limited && nearer.margin() < 0
                ? Judgement.Verdict.OUTSIDE
                : caution ? Judgement.Verdict.CAUTION : Judgement.Verdict.WITHIN;
        return new Judgement(verdict, nearer.bound(), nearer.bound() == null ? null : nearer.margin(), source);
    }

    /** The nearer of two bounds, null when there is none, and the distance to it, negative beyond. */
    private record Nearer(@Nullable Double bound, double margin) {
        static Nearer of(double value, @Nullable Double low, @Nullable Double high) {
            double toLow = low == null ? Double.POSITIVE_INFINITY : value - low;
            double toHigh = high == null ? Double.POSITIVE_INFINITY : high - value;
            Double bound = low == null && high == null ? null : toLow <= toHigh ? low : high;
            return new Nearer(bound, rounded(Math.min(toLow, toHigh)));
        }
    }

    /** Whether any limit applies. */
    public boolean hasLimits() {
        return min != null || max != null || cautionBelow != null || cautionAbove != null;
    }

    /** The same with every limit lower by so much, in the unit. */
    public MeasureSpec lowered(double by) {
        return by == 0
                ? this
                : new MeasureSpec(
                        quantity,
                        unit,
                        decimals,
                        possibleMin,
                        possibleMax,
                        lowered(min, by),
                        lowered(max, by),
                        lowered(cautionBelow, by),
                        lowered(cautionAbove, by),
                        source,
                        battery,
                        charge,
                        gauge);
    }

    /**
     * Limits of a drop as limits of what is read after it.
     *
     * @param from what was read before, in the unit; a drop of at least {@code min} from it is a value of at most this
     *     less {@code min}
     * @param read what is read, with what its instrument can show
     */
    public MeasureSpec downFrom(double from, MeasureSpec read) {
        return new MeasureSpec(
                quantity,
                unit,
                decimals,
                read.possibleMin,
                read.possibleMax,
                read.within(down(max, from)),
                read.within(down(min, from)),
                read.within(down(cautionAbove, from)),
                read.within(down(cautionBelow, from)),
                source,
                battery,
                charge,
                gauge);
    }

    private static @Nullable Double down(@Nullable Double drop, double from) {
        return drop == null ? null : (Double) rounded(from - drop);
    }

    /** No further than an instrument shows. */
    private @Nullable Double within(@Nullable Double limit) {
        return limit == null ? null : (Double) Math.clamp(limit, possibleMin, possibleMax);
    }

    private static @Nullable Double lowered(@Nullable Double limit, double by) {
        return limit == null ? null : (Double) rounded(limit - by);
    }

    /** What is allowed, in words. */
    public String limits() {
        if (charge != null) {
            return "under " + number(charge.under_A()) + " " + unitShown() + " within "
                    + charge.within().toSeconds() + " s, and falling";
        }
        String low = min == null ? null : number(min);
        String high = max == null ? null : number(max);
        if (low != null && high != null) {
            return low + " to " + high + " " + unitShown();
        }
        if (low != null) {
            return "at least " + low + " " + unitShown();
        }
        return high == null ? "in " + unitShown() : "at most " + high + " " + unitShown();
    }

    /** The unit as people read it. */
    public String unitShown() {
        return unit.equals("degC") ? "°C" : unit;
    }

    /** A value with the measure's decimals. */
    public String number(double value) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }

    /** Takes the noise of binary fractions away, so that 23.2 against 23.2 is a margin of 0 and inside. */
    private static double rounded(double margin) {
        return Double.isInfinite(margin) ? margin : Math.rint(margin * 1e6) / 1e6;
    }
}
