package org.skelda.core.start;

/**
 * How far a number of a start is from its limit.
 *
 * @param what is judged, in words
 * @param value of it
 * @param limit that it is judged by
 * @param margin to the limit, positive inside, negative beyond
 * @param unit of all three
 * @param source where the limit comes from
 */
public record Margin(String what, double value, double limit, double margin, String unit, String source) {

    static Margin below(String what, double value, double limit, String unit, String source) {
        return new Margin(what, value, limit, limit - value, unit, source);
    }

    static Margin above(String what, double value, double limit, String unit, String source) {
        return new Margin(what, value, limit, value - limit, unit, source);
    }
}
