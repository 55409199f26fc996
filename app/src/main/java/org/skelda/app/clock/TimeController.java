package org.skelda.app.clock;

import java.time.Instant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells the server's time, for the page's clock offset. */
@RestController
class TimeController {
    private final ServerClock clock;

    TimeController(ServerClock clock) {
        this.clock = clock;
    }

    /** @param now the server's time, UTC; @param speed how fast it runs against life */
    record ServerTime(Instant now, double speed) {}

    @GetMapping("/api/time")
    ServerTime time() {
        return new ServerTime(clock.instant(), clock.speed());
    }
}
