package org.skelda.core.clock;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.measure.OutOfRange;

/**
 * A clock that a line starts.
 *
 * @param id a slug
 * @param label what runs ("Alignment, both units")
 * @param releases what its end allows ("bleed air allowed")
 * @param note what must or must not happen meanwhile; null when nothing
 * @param time how long it runs
 * @param source where the duration comes from
 */
public record ClockSpec(
        String id, String label, String releases, @Nullable String note, Time time, String source) {

    /** How long a clock runs. */
    public sealed interface Time {
        /** Always the same. @param duration positive */
        record Fixed(Duration duration) implements Time {}

        /** Grows with the latitude of the stand. @param rule the type's rule */
        record Alignment(AlignmentRule rule) implements Time {}
    }

    /**
     * @param latitude_deg latitude of the stand, degrees north positive
     * @return how long the clock runs there
     * @throws OutOfRange when the units cannot align at that latitude
     */
    public Duration durationAt(double latitude_deg) {
        return switch (time) {
            case Time.Fixed fixed -> fixed.duration();
            case Time.Alignment alignment -> alignment.rule().timeAt(latitude_deg);
        };
    }
}
