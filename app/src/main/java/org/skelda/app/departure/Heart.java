package org.skelda.app.departure;

import org.skelda.app.clock.ServerClock;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Beats once a second on every open stream, so that a page knows within two that the link is gone; and tidies what
 * nobody uses.
 */
@Component
class Heart {
    private static final long BEAT_MS = 1000;
    private static final long TIDIED_EVERY_MS = 5000;

    private final LiveDepartures departures;
    private final ServerClock clock;

    Heart(LiveDepartures departures, ServerClock clock) {
        this.departures = departures;
        this.clock = clock;
    }

    @Scheduled(fixedRate = BEAT_MS)
    void beat() {
        departures.heartbeat(clock.instant(), clock.steady_ns());
    }

    @Scheduled(fixedRate = TIDIED_EVERY_MS)
    void tidy() {
        departures.tidy(clock.steady_ns());
    }
}
