package org.skelda.core.line;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.Gauge;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.feed.Feed;
import org.skelda.core.measure.MeasureSpec;

/**
 * What a feed reads of the aircraft, as lines ask for it.
 *
 * @param feed null when there is none, or none was ever attached
 */
public record Readings(@Nullable Feed feed) {
    private static final double MILLIS_PER_SECOND = 1000;

    /** How the electrics are shown to stand. */
    public PowerSeen power() {
        return feed == null || feed.power() == null ? PowerSeen.NOTHING : feed.power();
    }

    /**
     * The charge current that was shown since a clock was started.
     *
     * @param spec of the line that reads it
     * @param clock that the reading counts from; null when it was not started
     * @return oldest first; none for what is no charge current, or has no instrument in the feed
     */
    public List<ChargeCurve.Point> charge(MeasureSpec spec, @Nullable RunningClock clock) {
        ChargeRule rule = spec.charge();
        Gauge gauge = spec.gauge();
        if (rule == null || gauge == null || clock == null || feed == null) {
            return List.of();
        }
        Instant from = clock.startedAt();
        return feed.currents().getOrDefault(gauge.source(), List.of()).stream()
                .filter(one -> one.at().isAfter(from))
                .map(one -> new ChargeCurve.Point(
                        Duration.between(from, one.at()).toMillis() / MILLIS_PER_SECOND, one.current_A()))
                .toList();
    }
}
