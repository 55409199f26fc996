package org.skelda.core.kind;

import java.util.regex.Pattern;

/**
 * Names one line of one procedure; written {@code procedure/line}.
 *
 * @param procedure the procedure's id, a slug
 * @param line the line's id within it, a slug
 */
public record LineRef(String procedure, String line) implements Comparable<LineRef> {

    private static final Pattern TEXT = Pattern.compile("([a-z0-9][a-z0-9-]*)/([a-z0-9][a-z0-9-]*)");

    /**
     * @param text {@code procedure/line}
     * @throws IllegalArgumentException when it is not two slugs with a slash between
     */
    public static LineRef parse(String text) {
        var match = TEXT.matcher(text);
        if (!match.matches()) {
            throw new IllegalArgumentException("'" + text + "' does not name a line; expected procedure/line");
        }
        return new LineRef(match.group(1), match.group(2));
    }

    @Override
    public int compareTo(LineRef other) {
        return toString().compareTo(other.toString());
    }

    @Override
    public String toString() {
        return procedure + "/" + line;
    }
}
