package org.skelda.app.people;

import java.util.regex.Pattern;

/**
 * A name as it may be shown and written into a header: without control characters, and without those that turn or hide
 * what follows.
 */
public final class PlainName {
    private static final Pattern NOT_SHOWN = Pattern.compile("[\\p{Cntrl}\\p{Cf}\\u2028\\u2029]");

    private PlainName() {}

    /** @param given of a file, a trace, a feed, a flight or a person; what is left of it may be empty */
    public static String of(String given) {
        return NOT_SHOWN.matcher(given).replaceAll("").strip();
    }
}
