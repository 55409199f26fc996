package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.skelda.core.limit.Limit;

/**
 * HOT_START: a start limit exceeded. The attempt watches its limits itself, since they are reported whatever is found.
 */
final class LimitExceeded {
    private LimitExceeded() {}

    static void exceeded(Attempt a, Limit limit, long at_us) {
        String word = a.profile().words(Parameter.TEMPERATURE);
        a.raise(
                FindingId.HOT_START,
                at_us,
                a.profile().guardedCut(),
                limit.allowed().isZero()
                        ? text("%s exceeded the start limit of %.0f °C.", word, limit.value())
                        : text(
                                "%s was above the start limit of %.0f °C for longer than %d s.",
                                word, limit.value(), limit.allowed().toSeconds()));
    }
}
