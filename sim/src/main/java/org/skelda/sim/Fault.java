package org.skelda.sim;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A failure with how bad it is and from when on.
 *
 * @param what is wrong
 * @param severity over 0 to 1; 1 is as bad as it gets
 * @param after_s seconds since the starter went on before which it is not there; 0 to 600
 */
public record Fault(Failure what, double severity, double after_s) {
    private static final Pattern WRITTEN = Pattern.compile("([a-z-]+)(?::([0-9.]{1,6})(?::([0-9.]{1,6}))?)?");
    private static final String NOTHING = "nothing";
    private static final double LATEST_s = 600;

    /** @throws IllegalArgumentException for a severity or a moment out of range */
    public Fault {
        if (!(severity > 0 && severity <= 1) || !(after_s >= 0 && after_s <= LATEST_s)) {
            throw new IllegalArgumentException(what.words() + ": " + severity + " after " + after_s
                    + " s is out of range; give over 0 to 1, 0 to 600 s");
        }
    }

    /** As bad as it gets, from the starter on. */
    public static Fault of(Failure what) {
        return new Fault(what, 1, 0);
    }

    /**
     * Reads faults as commands write them: {@code nothing}, or a list with commas of {@code hot}, {@code hot:0.6} (how
     * bad), {@code hot:0.6:3} (from three seconds after the starter).
     *
     * @throws IllegalArgumentException naming what there is
     */
    public static List<Fault> parse(String written) {
        return written.equals(NOTHING)
                ? List.of()
                : Arrays.stream(written.split(",", -1)).map(Fault::one).toList();
    }

    private static Fault one(String written) {
        Matcher parts = WRITTEN.matcher(written);
        if (!parts.matches()) {
            throw unknown(written);
        }
        Failure what = Arrays.stream(Failure.values())
                .filter(failure -> failure.code().equals(parts.group(1)))
                .findFirst()
                .orElseThrow(() -> unknown(parts.group(1)));
        try {
            return new Fault(
                    what,
                    parts.group(2) == null ? 1 : Double.parseDouble(parts.group(2)),
                    parts.group(3) == null ? 0 : Double.parseDouble(parts.group(3)));
        } catch (NumberFormatException _) {
            throw new IllegalArgumentException(
                    "'" + written + "': how bad is a number over 0 to 1, and when in seconds");
        }
    }

    private static IllegalArgumentException unknown(String name) {
        return new IllegalArgumentException("nothing called '" + name + "' can go wrong; it is nothing or one of "
                + Arrays.stream(Failure.values()).map(Failure::code).collect(Collectors.joining(", ")));
    }
}
