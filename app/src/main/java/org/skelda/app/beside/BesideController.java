package org.skelda.app.beside;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.start.KeptStarts.Kept;
import org.skelda.app.start.StartMessage;
import org.skelda.app.start.StartSheet;
import org.skelda.core.beside.Apart;
import org.skelda.core.beside.Band;
import org.skelda.core.beside.Differences;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** One start beside another, or beside the band of its engine's last ten good ones before it. */
@RestController
class BesideController {
    private final StartsOfEngine starts;
    private final ServerClock clock;

    BesideController(StartsOfEngine starts, ServerClock clock) {
        this.starts = starts;
        this.clock = clock;
    }

    /**
     * One start.
     *
     * @param engine of its aircraft; null where a file does not say
     * @param at when its starter went on; null where a file does not say
     * @param samples as in {@link StartMessage}, but for the time: milliseconds since its starter
     */
    record Side(
            String ref,
            String title,
            @Nullable String tail,
            @Nullable Integer engine,
            @Nullable Instant at,
            String outcome,
            List<List<@Nullable Double>> samples) {

        static Side of(ChosenStart start) {
            long zero_us = start.kept().report().startedAt_us();
            List<Sample> samples = start.kept().samples().stream()
                    .map(sample -> sample.at(sample.at_us() - zero_us))
                    .toList();
            return new Side(
                    start.ref().toString(),
                    start.title(),
                    start.tail(),
                    start.engine(),
                    start.startedAt(),
                    start.outcome(),
                    StartMessage.rows(start.profile(), samples));
        }
    }

    /**
     * @param one the start that is looked at
     * @param other what it is beside; null beside the band
     * @param band of its engine's last ten good starts before it; null beside another start
     * @param figures of both, with their differences
     * @param apart how far each reading lay from the other's, or outside the band
     * @param choices what it can be laid beside
     */
    record Beside(
            StartSheet sheet,
            Side one,
            @Nullable Side other,
            @Nullable Band band,
            List<Differences.Difference> figures,
            List<Apart> apart,
            List<StartsOfEngine.OtherStart> choices) {}

    /** @param with which other start; not given: the band of the last ten */
    @GetMapping("/api/beside/{start}")
    Beside beside(
            @PathVariable String start,
            @RequestParam(required = false) @Nullable String with,
            @AuthenticationPrincipal SignedIn person) {
        ChosenStart one = find(start, person);
        List<StartsOfEngine.OtherStart> choices = starts.choices(person.operatorId(), one);
        StartSheet sheet = StartSheet.of(one.profile(), one.elevation_ft());
        List<Parameter> drawn = sheet.parameters();
        if (with == null) {
            List<Kept> ten = starts.lastGood(person.operatorId(), one, clock.instant());
            Band band = StartsOfEngine.band(ten, drawn);
            return new Beside(
                    sheet,
                    Side.of(one),
                    null,
                    band,
                    Differences.from(
                            one.kept().report(), ten.stream().map(Kept::report).toList()),
                    Apart.from(band, one.course()),
                    choices);
        }
        ChosenStart other = find(with, person);
        if (!other.profile().typeId().equals(one.profile().typeId())) {
            throw new ProblemException(Problems.badRequest(String.format(
                    "One start is of a %s, the other of a %s: only starts of one type can be laid beside each other.",
                    one.profile().typeId(), other.profile().typeId())));
        }
        return new Beside(
                sheet,
                Side.of(one),
                Side.of(other),
                null,
                Differences.between(one.kept().report(), other.kept().report()),
                Apart.between(one.course(), other.course(), drawn),
                choices);
    }

    /** @param band of the last ten good starts of an engine; of fewer than three it tells nothing */
    record LastTen(Band band) {}

    /** What a start of a departure's engine is drawn over while it runs: the good ones before its first. */
    @GetMapping("/api/departures/{id}/starts/{engine}/band")
    LastTen band(@PathVariable UUID id, @PathVariable int engine, @AuthenticationPrincipal SignedIn person) {
        return new LastTen(starts.band(person.operatorId(), id, engine, clock.instant()));
    }

    private ChosenStart find(String ref, SignedIn person) {
        return StartRef.parse(ref)
                .flatMap(start -> starts.find(person.operatorId(), start))
                .orElseThrow(() -> new ProblemException(Problem.of(
                        "not-found",
                        HttpStatus.NOT_FOUND.value(),
                        "No such start",
                        "There is no such start at your operator, it still runs, or nothing of it was read.",
                        "Choose one in the logbook or under Traces.")));
    }
}
