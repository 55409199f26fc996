package org.skelda.core.clock;

import java.time.Duration;
import java.time.Instant;
import org.skelda.core.kind.LineRef;

/**
 * A clock that was started. It has run out once {@code startedAt + duration <= at}.
 *
 * @param clock its id
 * @param by the line that started it
 * @param startedAt when
 * @param duration how long it runs
 */
public record RunningClock(String clock, LineRef by, Instant startedAt, Duration duration) {

    public Instant opensAt() {
        return startedAt.plus(duration);
    }

    public boolean elapsedAt(Instant at) {
        return !at.isBefore(opensAt());
    }
}
