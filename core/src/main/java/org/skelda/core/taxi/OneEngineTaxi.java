package org.skelda.core.taxi;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.StateClock;

/**
 * A type's taxi-out on one engine.
 *
 * @param onOne the state of the aircraft that tells that it is meant today
 * @param warmUp how long the engine that is started last runs before take-off
 * @param lists how long the lists take after that
 * @param source where it is told
 */
public record OneEngineTaxi(String onOne, Duration warmUp, Duration lists, String source) {
    private static final long SECONDS_PER_MINUTE = 60;

    /** @throws IllegalArgumentException when a time is not positive */
    public OneEngineTaxi {
        if (!warmUp.isPositive() || lists.isNegative()) {
            throw new IllegalArgumentException("the times before take-off must be positive");
        }
    }

    /** How long before take-off the last start begins at the latest. */
    public Duration beforeTakeOff() {
        return warmUp.plus(lists);
    }

    /**
     * When the aircraft takes off, as far as it can be known.
     *
     * @param leaves when it left its stand, or should
     * @param way_min from there to the runway, minutes
     */
    public static Instant takeOff(Instant leaves, double way_min) {
        return leaves.plusSeconds(Math.round(way_min * SECONDS_PER_MINUTE));
    }

    /**
     * The window in which the rest is started; once it has run out, the take-off waits.
     *
     * @param engines still to be started
     * @param since when the departure was opened
     * @param takeOff when it takes off
     * @return empty when every engine runs, or there never was a window
     */
    public Optional<StateClock> latestStart(List<Integer> engines, Instant since, Instant takeOff) {
        Instant latest = takeOff.minus(beforeTakeOff());
        return engines.isEmpty() || !latest.isAfter(since)
                ? Optional.empty()
                : Optional.of(new StateClock(
                        "second-start-latest",
                        "Latest for take-off",
                        "start of engine "
                                + engines.stream().map(String::valueOf).collect(Collectors.joining(" and ")),
                        minutes(beforeTakeOff()) + " before take-off: " + minutes(warmUp) + " to warm up, "
                                + minutes(lists) + " for the lists.",
                        since,
                        Duration.between(since, latest),
                        ClockView.Counts.WINDOW));
    }

    private static String minutes(Duration time) {
        return time.toMinutes() + " min";
    }
}
