package org.skelda.app.departure;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.Passwords;
import org.skelda.app.people.PlainName;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.record.Opening;
import org.skelda.core.seat.SeatView;
import org.skelda.formats.record.RecordSeal;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/** Departures over HTTP. Every request is checked against the person's operator. */
@RestController
@RequestMapping("/api/departures")
class DepartureController {
    private final Departures departures;
    private final OpenStreams streams;
    private final InstallationKey key;
    private final Passwords passwords;
    private final Accounts accounts;
    private final ServerClock clock;
    private final JsonMapper json;

    DepartureController(
            Departures departures,
            OpenStreams streams,
            InstallationKey key,
            Passwords passwords,
            Accounts accounts,
            ServerClock clock,
            JsonMapper json) {
        this.departures = departures;
        this.streams = streams;
        this.key = key;
        this.passwords = passwords;
        this.accounts = accounts;
        this.clock = clock;
        this.json = json;
    }

    /** A departure on Today. @param done complete lines; @param total all lines that are needed */
    record TodayRow(
            UUID id,
            Opening.Kind kind,
            String tail,
            String typeName,
            String flight,
            String from,
            String to,
            String stand,
            Instant offBlock,
            Lifecycle lifecycle,
            DepartureView.WaitsFor waitsFor,
            List<SeatView> seats,
            int done,
            int total) {}

    @GetMapping
    List<TodayRow> today(@AuthenticationPrincipal SignedIn person) {
        Instant now = clock.instant();
        return departures.today(person.operatorId(), now).stream()
                .map(id -> departures
                        .readable(id)
                        .map(_ -> row(departures.standing(id, now)))
                        .orElseGet(() -> changed(id)))
                .toList();
    }

    private static TodayRow row(Departures.Standing standing) {
        Departure state = standing.state();
        Opening opening = state.opening();
        int total = standing.view().procedures().stream()
                .filter(procedure -> procedure.state() != ProcedureView.ProcedureState.NOT_NEEDED)
                .mapToInt(ProcedureView::total)
                .sum();
        return new TodayRow(
                opening.departureId(),
                opening.kind(),
                opening.tail(),
                state.plan().type().name(),
                opening.flight(),
                opening.from(),
                opening.to(),
                opening.stand(),
                opening.offBlock(),
                standing.view().lifecycle(),
                standing.view().waitsFor(),
                standing.view().seats(),
                total - standing.view().openLines(),
                total);
    }

    /** Nothing of a log that was changed is shown; that it is there is. */
    private TodayRow changed(UUID id) {
        return new TodayRow(
                id,
                Opening.Kind.LINE,
                "",
                "",
                "",
                "",
                "",
                "",
                departures.offBlock(id),
                Lifecycle.PLANNED,
                new DepartureView.WaitsFor("Its stored log was changed. Do not rely on it", null),
                List.of(),
                0,
                0);
    }

    @GetMapping("/{id}")
    DeskPage desk(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departures.Standing standing = departures.shown(id, clock.instant());
        return DeskPage.of(standing.state(), standing.view(), RecordSeal.fingerprint(key.published()));
    }

    @GetMapping("/{id}/view")
    DepartureView view(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        return departures.shown(id, clock.instant()).view();
    }

    /** The log as it is stored. @param after number of the last event the reader has, 0 for all */
    @GetMapping(path = "/{id}/events", produces = MediaType.APPLICATION_JSON_VALUE)
    String events(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") long after,
            @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        return "[" + String.join(",", departures.envelopes(id, after)) + "]";
    }

    @PostMapping("/{id}/commands")
    Departures.Answer command(
            @PathVariable UUID id,
            @Valid @RequestBody CommandRequest request,
            @AuthenticationPrincipal SignedIn person,
            HttpServletRequest http,
            HttpSession session) {
        departures.checkOwner(id, person.operatorId());
        Command command = new Asking(
                        member -> crewMember(member, person.operatorId()), http.isUserInRole(Account.ADMINISTRATOR))
                .command(request);
        if (request instanceof RecordRequest.Sign sign) {
            passwords.checkAgain(person, session.getId(), sign.password());
        }
        String hash = Departures.requestHash(json, request, person.person());
        return departures.execute(id, command, hash, person.person(), clock.instant());
    }

    private @Nullable Person crewMember(String personId, String operatorId) {
        return accounts.findById(personId)
                .filter(account -> account.operatorId().equals(operatorId))
                .map(Account::person)
                .orElse(null);
    }

    /** Log events with their numbers, views, and a heartbeat each second. Resumes by Last-Event-ID or {@code after}. */
    @GetMapping(path = "/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream(
            @PathVariable UUID id,
            @RequestHeader(name = "Last-Event-ID", required = false) @Nullable Long lastEventId,
            @RequestParam(defaultValue = "0") long after,
            @AuthenticationPrincipal SignedIn person,
            HttpSession session,
            HttpServletResponse response) {
        departures.checkOwner(id, person.operatorId());
        response.setHeader("X-Accel-Buffering", "no");
        Reader reader = new Reader(person.id(), session.getId());
        streams.add(reader);
        departures.read(id, lastEventId == null ? after : lastEventId, clock.instant(), reader);
        reader.start();
        return reader.emitter();
    }

    /** A page says that it is still there, so that devices that are gone are not counted. */
    @PutMapping("/{id}/readers/{reader}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void isThere(@PathVariable UUID id, @PathVariable UUID reader, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        if (!departures.isThere(id, reader, person.id(), clock.steady_ns())) {
            throw new ProblemException(Problems.noSuchReader());
        }
    }

    @GetMapping(path = "/{id}/record", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> record(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        var opening = departures.state(id).opening();
        String name = "skelda-" + opening.tail() + "-" + PlainName.of(opening.flight()) + "-"
                + opening.offBlock().toString().substring(0, 10) + ".json";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(departures.record(id));
    }
}
