package org.skelda.app.clock;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import java.util.function.LongSupplier;
import org.skelda.app.SkeldaProperties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The time of everything the server does, to the millisecond. It runs on the machine's steady clock, so that a wall
 * clock that is set forward or back changes nothing while a start is under way; {@link #follow} takes the wall clock's
 * time over when it may. It never starts before the newest stored event, so that a restart after a fast demonstration
 * does not run back.
 */
@Component
public final class ServerClock implements InstantSource {
    private static final Logger LOG = LoggerFactory.getLogger(ServerClock.class);
    private static final double NANOS_PER_MILLI = 1e6;
    private static final Duration WORTH_FOLLOWING = Duration.ofMillis(20);
    private static final Duration WORTH_TELLING = Duration.ofSeconds(2);

    private final double speed;
    private final InstantSource wall;
    private final LongSupplier steady;
    private final Duration ahead;
    private volatile Anchor anchor;

    /** @param at a moment of this clock; @param steady_ns the same on the machine's steady clock */
    private record Anchor(Instant at, long steady_ns) {}

    /**
     * Rows stand in the order in which they came. Departures are written side by side: the newest event is among the
     * last of them.
     */
    private static final String NEWEST = """
            SELECT MAX(at) FROM (SELECT at FROM departure_event ORDER BY _ROWID_ DESC FETCH FIRST 1000 ROWS ONLY)
            """;

    @Autowired
    ServerClock(SkeldaProperties properties, JdbcClient database) {
        this(
                properties.clock().speed(),
                properties.clock().behind(),
                database.sql(NEWEST)
                        .query(java.time.OffsetDateTime.class)
                        .optional()
                        .map(java.time.OffsetDateTime::toInstant)
                        .orElse(Instant.MIN),
                InstantSource.system(),
                System::nanoTime);
    }

    ServerClock(double speed, Duration behind, Instant newestEvent, InstantSource wall, LongSupplier steady) {
        this.speed = speed;
        this.wall = wall;
        this.steady = steady;
        Instant real = wall.instant();
        Instant wanted = real.minus(behind);
        Instant startedAt = newestEvent.isAfter(wanted) ? newestEvent : wanted;
        ahead = Duration.between(real, startedAt);
        anchor = new Anchor(startedAt, steady.getAsLong());
    }

    @Override
    public Instant instant() {
        Anchor from = anchor;
        return from.at()
                .plusMillis(Math.round((steady.getAsLong() - from.steady_ns()) * speed / NANOS_PER_MILLI))
                .truncatedTo(ChronoUnit.MILLIS);
    }

    /** The machine's steady clock (ns): it measures silence, and nobody sets it. */
    public long steady_ns() {
        return steady.getAsLong();
    }

    /** Takes the wall clock's time over, at life's speed. */
    public void follow() {
        if (speed != 1) {
            return;
        }
        Instant wanted = wall.instant().plus(ahead);
        Duration off = Duration.between(instant(), wanted);
        if (off.abs().compareTo(WORTH_FOLLOWING) > 0) {
            if (off.abs().compareTo(WORTH_TELLING) > 0) {
                LOG.warn("the machine's clock was set by {}; the server follows it", off);
            }
            anchor = new Anchor(wanted, steady.getAsLong());
        }
    }

    /** Seconds of this clock in a second of life. */
    public double speed() {
        return speed;
    }
}
