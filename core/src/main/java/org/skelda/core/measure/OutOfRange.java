package org.skelda.core.measure;

import java.util.Locale;

/**
 * A number that cannot be right: outside what is possible or what the rule covers. Holds the offending value, the
 * bounds (both inclusive), the unit, and what to do.
 */
public final class OutOfRange extends RuntimeException {
    private final String quantity;
    private final double value;
    private final double min;
    private final double max;
    private final String unit;
    private final String todo;

    /**
     * @param quantity what was measured or given, in the crew's words
     * @param value the offending value, in {@code unit}; may be NaN
     * @param min the lowest accepted value, inclusive, in {@code unit}
     * @param max the highest accepted value, inclusive, in {@code unit}
     * @param unit the unit as shown
     * @param todo one sentence: what the crew can do
     */
    public OutOfRange(String quantity, double value, double min, double max, String unit, String todo) {
        super(String.format(
                Locale.ROOT,
                "%s of %s %s is outside %s to %s %s",
                quantity,
                plain(value),
                unit,
                plain(min),
                plain(max),
                unit));
        this.quantity = quantity;
        this.value = value;
        this.min = min;
        this.max = max;
        this.unit = unit;
        this.todo = todo;
    }

    public String quantity() {
        return quantity;
    }

    public double value() {
        return value;
    }

    public double min() {
        return min;
    }

    public double max() {
        return max;
    }

    public String unit() {
        return unit;
    }

    public String todo() {
        return todo;
    }

    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e9
                ? Long.toString((long) number)
                : Double.toString(number);
    }
}
