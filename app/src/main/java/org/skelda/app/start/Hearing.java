package org.skelda.app.start;

import java.time.Duration;
import java.util.TreeSet;

/**
 * What has been heard of one subject: its own time, kept by its own lines alone, and when that was on the machine's
 * steady clock. Times of readings are microseconds of the feed's own clock.
 */
final class Hearing {
    private static final int REMEMBERED_TIMES = 3000;

    private final TreeSet<Long> times = new TreeSet<>();
    private long newest_us = Long.MIN_VALUE;
    private long heard_ns;
    private boolean heard;

    /** What a line is by its time. */
    enum Kind {
        NEW,
        REPEATED,
        LATE
    }

    Kind kindOf(long at_us) {
        return times.contains(at_us) ? Kind.REPEATED : at_us <= newest_us ? Kind.LATE : Kind.NEW;
    }

    /** A line is known, from now or from before the server was. */
    void know(long at_us) {
        newest_us = Math.max(newest_us, at_us);
        times.add(at_us);
        if (times.size() > REMEMBERED_TIMES) {
            times.pollFirst();
        }
    }

    /** A line was taken; only that counts as heard. @param steady_ns on the machine's steady clock */
    void hear(long steady_ns) {
        heard = true;
        heard_ns = steady_ns;
    }

    /** Time of the newest line; {@link Long#MIN_VALUE} before there was one. */
    long newest_us() {
        return newest_us;
    }

    boolean wasHeard() {
        return heard;
    }

    /** How long nothing has been heard; a day when nothing was since the server began. */
    Duration silence(long steady_ns) {
        return heard ? Duration.ofNanos(steady_ns - heard_ns) : Duration.ofDays(1);
    }
}
