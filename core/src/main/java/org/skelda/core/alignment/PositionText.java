package org.skelda.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads a position as people write it: degrees with decimals, degrees and minutes, or degrees, minutes and seconds;
 * with signs between or run together; the letters of the hemispheres before or behind; or two signed decimals. What
 * could mean two places is refused, for a unit takes the wrong one without a word.
 */
public final class PositionText {
    private static final int LONGEST = 60;
    private static final int SIXTY = 60;
    private static final String EXAMPLE = "Type it as N62 24.6 W010 49.2, or 62.41 -10.82.";
    private static final Pattern SIGNED =
            Pattern.compile("([+-]?\\d{1,3}(?:\\.\\d{1,9})?)[ ,;]+([+-]?\\d{1,3}(?:\\.\\d{1,9})?)");
    /** A comma between two numbers with a point each parts them. */
    private static final Pattern PARTED = Pattern.compile("(?<=\\.\\d{1,9}),(?=[+-]?\\d+\\.)");

    private static final Pattern NUMBER = Pattern.compile("\\d{1,7}(?:\\.\\d{1,9})?");
    private static final Pattern HALF = Pattern.compile("[0-9. ]+");
    private static final Pattern LETTER = Pattern.compile("[NSEW]");

    private PositionText() {}

    /** One of the two halves. @param deg of degrees at most; @param digits of its degrees when written in full */
    private enum Side {
        LATITUDE("latitude", 90, 2, "NS"),
        LONGITUDE("longitude", 180, 3, "EW");

        final String words;
        final int deg;
        final int digits;
        final String letters;

        Side(String words, int deg, int digits, String letters) {
            this.words = words;
            this.deg = deg;
            this.digits = digits;
            this.letters = letters;
        }
    }

    /**
     * @param typed at most 60 characters
     * @throws NoPosition when it is none, or could be two
     */
    public static Position read(String typed) {
        if (typed.length() > LONGEST) {
            throw new NoPosition("That is longer than any position is written.", EXAMPLE);
        }
        String text = plain(typed);
        Matcher signed = SIGNED.matcher(text);
        if (signed.matches()) {
            return new Position(signed(Side.LATITUDE, signed.group(1)), signed(Side.LONGITUDE, signed.group(2)));
        }
        List<String> letters = new ArrayList<>();
        Matcher letter = LETTER.matcher(text);
        while (letter.find()) {
            letters.add(letter.group());
        }
        if (letters.size() != 2) {
            throw new NoPosition(
                    letters.size() < 2
                            ? "It has " + (letters.isEmpty() ? "no letter" : "one letter alone")
                                    + " of a hemisphere, so that it could be several places."
                            : "It has more than two letters of hemispheres.",
                    EXAMPLE);
        }
        Side first = side(letters.getFirst());
        Side second = side(letters.getLast());
        if (first == second) {
            throw new NoPosition(
                    "Both halves are a " + first.words + ", " + letters.getFirst() + " and " + letters.getLast() + ".",
                    EXAMPLE);
        }
        String[] parts = halves(text);
        double one = half(first, parts[0], letters.getFirst());
        double two = half(second, parts[1], letters.getLast());
        return first == Side.LATITUDE ? new Position(one, two) : new Position(two, one);
    }

    /** One kind of space, one point, capital letters, no signs of degrees, minutes and seconds. */
    private static String plain(String typed) {
        return PARTED.matcher(typed.toUpperCase(Locale.ROOT).replace('\u2212', '-'))
                .replaceAll(" ")
                .replaceAll("[\u00b0\u00ba'\u2019\u2032\"\u201d\u2033:/]", " ")
                .replaceAll("(?<=\\d),(?=\\d)", ".")
                .replace(',', ' ')
                .replaceAll("\\s+", " ")
                .strip();
    }

    private static double signed(Side side, String number) {
        double value = Double.parseDouble(number);
        return within(side, value, number);
    }

    private static double within(Side side, double value, String as) {
        if (Math.abs(value) > side.deg) {
            throw new NoPosition(
                    "A " + side.words + " of " + as.strip() + " does not exist; it ends at " + side.deg + " degrees.",
                    "Read it again from the stand sign.");
        }
        return value;
    }

    private static Side side(String letter) {
        return Side.LATITUDE.letters.contains(letter) ? Side.LATITUDE : Side.LONGITUDE;
    }

    /** What belongs to each letter: behind it when the text begins with a letter, before it otherwise. */
    private static String[] halves(String text) {
        String[] parts = LETTER.split(text, -1);
        boolean before = parts[0].isBlank();
        String left = before ? parts[1] : parts[0];
        String right = before ? parts[2] : parts[1];
        if (before == parts[2].isBlank()) {
            throw new NoPosition("One letter stands before its numbers and the other behind.", EXAMPLE);
        }
        return new String[] {left, right};
    }

    private static double half(Side side, String part, String letter) {
        String numbers = part.strip();
        if (!HALF.matcher(numbers).matches()) {
            throw new NoPosition(
                    numbers.isEmpty()
                            ? "The " + side.words + " has no numbers."
                            : "'" + shortened(numbers) + "' is no " + side.words + ".",
                    EXAMPLE);
        }
        String[] given = numbers.split(" ");
        for (String number : given) {
            if (!NUMBER.matcher(number).matches()) {
                throw new NoPosition("'" + shortened(number) + "' is no number of a " + side.words + ".", EXAMPLE);
            }
        }
        double value = switch (given.length) {
            case 1 -> runTogether(side, given[0]);
            case 2 -> sum(side, given[0], given[1], null);
            case 3 -> sum(side, given[0], given[1], given[2]);
            default -> throw new NoPosition("The " + side.words + " has more than three numbers.", EXAMPLE);
        };
        boolean negative = letter.equals("S") || letter.equals("W");
        return negative ? -value : value;
    }

    /** Degrees alone, or degrees, minutes and seconds without anything between: by how many digits there are. */
    private static double runTogether(Side side, String number) {
        int point = number.indexOf('.');
        String whole = point < 0 ? number : number.substring(0, point);
        String rest = point < 0 ? "" : number.substring(point);
        int digits = whole.length();
        if (digits <= side.digits) {
            return within(side, Double.parseDouble(number), number);
        }
        if (digits == side.digits + 2) {
            return sum(side, whole.substring(0, side.digits), whole.substring(side.digits) + rest, null);
        }
        if (digits == side.digits + 4) {
            return sum(
                    side,
                    whole.substring(0, side.digits),
                    whole.substring(side.digits, side.digits + 2),
                    whole.substring(side.digits + 2) + rest);
        }
        throw new NoPosition(
                "The " + digits + " digits of the " + side.words + " could be read in two ways.",
                "Write its degrees with " + side.digits + " digits, or put a space behind them.");
    }

    private static double sum(Side side, String degrees, String minutes, @Nullable String seconds) {
        if (degrees.contains(".") || (seconds != null && minutes.contains("."))) {
            throw new NoPosition("Only the last number of the " + side.words + " can have a point.", EXAMPLE);
        }
        double value = Double.parseDouble(degrees)
                + sixtieths(side, "minutes", minutes)
                + (seconds == null ? 0 : sixtieths(side, "seconds", seconds) / SIXTY);
        return within(side, value, degrees + " " + minutes + (seconds == null ? "" : " " + seconds));
    }

    private static double sixtieths(Side side, String what, String number) {
        double value = Double.parseDouble(number);
        if (value >= SIXTY) {
            throw new NoPosition(
                    number + " " + what + " of " + side.words + " do not exist; they end under 60.",
                    "Read it again, or type degrees with decimals.");
        }
        return value / SIXTY;
    }

    private static String shortened(String text) {
        return text.length() <= 20 ? text : text.substring(0, 20) + "…";
    }
}
