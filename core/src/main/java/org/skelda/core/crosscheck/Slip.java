package org.skelda.core.crosscheck;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What would explain that a number is not the one it should be: people exchange digits, mistake one, read another unit,
 * or lose a power of ten.
 *
 * @param kind of slip
 * @param detail for another unit, that unit; for another magnitude, the factor; otherwise empty
 */
public record Slip(Kind kind, String detail) {

    /** The kinds of slips, the most telling first. */
    public enum Kind {
        OTHER_MAGNITUDE,
        OTHER_UNIT,
        EXCHANGED_DIGITS,
        ONE_DIGIT
    }

    private static final List<Double> MAGNITUDES = List.of(10.0, 0.1, 100.0, 0.01, 1000.0, 0.001);

    /** A unit people take for another. @param of that unit; value there = value here x {@code factor} + {@code plus} */
    private record Other(String of, double factor, double plus) {}

    private static final Map<String, List<Other>> OTHERS = Map.ofEntries(
            Map.entry("ft", List.of(new Other("m", 0.3048, 0))),
            Map.entry("m", List.of(new Other("ft", 1 / 0.3048, 0))),
            Map.entry("kg", List.of(new Other("lb", 2.20462, 0))),
            Map.entry("lb", List.of(new Other("kg", 0.45359237, 0))),
            Map.entry("L", List.of(new Other("US gal", 0.264172, 0))),
            Map.entry("hPa", List.of(new Other("inHg", 0.0295300, 0))),
            Map.entry("inHg", List.of(new Other("hPa", 33.8639, 0))),
            Map.entry("kPa", List.of(new Other("psi", 0.145038, 0))),
            Map.entry("MPa", List.of(new Other("psi", 145.038, 0))),
            Map.entry("bar", List.of(new Other("psi", 14.5038, 0))),
            Map.entry("degC", List.of(new Other("degF", 1.8, 32))),
            Map.entry("kt", List.of(new Other("m/s", 0.514444, 0), new Other("km/h", 1.852, 0))));

    /**
     * Looks for one slip that would turn what was meant into what was given.
     *
     * @param given the number as it was given
     * @param expected what it should be, in the same unit
     * @param tolerance how far from {@code expected} is near enough, not negative
     * @param unit of both
     * @param decimals with which it is written
     * @return empty when they agree, or when no single slip explains it
     */
    public static Optional<Slip> explaining(
            double given, double expected, double tolerance, String unit, int decimals) {
        if (near(given, expected, tolerance)) {
            return Optional.empty();
        }
        for (double factor : MAGNITUDES) {
            if (near(given, expected * factor, tolerance * factor) && Math.abs(expected) > tolerance) {
                return Optional.of(
                        new Slip(Kind.OTHER_MAGNITUDE, factor > 1 ? times(factor) : "1/" + times(1 / factor)));
            }
        }
        for (Other other : OTHERS.getOrDefault(unit, List.of())) {
            // One more unit of the last decimal, for the other number was rounded too.
            double room = tolerance * other.factor() + Math.pow(10, -decimals) / 2;
            if (near(given, expected * other.factor() + other.plus(), room)) {
                return Optional.of(new Slip(Kind.OTHER_UNIT, other.of()));
            }
        }
        String own = written(given, decimals);
        // A zero in front is a digit as well: 0251 for 2051.
        String digits = own.startsWith("-")
                ? own
                : "0".repeat(Math.max(0, written(expected, decimals).length() - own.length())) + own;
        if (exchanged(digits, expected, tolerance)) {
            return Optional.of(new Slip(Kind.EXCHANGED_DIGITS, ""));
        }
        return oneOff(digits, expected, tolerance) ? Optional.of(new Slip(Kind.ONE_DIGIT, "")) : Optional.empty();
    }

    private static String written(double value, int decimals) {
        return BigDecimal.valueOf(value)
                .setScale(decimals, RoundingMode.HALF_UP)
                .toPlainString();
    }

    private static String times(double factor) {
        return Long.toString(Math.round(factor));
    }

    private static boolean near(double value, double expected, double tolerance) {
        return Math.abs(value - expected) <= tolerance + 1e-9;
    }

    private static boolean exchanged(String digits, double expected, double tolerance) {
        for (int i = 0; i < digits.length(); i++) {
            for (int j = i + 1; j < digits.length(); j++) {
                if (Character.isDigit(digits.charAt(i))
                        && Character.isDigit(digits.charAt(j))
                        && digits.charAt(i) != digits.charAt(j)) {
                    StringBuilder other = new StringBuilder(digits);
                    other.setCharAt(i, digits.charAt(j));
                    other.setCharAt(j, digits.charAt(i));
                    if (near(Double.parseDouble(other.toString()), expected, tolerance)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private static boolean oneOff(String digits, double expected, double tolerance) {
        for (int i = 0; i < digits.length(); i++) {
            for (char digit = '0'; digit <= '9' && Character.isDigit(digits.charAt(i)); digit++) {
                StringBuilder other = new StringBuilder(digits);
                other.setCharAt(i, digit);
                if (near(Double.parseDouble(other.toString()), expected, tolerance)) {
                    return true;
                }
            }
        }
        return false;
    }
}
