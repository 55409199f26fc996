package org.skelda.core.apu;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Starts that failed one after the other; one that succeeds forgets them.
 *
 * @param count how many
 * @param newest when the last of them was over; null when none failed
 * @param stopped why it stopped itself last; null when it did not
 */
public record ApuTries(
        int count, @Nullable Instant newest, @Nullable AutomaticStop stopped) {
    /** None failed. */
    public static final ApuTries NONE = new ApuTries(0, null, null);

    ApuTries failed(Instant at) {
        return new ApuTries(count + 1, at, null);
    }

    ApuTries stopped(AutomaticStop why) {
        return new ApuTries(count, newest, why);
    }

    /** When the rest after the newest is over; empty when none failed. */
    public Optional<Instant> restedAt(ApuRule rule) {
        return Optional.ofNullable(newest)
                .map(at -> at.plus(count % rule.tries() == 0 ? rule.longRest() : rule.rest()));
    }

    /** How many are left before the long rest. */
    int left(ApuRule rule) {
        return rule.tries() - count % rule.tries();
    }
}
