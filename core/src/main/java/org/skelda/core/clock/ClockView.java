package org.skelda.core.clock;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;

/**
 * A started clock.
 *
 * @param by the line that started it; null when a state did, of the APU for one
 * @param duration how long it runs; null when it counts up
 * @param opensAt its end; null when it counts up
 * @param elapsed whether it had run out at the view's time
 */
public record ClockView(
        String id,
        String label,
        String releases,
        @Nullable String note,
        String source,
        @Nullable LineRef by,
        Instant startedAt,
        @Nullable Duration duration,
        @Nullable Instant opensAt,
        boolean elapsed,
        Counts counts) {

    /** How a clock counts. */
    public enum Counts {
        /** To its end, which allows something; it is heard then. */
        DOWN,
        /** On from its beginning; it has no end. */
        UP,
        /** To its end, after which what it allows is allowed no more. */
        WINDOW
    }

    /**
     * The time that a clock leaves.
     *
     * @param clock the clock's label
     * @param slack off-block less the clock's end, or less its end if it were started at the view's time; negative when
     *     late
     * @param running whether it has been started; until then the slack shrinks as time passes
     */
    public record InHand(String clock, Duration slack, boolean running) {}
}
