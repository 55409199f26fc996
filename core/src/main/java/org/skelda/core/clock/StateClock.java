package org.skelda.core.clock;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A clock that a state starts, of the APU or of an inertial unit: no line does, and no hand stops it.
 *
 * @param id among all clocks of the departure
 * @param label what runs
 * @param releases what its end allows
 * @param note what must or must not happen meanwhile; null when nothing
 * @param from since when the state lasts
 * @param duration how long it runs; null when it counts up
 * @param counts how it counts
 */
public record StateClock(
        String id,
        String label,
        String releases,
        @Nullable String note,
        Instant from,
        @Nullable Duration duration,
        ClockView.Counts counts) {

    /** One that counts down to what its end allows. */
    public StateClock(
            String id, String label, String releases, @Nullable String note, Instant from, Duration duration) {
        this(id, label, releases, note, from, duration, ClockView.Counts.DOWN);
    }

    /** As it stands. @param source where its duration comes from; @param at the time asked about */
    public ClockView view(String source, Instant at) {
        Instant end = duration == null ? null : from.plus(duration);
        return new ClockView(
                id, label, releases, note, source, null, from, duration, end, end != null && !at.isBefore(end), counts);
    }
}
