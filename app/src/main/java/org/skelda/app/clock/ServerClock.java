package org.skelda.app.clock;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import org.skelda.app.SkeldaProperties;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The time of everything the server does, to the millisecond. It never starts before the newest stored event, so that
 * a restart after a fast demonstration does not run back.
 */
@Component
public final class ServerClock implements InstantSource {
    private static final double NANOS_PER_MILLI = 1e6;

    private final double speed;
    private final long startedNanos = System.nanoTime();
    private final Instant startedAt;
    private final Duration ahead;

    ServerClock(SkeldaProperties properties, JdbcClient database) {
        this.speed = properties.clock().speed();
        Instant real = Instant.now();
        Instant newest = database.sql("select max(at) from departure_event").query(java.time.OffsetDateTime.class)
                .optional().map(java.time.OffsetDateTime::toInstant).orElse(real);
        startedAt = newest.isAfter(real) ? newest : real;
        ahead = Duration.between(real, startedAt);
    }

    @Override
    public Instant instant() {
        // At life's speed the system's clock is followed, since a sleeping machine stops the nanosecond counter.
        Instant now = speed == 1
                ? Instant.now().plus(ahead)
                : startedAt.plusMillis(Math.round((System.nanoTime() - startedNanos) * speed / NANOS_PER_MILLI));
        return now.truncatedTo(ChronoUnit.MILLIS);
    }

    /** Seconds of this clock in a second of life. */
    public double speed() {
        return speed;
    }
}
