package org.skelda.core.limit;

import java.time.Duration;
import java.util.Optional;

/**
 * How long a signal is beyond one limit without a break, while the watch is open. Crossings are interpolated; a limit
 * with an allowed time d is exceeded at the moment the time beyond becomes longer than d (for 0: at the crossing).
 *
 * <p>Times are microseconds. One thread.
 */
public final class DwellWatch implements Signal.Listener {
    /** Not beyond the limit at present. */
    public static final long NOT_BEYOND = Signal.NEVER;

    private static final long NONE = Long.MIN_VALUE;

    /** Told once for each time beyond that becomes longer than allowed, with the moment it does (us). */
    public interface OnExceeded {
        void exceeded(long at_us);
    }

    private final Limit limit;
    private final long allowed_us;
    private final OnExceeded then;
    private long opens_us;
    private long closes_us = Signal.NEVER;
    private long since_us = NONE;
    private boolean told;
    private long reached_us = NONE;
    private long longestFrom_us = NONE;
    private long longest_us = -1;
    private long firstExceeded_us = NONE;

    /** A watch that is closed until it is opened. */
    public DwellWatch(Limit limit, OnExceeded then) {
        this.limit = limit;
        this.allowed_us = limit.allowed().toNanos() / 1000;
        this.then = then;
        this.opens_us = Signal.NEVER;
    }

    /** The limit that is watched. */
    public Limit limit() {
        return limit;
    }

    /** Counts from this moment on: what was beyond before counts as beyond from here. */
    public void openFrom(long at_us) {
        endRun();
        opens_us = at_us;
        closes_us = Signal.NEVER;
    }

    /** Counts until this moment and no longer. It must not lie before what was heard already. */
    public void closeAt(long at_us) {
        closes_us = Math.min(closes_us, at_us);
    }

    /** Goes on where another watch of the same limit stands. */
    public void resume(DwellWatch other) {
        opens_us = other.opens_us;
        closes_us = other.closes_us;
        since_us = other.since_us;
        told = other.told;
        reached_us = other.reached_us;
        longestFrom_us = other.longestFrom_us;
        longest_us = other.longest_us;
        firstExceeded_us = other.firstExceeded_us;
    }

    @Override
    public void line(long from_us, double from, long to_us, double to) {
        if (to_us <= opens_us) {
            return;
        }
        if (from_us >= closes_us) {
            endRun();
            return;
        }
        if (from_us >= opens_us && to_us <= closes_us) {
            within(from_us, limit.beyond(from), to_us, limit.beyond(to));
            return;
        }
        long start = Math.max(from_us, opens_us);
        long end = Math.min(to_us, closes_us);
        double rate = to_us == from_us ? 0 : (to - from) / (to_us - from_us);
        double a = limit.beyond(start == from_us ? from : from + rate * (start - from_us));
        double b = limit.beyond(end == to_us ? to : from + rate * (end - from_us));
        within(start, a, end, b);
        if (end == closes_us) {
            endRun();
        }
    }

    private void within(long start, double a, long end, double b) {
        if (a <= 0 && since_us != NONE) {
            endRun();
        }
        if (a <= 0 && b <= 0) {
            return;
        }
        if (since_us == NONE) {
            since_us = a > 0 ? start : crossing(start, a, end, b);
            told = false;
        }
        reached_us = b > 0 ? end : crossing(start, a, end, b);
        if (!told && reached_us > since_us + allowed_us) {
            told = true;
            long at = since_us + allowed_us;
            if (firstExceeded_us == NONE) {
                firstExceeded_us = at;
            }
            then.exceeded(at);
        }
        if (b <= 0) {
            endRun();
        }
    }

    private static long crossing(long start, double a, long end, double b) {
        return start + Math.round((end - start) * (a / (a - b)));
    }

    @Override
    public void lost(long at_us) {
        endRun();
    }

    private void endRun() {
        if (since_us != NONE) {
            keepLongest();
            since_us = NONE;
        }
    }

    private void keepLongest() {
        if (reached_us - since_us > longest_us) {
            longest_us = reached_us - since_us;
            longestFrom_us = since_us;
        }
    }

    /** Since when it is beyond without a break (us); {@link #NOT_BEYOND} when it is not. */
    public long beyondSince_us() {
        return since_us == NONE ? NOT_BEYOND : since_us;
    }

    /** The longest time beyond so far, allowed or not (us). */
    public long longest_us() {
        return Math.max(0, since_us == NONE ? longest_us : Math.max(longest_us, reached_us - since_us));
    }

    /**
     * What is to be reported, if the limit was exceeded.
     *
     * @param zero_us the moment that times are told from
     * @param extreme the farthest reading, in the limit's unit
     */
    public Optional<Exceedance> exceedance(long zero_us, double extreme) {
        if (firstExceeded_us == NONE) {
            return Optional.empty();
        }
        boolean runsLongest = since_us != NONE && reached_us - since_us > longest_us;
        long from = runsLongest ? since_us : longestFrom_us;
        long dwell = runsLongest ? reached_us - since_us : longest_us;
        return Optional.of(new Exceedance(
                limit, micros(from - zero_us), micros(dwell), micros(firstExceeded_us - zero_us), extreme));
    }

    private static Duration micros(long us) {
        return Duration.ofNanos(us * 1000);
    }
}
