package org.skelda.app.start;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.procedure.Packs;
import org.skelda.core.departure.Departure;
import org.skelda.core.start.BeforeStart;
import org.skelda.core.start.StartProfile;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The starts of a departure: as they stand, what to expect of the next one, and their traces. */
@RestController
@RequestMapping("/api/departures/{id}/starts")
class StartController {
    private static final double US_PER_MS = 1000;

    private final Departures departures;
    private final LiveStarts starts;
    private final StartHistory history;
    private final Packs packs;

    StartController(Departures departures, LiveStarts starts, StartHistory history, Packs packs) {
        this.departures = departures;
        this.starts = starts;
        this.history = history;
        this.packs = packs;
    }

    /** @param sheet null when the type has no start profile; @param engines those of which anything was read */
    record Starts(@Nullable StartSheet sheet, List<StartMessage> engines) {}

    /** @param after only readings after this time, milliseconds since 1970 on the feed's clock */
    @GetMapping
    Starts all(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") double after,
            @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departure departure = departures.state(id);
        StartSheet sheet = packs.profileOf(departure.opening())
                .map(profile -> StartSheet.of(profile, departure.opening().elevation_ft()))
                .orElse(null);
        return new Starts(sheet, starts.all(id, Math.round(after * US_PER_MS)));
    }

    /**
     * @param expected of the next start, today
     * @param starts of this engine that it is expected by, the newest last
     */
    record Expectation(BeforeStart.Expected expected, List<BeforeStart.Past> starts) {}

    @GetMapping("/{engine}/expected")
    Expectation expected(@PathVariable UUID id, @PathVariable int engine, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departure departure = departures.state(id);
        StartProfile profile =
                packs.profileOf(departure.opening()).orElseThrow(() -> notThere("The type has no start profile."));
        var lines = StartHistory.today(departure, engine);
        Double oat = StartHistory.reading(departure, lines.oat());
        Double tailWind = StartHistory.reading(departure, lines.tailWind());
        List<BeforeStart.Past> past =
                history.last(person.operatorId(), departure.opening().tail(), engine);
        BeforeStart.Today today = new BeforeStart.Today(
                oat == null ? 15 : oat,
                departure.opening().elevation_ft(),
                StartHistory.reading(departure, lines.supply()),
                180,
                tailWind == null ? 0 : Math.max(0, tailWind),
                0,
                false);
        return new Expectation(BeforeStart.expected(profile, today, past), past);
    }

    /** The readings of an attempt that has ended, as a trace. */
    @GetMapping(path = "/{engine}/{number}/trace", produces = "text/csv")
    void trace(
            @PathVariable UUID id,
            @PathVariable int engine,
            @PathVariable int number,
            @AuthenticationPrincipal SignedIn person,
            HttpServletResponse response)
            throws IOException {
        departures.checkOwner(id, person.operatorId());
        AttemptTrace trace = starts.trace(id, engine, number)
                .orElseThrow(() -> notThere("There is no such attempt, or it still runs."));
        Departure departure = departures.state(id);
        String name = "skelda-" + departure.opening().tail() + "-"
                + departure.opening().flight() + "-engine-" + engine + "-" + number + ".csv";
        response.setContentType("text/csv");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(name).build().toString());
        trace.writeTo(response.getOutputStream());
    }

    /** An attempt that has ended, to be shown again as it happened. */
    @GetMapping("/{engine}/{number}/replay")
    Replay replay(
            @PathVariable UUID id,
            @PathVariable int engine,
            @PathVariable int number,
            @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        return starts.replay(id, engine, number)
                .orElseThrow(() -> notThere("There is no such attempt, or it still runs."));
    }

    private static ProblemException notThere(String detail) {
        return new ProblemException(Problem.of(
                "not-found",
                HttpStatus.NOT_FOUND.value(),
                "Not there",
                detail,
                "Look at the starts of this departure."));
    }
}
