package org.skelda.core.limit;

import java.util.ArrayList;
import java.util.List;

/**
 * One measured value over time, with its gaps. Up to 1.5 s between two readings it is the straight line between them;
 * beyond that the last reading is held until 3.0 s after it; then the value is lost until the next reading.
 *
 * <p>Times are microseconds on the caller's clock and never run back. Extra calls of {@link #advanceTo} change nothing
 * that is said in the end. One thread.
 */
public final class Signal {
    /** Longest gap that is bridged by a straight line (us). */
    public static final long BRIDGED_us = 1_500_000;
    /** Time after a reading at which the value is lost (us). */
    public static final long HELD_us = 3_000_000;
    /** No such moment. */
    public static final long NEVER = Long.MAX_VALUE;

    /** Told of the signal piece by piece, in the order of time. */
    public interface Listener {
        /**
         * The signal is the line between these two points. It may begin elsewhere than the last one ended: then it
         * jumped.
         */
        void line(long from_us, double from, long to_us, double to);

        /** From this moment on nothing is known, until the next line. */
        void lost(long at_us);
    }

    /**
     * A time without a reading that was too long to bridge. @param to_us the next reading, or {@link #NEVER} while it
     * lasts
     */
    public record Gap(long from_us, long to_us) {}

    private Listener listener;
    private final List<Gap> gaps = new ArrayList<>(0);
    private boolean read;
    private boolean saidLost;
    private long last_us;
    private double last;
    private long heldTo_us;

    public Signal(Listener listener) {
        this.listener = listener;
    }

    /** Goes on where another signal stands, with its own listener. */
    public void resume(Signal other) {
        gaps.clear();
        gaps.addAll(other.gaps);
        read = other.read;
        saidLost = other.saidLost;
        last_us = other.last_us;
        last = other.last;
        heldTo_us = other.heldTo_us;
    }

    /** Takes another listener from here on; it hears the next line from where it begins. */
    public void tell(Listener other) {
        listener = other;
    }

    /** Who hears it now. */
    public Listener listener() {
        return listener;
    }

    /** A reading. @param at_us later than every reading before; @param value finite */
    public void read(long at_us, double value) {
        if (read) {
            if (at_us - last_us <= BRIDGED_us) {
                listener.line(last_us, last, at_us, value);
            } else {
                advanceTo(at_us);
                gaps.add(new Gap(last_us, at_us));
            }
        }
        read = true;
        saidLost = false;
        last_us = at_us;
        last = value;
        heldTo_us = at_us;
    }

    /** Time has passed without a reading: says what has become certain by then. */
    public void advanceTo(long at_us) {
        if (!read || at_us - last_us <= BRIDGED_us || saidLost) {
            return;
        }
        long until = Math.min(at_us, last_us + HELD_us);
        if (until > heldTo_us) {
            listener.line(heldTo_us, last, until, last);
            heldTo_us = until;
        }
        if (at_us > last_us + HELD_us) {
            saidLost = true;
            listener.lost(last_us + HELD_us);
        }
    }

    /** Whether there was a reading at all. */
    public boolean isMeasured() {
        return read;
    }

    /** Whether nothing may be said of the value at a moment not before the last reading. */
    public boolean isLostAt(long at_us) {
        return !read || at_us - last_us > HELD_us;
    }

    /** When the value is lost if nothing more is read; long ago when it was never read. */
    public long lostFrom_us() {
        return read ? last_us + HELD_us : Long.MIN_VALUE;
    }

    /** The last reading, in its unit. Meaningless before there was one. */
    public double last() {
        return last;
    }

    /** When the last reading was (us). */
    public long last_us() {
        return last_us;
    }

    /** All gaps that were not bridged so far, one that lasts at this moment included. */
    public List<Gap> gapsAt(long at_us) {
        if (!read || at_us - last_us <= BRIDGED_us) {
            return List.copyOf(gaps);
        }
        List<Gap> all = new ArrayList<>(gaps);
        all.add(new Gap(last_us, NEVER));
        return List.copyOf(all);
    }
}
