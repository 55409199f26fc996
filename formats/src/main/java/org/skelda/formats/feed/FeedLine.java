package org.skelda.formats.feed;

import java.time.Instant;
import java.util.List;
import org.skelda.core.start.Sample;

/**
 * One line of a feed.
 *
 * @param at when it was read, on the feed's own clock
 * @param subject {@code engine:1} to {@code engine:4}, {@code apu} or {@code aircraft}
 * @param sample the readings of an engine, its time in microseconds since 1970; impossible ones are left out of it
 * @param impossible one sentence for each reading that no such instrument shows
 */
public record FeedLine(Instant at, String subject, Sample sample, List<String> impossible) {
    private static final String ENGINE = "engine:";

    public FeedLine {
        impossible = List.copyOf(impossible);
    }

    /** The engine it is about, 1 to 4; 0 when it is about something else. */
    public int engine() {
        return subject.startsWith(ENGINE) ? subject.charAt(ENGINE.length()) - '0' : 0;
    }
}
