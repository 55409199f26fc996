package org.skelda.core.measure;

import org.jspecify.annotations.Nullable;

/**
 * What a reading means against its limit.
 *
 * @param verdict within, within but worth a caution, or outside
 * @param limit the nearer limit, in the measure's unit; null when the measure has none
 * @param margin distance to that limit, in the measure's unit, negative when outside; null when there is no limit
 * @param source where the limit comes from
 */
public record Judgement(
        Verdict verdict, @Nullable Double limit, @Nullable Double margin, String source) {
    /** The three things a reading can be. */
    public enum Verdict {
        WITHIN,
        CAUTION,
        OUTSIDE
    }
}
