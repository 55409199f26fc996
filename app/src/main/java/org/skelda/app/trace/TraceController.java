package org.skelda.app.trace;

import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.PlainName;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.app.start.Replay;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.InvalidTrace;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceAnalysis;
import org.skelda.formats.start.TraceReader;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Opens traces from files, shows them again and gives them back as they came. */
@RestController
@RequestMapping("/api/traces")
class TraceController {
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_OUTCOMES = 400;
    /** What an operator may keep, bytes: some thousand starts. */
    private static final long QUOTA_BYTES = 500L * 1000 * 1000;

    private final Traces traces;
    private final Fleet fleet;
    private final Packs packs;
    private final ServerClock clock;

    TraceController(Traces traces, Fleet fleet, Packs packs, ServerClock clock) {
        this.traces = traces;
        this.fleet = fleet;
        this.packs = packs;
        this.clock = clock;
    }

    /** Codes of the types whose starts can be judged. */
    @GetMapping("/types")
    List<String> types() {
        return StartProfiles.TYPES;
    }

    /** Whose a trace can be. @param typeId of the tail; @param engines that it has */
    record TailOfFleet(String tail, String typeId, Set<Integer> engines) {}

    /** The operator's tails whose starts can be judged. */
    @GetMapping("/tails")
    List<TailOfFleet> tails(@AuthenticationPrincipal SignedIn person) {
        return fleet.tails(person.operatorId()).stream()
                .map(registration -> fleet.tail(person.operatorId(), registration))
                .filter(tail -> StartProfiles.TYPES.contains(tail.typeId())
                        && packs.hasProcedures(person.operatorId(), tail.typeId()))
                .map(tail -> new TailOfFleet(
                        tail.registration(),
                        tail.typeId(),
                        packs.planFor(person.operatorId(), tail.typeId()).engines()))
                .toList();
    }

    /** Of which engine a trace is; both null: of none that is known. */
    record EngineOfTrace(@Nullable String tail, @Nullable Integer engine) {}

    /** Says of which engine a trace is: of a tail of the same type. */
    @PutMapping("/{id}/engine")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void attach(@PathVariable UUID id, @RequestBody EngineOfTrace of, @AuthenticationPrincipal SignedIn person) {
        Traces.Trace trace = find(id, person);
        boolean none = of.tail() == null && of.engine() == null;
        if (!none && tails(person).stream().noneMatch(tail -> isOf(tail, of, trace))) {
            throw new ProblemException(Problems.badRequest(String.format(
                    "%s is a trace of type %s; it can only be of an engine of one of your tails of that type.",
                    trace.name(), trace.typeId())));
        }
        traces.attach(id, of.tail(), of.engine());
    }

    private static boolean isOf(TailOfFleet tail, EngineOfTrace of, Traces.Trace trace) {
        return tail.tail().equals(of.tail())
                && tail.typeId().equals(trace.typeId())
                && of.engine() != null
                && tail.engines().contains(of.engine());
    }

    @GetMapping
    List<Traces.Trace> all(@AuthenticationPrincipal SignedIn person) {
        return traces.all(person.operatorId());
    }

    /**
     * Opens a file. A bad one is refused with its line, and nothing of it is kept.
     *
     * @param name of the file
     * @param type when the file does not name it
     */
    @PostMapping(consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    Traces.Trace open(
            @RequestParam("name") String given,
            @RequestParam(required = false) @Nullable String type,
            @RequestParam(defaultValue = "0") double elevation_ft,
            @RequestBody byte[] content,
            @AuthenticationPrincipal SignedIn person) {
        String name = PlainName.of(given);
        if (name.isBlank() || name.length() > LONGEST_NAME || !(elevation_ft >= -2000 && elevation_ft <= 20_000)) {
            throw new ProblemException(Problems.badRequest(
                    "A name of up to 200 characters and an elevation of -2,000 to 20,000 ft are needed."));
        }
        if (traces.bytes(person.operatorId()) + content.length > QUOTA_BYTES) {
            throw new ProblemException(Problems.traceQuota(QUOTA_BYTES / 1_000_000));
        }
        TraceAnalysis analysis = analysed(name, type, elevation_ft, content);
        String outcomes = analysis.attempts().stream()
                .map(attempt -> attempt.outcome().code())
                .collect(Collectors.joining(" "));
        return traces.add(
                person.operatorId(),
                name,
                analysis.profile().typeId(),
                elevation_ft,
                person.id(),
                clock.instant(),
                outcomes.substring(0, Math.min(outcomes.length(), LONGEST_OUTCOMES)),
                content);
    }

    private static TraceAnalysis analysed(String name, @Nullable String type, double elevation_ft, byte[] content) {
        try {
            return TraceAnalysis.of(
                    name,
                    new ByteArrayInputStream(content),
                    type == null || type.isBlank() ? null : type,
                    elevation_ft);
        } catch (InvalidTrace e) {
            throw new ProblemException(Problems.traceInvalid(String.valueOf(e.getMessage())));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The trace as it happened. */
    @GetMapping("/{id}/replay")
    Replay replay(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        Traces.Trace trace = find(id, person);
        StartProfile profile = StartProfiles.of(trace.typeId());
        try {
            List<Sample> samples = TraceReader.of(trace.name(), new ByteArrayInputStream(traces.content(id)))
                    .samples(profile);
            return Replay.of(trace.name(), 0, "Engine", profile, trace.elevation_ft(), samples, 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The file, byte for byte as it came. */
    @GetMapping(path = "/{id}/file", produces = "text/csv")
    void file(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person, HttpServletResponse response)
            throws IOException {
        Traces.Trace trace = find(id, person);
        response.setContentType("text/csv");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(trace.name(), StandardCharsets.UTF_8)
                        .build()
                        .toString());
        // What ends before it is whole, because it was deleted meanwhile, is seen to be broken off.
        response.setContentLengthLong(traces.length(id));
        traces.copy(id, response.getOutputStream());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        traces.delete(find(id, person).id());
    }

    private Traces.Trace find(UUID id, SignedIn person) {
        return traces.find(person.operatorId(), id).orElseThrow(() -> new ProblemException(Problems.noSuchTrace()));
    }
}
