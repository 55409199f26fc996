package org.skelda.core.start;

import java.time.Duration;
import java.util.Comparator;

/**
 * Something that was found wrong with a start, once for an attempt and for whether it cuts.
 *
 * @param id what
 * @param at its own moment, since starter on; it may lie between two samples
 * @param action what it asks for
 * @param reason one sentence with value, limit and unit
 */
public record Finding(FindingId id, Duration at, Action action, String reason) {
    /** By time, then by the order of the table. */
    public static final Comparator<Finding> IN_ORDER =
            Comparator.comparing(Finding::at).thenComparing(Finding::id);
}
