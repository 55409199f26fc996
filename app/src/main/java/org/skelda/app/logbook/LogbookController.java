package org.skelda.app.logbook;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.app.start.PastStarts;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Lifecycle;
import org.skelda.core.departure.Opening;
import org.skelda.core.departure.StartRecord;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The signed departures of an operator, the newest first, with their starts. */
@RestController
class LogbookController {
    private static final Duration BACK = Duration.ofDays(60);
    private static final Duration AHEAD = Duration.ofDays(1);

    private final Departures departures;
    private final PastStarts past;
    private final ServerClock clock;

    LogbookController(Departures departures, PastStarts past, ServerClock clock) {
        this.departures = departures;
        this.past = past;
        this.clock = clock;
    }

    /** @param crew names of who held a seat at the end; @param signedAt when it was signed, whatever was added since; @param starts every attempt, by engine */
    record LogbookRow(UUID id, Opening.Kind kind, String tail, String typeName, String flight, String from, String to, Instant offBlock, Instant signedAt, List<String> crew,
            List<StartRecord> starts) {}

    @GetMapping("/api/logbook")
    List<LogbookRow> logbook(@AuthenticationPrincipal SignedIn person) {
        Instant now = clock.instant();
        return departures.between(person.operatorId(), now.minus(BACK), now.plus(AHEAD)).stream()
                .filter(departure -> departure.lifecycle() == Lifecycle.SIGNED).map(LogbookController::row).toList();
    }

    /** Starts from before departures were kept here, the newest first. */
    @GetMapping("/api/logbook/starts")
    List<PastStarts.StartBefore> startsBefore(@AuthenticationPrincipal SignedIn person) {
        return past.listed(person.operatorId());
    }

    private static LogbookRow row(Departure departure) {
        var opening = departure.opening();
        return new LogbookRow(opening.departureId(), opening.kind(), opening.tail(), departure.plan().type().name(), opening.flight(), opening.from(), opening.to(),
                opening.offBlock(), signedAt(departure), departure.seats().values().stream().map(seated -> seated.person().name()).toList(),
                departure.starts().entrySet().stream().sorted(Map.Entry.comparingByKey()).flatMap(entry -> entry.getValue().stream()).toList());
    }

    private static Instant signedAt(Departure departure) {
        Instant signed = departure.signedAt();
        return signed == null ? departure.at() : signed;
    }
}
