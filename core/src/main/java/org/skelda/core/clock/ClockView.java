package org.skelda.core.clock;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;

/**
 * A started clock.
 *
 * @param by the line that started it; null when a state did, of the APU for one
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
        Duration duration,
        Instant opensAt,
        boolean elapsed) {
    private static final Comparator<ClockView> SOONEST_FIRST = Comparator.comparing(ClockView::elapsed)
            .thenComparing(ClockView::opensAt)
            .thenComparing(ClockView::id);

    /** Clocks of every origin in one list: the one that opens soonest first, then those that have run out. */
    public static List<ClockView> inOrder(Stream<ClockView> clocks) {
        return clocks.sorted(SOONEST_FIRST).toList();
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
