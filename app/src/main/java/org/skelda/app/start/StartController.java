package org.skelda.app.start;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.bleed.AirOfDeparture;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.procedure.Packs;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.bleed.AirView;
import org.skelda.core.departure.Departure;
import org.skelda.core.order.StartOrder;
import org.skelda.core.start.BeforeStart;
import org.skelda.core.start.ExpectedAndGot;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
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
    private static final double STANDARD_degC = 15;
    private static final double FROM_BEHIND_deg = 180;

    private final Departures departures;
    private final LiveStarts starts;
    private final StartHistory history;
    private final Packs packs;
    private final ServerClock clock;

    StartController(Departures departures, LiveStarts starts, StartHistory history, Packs packs, ServerClock clock) {
        this.departures = departures;
        this.starts = starts;
        this.history = history;
        this.packs = packs;
        this.clock = clock;
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
     * @param expected of the next start, or of the one that has just ended
     * @param starts of this engine that it is expected by, the newest last
     * @param compared what came of the start that has just ended against it; empty before
     * @param air how the air for its starter stands; null on current, or when the type tells nothing of it
     * @param lost what stops with each engine that runs, were it to stop now
     */
    record Expectation(
            BeforeStart.Expected expected,
            List<BeforeStart.Past> starts,
            List<ExpectedAndGot.Comparison> compared,
            @Nullable AirView air,
            List<String> lost) {}

    @GetMapping("/{engine}/expected")
    Expectation expected(@PathVariable UUID id, @PathVariable int engine, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departure departure = departures.state(id);
        StartProfile profile =
                packs.profileOf(departure.opening()).orElseThrow(() -> notThere("The type has no start profile."));
        Double oat = DayOfStart.oat_c(departure, engine);
        Double tailWind = DayOfStart.tailWind_kt(departure, engine);
        List<StartRecord> attempts = departure.starts(engine);
        StartRecord ended = attempts.stream()
                .filter(start -> start.summary() != null)
                .reduce((_, newest) -> newest)
                .orElse(null);
        Map<Integer, Sample> read = starts.newest(id);
        Double typed = DayOfStart.supply(departure, engine);
        Double shown = attempts.isEmpty() ? reading(read.get(engine), profile.supplyParameter()) : null;
        Double began = ended == null ? null : starts.supplyBefore(id, ended);
        Double supply = began != null ? began : shown == null ? typed : shown;
        Map<Integer, Double> fans = new HashMap<>();
        departure.progress().idling().forEach(running -> {
            Double fan = reading(read.get(running), Parameter.FAN);
            fans.put(running, fan == null ? 0 : fan);
        });
        List<BeforeStart.Past> past = history.last(
                person.operatorId(),
                departure.opening().tail(),
                engine,
                id,
                ended == null ? Integer.MAX_VALUE : ended.number());
        BeforeStart.Today today = new BeforeStart.Today(
                oat == null ? STANDARD_degC : oat,
                departure.opening().elevation_ft(),
                supply,
                FROM_BEHIND_deg,
                tailWind == null ? 0 : Math.max(0, tailWind),
                0,
                false);
        BeforeStart.Expected expected = BeforeStart.expected(profile, today, past);
        return new Expectation(
                expected,
                past,
                ended == null ? List.of() : ExpectedAndGot.compare(expected, got(ended)),
                AirOfDeparture.view(departure, profile, engine, fans, oat, supply)
                        .orElse(null),
                OrderOfDeparture.lost(departure, clock.instant()));
    }

    private static ExpectedAndGot.Got got(StartRecord ended) {
        return Objects.requireNonNull(ended.summary()).got(ended.tapped() == null);
    }

    private static @Nullable Double reading(@Nullable Sample sample, Parameter parameter) {
        return sample == null || Double.isNaN(sample.of(parameter)) ? null : (Double) sample.of(parameter);
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

    /** @param order null for one engine alone, or while it is not known which goes first */
    record Order(StartOrder.@Nullable View order) {}

    /** Which engine goes first, what speaks for it, and what the other choice would change. */
    @GetMapping("/order")
    Order order(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        return new Order(OrderOfDeparture.view(departures.state(id)).orElse(null));
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
