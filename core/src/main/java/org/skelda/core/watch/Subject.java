package org.skelda.core.watch;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/**
 * What a reading is of, as a feed names it: {@code engine:1} to {@code engine:4}, {@code apu} or {@code aircraft}.
 *
 * @param kind what it is
 * @param number of an engine, 1 to 4; 0 for the others
 */
public record Subject(Kind kind, int number) implements Comparable<Subject> {
    /** The aircraft itself: buses, batteries, duct, lights, motion. */
    public static final Subject AIRCRAFT = new Subject(Kind.AIRCRAFT, 0);
    /** The auxiliary power unit. */
    public static final Subject APU = new Subject(Kind.APU, 0);

    private static final int MOST_ENGINES = 4;
    private static final Comparator<Subject> ORDER =
            Comparator.comparing(Subject::kind).thenComparing(Subject::number);

    /** What can be watched. */
    public enum Kind {
        ENGINE,
        APU,
        AIRCRAFT
    }

    public Subject {
        if (kind == Kind.ENGINE ? number < 1 || number > MOST_ENGINES : number != 0) {
            throw new IllegalArgumentException(
                    kind + " " + number + " is nothing that is watched; engines have the numbers 1 to " + MOST_ENGINES);
        }
    }

    public static Subject engine(int number) {
        return new Subject(Kind.ENGINE, number);
    }

    /** @return empty for a text that names nothing that is watched */
    public static Optional<Subject> find(String text) {
        return switch (text) {
            case "apu" -> Optional.of(APU);
            case "aircraft" -> Optional.of(AIRCRAFT);
            case "engine:1", "engine:2", "engine:3", "engine:4" ->
                Optional.of(engine(text.charAt(text.length() - 1) - '0'));
            default -> Optional.empty();
        };
    }

    /** @throws IllegalArgumentException for a text that names nothing that is watched */
    public static Subject parse(String text) {
        return find(text)
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + text + "' is nothing that is watched; expected engine:1 to engine:4, apu or aircraft"));
    }

    public boolean isEngine() {
        return kind == Kind.ENGINE;
    }

    /** Its name between other words, e.g. {@code engine-2}. */
    public String slug() {
        return toString().replace(':', '-');
    }

    @Override
    public int compareTo(Subject other) {
        return ORDER.compare(this, other);
    }

    @Override
    public String toString() {
        String word = kind.name().toLowerCase(Locale.ROOT);
        return kind == Kind.ENGINE ? word + ":" + number : word;
    }
}
