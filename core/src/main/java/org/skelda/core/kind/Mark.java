package org.skelda.core.kind;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;

/** Who, from which seat, when it was done, and when it was entered. */
public record Mark(Person by, @Nullable Seat seat, Instant doneAt, Instant enteredAt) {
    /** Whether it was entered later than it was done. */
    public boolean late() {
        return enteredAt.isAfter(doneAt);
    }
}
