package org.skelda.core.kind;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.need.Known;

/** What one kind of line expects, and how it is worked. A new kind is a new file here; the compiler names the rest. */
public sealed interface LineKind
        permits Tick, Measure, Compare, Challenge, Choice, Communication, ControlCheck, Walk, Indications {

    /** What the line is about, as it is read. */
    String label();

    /** What must be set, seen, answered, done or said. */
    String expects();

    /** How it stands after what happened on it. */
    Standing standing(History history);

    /** What comes of working it, or why not. */
    Taking take(Doing doing, History history, Hand hand);

    /** Names of what must be known before it can be worked. */
    default Set<String> awaits(Known known) {
        return Set.of();
    }

    /** What there is to show beside who did it and when; null when nothing. */
    default @Nullable WorkView view(History history, Known known) {
        return null;
    }

    /** Whether the crew stays with it until it is done. @param outside whether what was given is not as it must be */
    default boolean holdsUp(boolean outside) {
        return true;
    }

    /** Whether its first half may be given although it waits: what is recorded late, or decided about later. */
    default boolean isFree(Doing doing) {
        return doing instanceof Doing.Confirm;
    }
}
