package org.skelda.app.logbook;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.people.SignedIn;
import org.skelda.app.start.PastStarts;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The signed departures of an operator, the newest first, with their starts. */
@RestController
class LogbookController {
    private static final Duration BACK = Duration.ofDays(60);
    private static final Duration AHEAD = Duration.ofDays(1);

    private final Logbook logbook;
    private final PastStarts past;
    private final ServerClock clock;

    LogbookController(Logbook logbook, PastStarts past, ServerClock clock) {
        this.logbook = logbook;
        this.past = past;
        this.clock = clock;
    }

    @GetMapping("/api/logbook")
    List<LogbookRow> signed(@AuthenticationPrincipal SignedIn person) {
        Instant now = clock.instant();
        return logbook.between(person.operatorId(), now.minus(BACK), now.plus(AHEAD));
    }

    /** Starts from before departures were kept here, the newest first. */
    @GetMapping("/api/logbook/starts")
    List<PastStarts.StartBefore> startsBefore(@AuthenticationPrincipal SignedIn person) {
        return past.listed(person.operatorId());
    }
}
