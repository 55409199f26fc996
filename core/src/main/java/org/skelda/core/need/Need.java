package org.skelda.core.need;

import java.util.SortedSet;
import java.util.TreeSet;

/** Whether something is needed, as far as is known. */
public sealed interface Need {
    Need NEEDED = new Needed();
    Need NOT_NEEDED = new NotNeeded();

    record Needed() implements Need {}

    record NotNeeded() implements Need {}

    /** It cannot be told yet. @param waitsFor the names that must be known first, at least one */
    record NotDecided(SortedSet<String> waitsFor) implements Need {}

    /** What is needed only where both are: one "no" is enough, and what is open in either is open. */
    default Need and(Need other) {
        if (this instanceof NotNeeded || other instanceof NotNeeded) {
            return NOT_NEEDED;
        }
        if (this instanceof NotDecided(var mine) && other instanceof NotDecided(var others)) {
            SortedSet<String> both = new TreeSet<>(mine);
            both.addAll(others);
            return new NotDecided(both);
        }
        return this instanceof NotDecided ? this : other;
    }
}
