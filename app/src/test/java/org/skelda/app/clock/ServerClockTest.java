package org.skelda.app.clock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The server's clock runs steadily, whoever sets the machine's wall clock. */
class ServerClockTest {
    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");

    private final AtomicReference<Instant> wall = new AtomicReference<>(NOON);
    private final AtomicLong steady = new AtomicLong(5);

    private ServerClock clock(double speed, Instant newestEvent) {
        return new ServerClock(speed, Duration.ZERO, newestEvent, wall::get, steady::get);
    }

    private void passes(Duration time) {
        steady.addAndGet(time.toNanos());
        wall.updateAndGet(now -> now.plus(time));
    }

    @ParameterizedTest
    @ValueSource(longs = {3600, -3600, 1, -1})
    void aWallClockThatIsSetChangesNothingUntilItIsFollowed(long seconds) {
        ServerClock clock = clock(1, Instant.MIN);
        passes(Duration.ofSeconds(10));
        wall.updateAndGet(now -> now.plusSeconds(seconds));
        passes(Duration.ofSeconds(10));
        assertThat(clock.instant()).isEqualTo(NOON.plusSeconds(20));
        clock.follow();
        assertThat(clock.instant()).isEqualTo(NOON.plusSeconds(20 + seconds));
        passes(Duration.ofSeconds(1));
        assertThat(clock.instant()).isEqualTo(NOON.plusSeconds(21 + seconds));
    }

    @Test
    void aFastClockFollowsNothing() {
        ServerClock clock = clock(60, Instant.MIN);
        passes(Duration.ofSeconds(1));
        wall.updateAndGet(now -> now.plusSeconds(7200));
        clock.follow();
        assertThat(clock.instant()).isEqualTo(NOON.plusSeconds(60));
    }

    @ParameterizedTest
    @ValueSource(longs = {7200, -7200})
    void itIsAsFarBehindAsItIsToldAndGoesOnWithTheWallClock(long seconds) {
        Instant begins = NOON.minusSeconds(seconds);
        ServerClock clock = new ServerClock(1, Duration.ofSeconds(seconds), Instant.MIN, wall::get, steady::get);
        assertThat(clock.instant()).isEqualTo(begins);
        passes(Duration.ofSeconds(3));
        clock.follow();
        assertThat(clock.instant()).isEqualTo(begins.plusSeconds(3));
    }

    @Test
    void behindTheNewestEventItStartsThere() {
        Instant newest = NOON.minusSeconds(60);
        ServerClock clock = new ServerClock(1, Duration.ofHours(1), newest, wall::get, steady::get);
        assertThat(clock.instant()).isEqualTo(newest);
    }

    @Test
    void itNeverStartsBeforeTheNewestEventAndStaysAhead() {
        ServerClock clock = clock(1, NOON.plusSeconds(500));
        passes(Duration.ofSeconds(3));
        clock.follow();
        assertThat(clock.instant()).isEqualTo(NOON.plusSeconds(503));
    }
}
