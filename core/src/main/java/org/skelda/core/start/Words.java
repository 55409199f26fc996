package org.skelda.core.start;

import java.util.Locale;

/** Sentences with numbers in them, the same in every locale. */
final class Words {
    private Words() {}

    static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    /** As a sentence begins. */
    static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /** A number with a decimal only where it needs one. */
    static String shortest(double value) {
        return value == Math.rint(value) ? text("%.0f", value) : text("%.1f", value);
    }
}
