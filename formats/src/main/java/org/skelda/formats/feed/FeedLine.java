package org.skelda.formats.feed;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.start.Sample;
import org.skelda.core.watch.Subject;

/**
 * One line of a feed.
 *
 * @param at when it was read, on the feed's own clock
 * @param subject what it is of
 * @param sample the readings of an engine, its time in microseconds since 1970; impossible ones are left out of it
 * @param lights what the aircraft shows, by ids; null when the line tells nothing of it
 * @param apu the readings of the APU, for a line of it alone
 * @param units what the inertial units show; null when the line tells nothing of them
 * @param power how the electrics stand; null when the line tells nothing of them
 * @param impossible one sentence for each reading that no such instrument shows
 */
public record FeedLine(
        Instant at,
        Subject subject,
        Sample sample,
        @Nullable List<String> lights,
        @Nullable ApuSample apu,
        @Nullable UnitsSample units,
        @Nullable PowerSample power,
        List<String> impossible) {
    public FeedLine {
        lights = lights == null ? null : List.copyOf(lights);
        impossible = List.copyOf(impossible);
    }
}
