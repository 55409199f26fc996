package org.skelda.app.departure;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.locks.ReentrantLock;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.PlainName;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.app.school.Schools;
import org.skelda.core.record.Opening;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Opens departures: on the line, or as a rehearsal. Which of the two it is never changes afterwards. */
@RestController
class OpeningController {
    private static final Duration LATEST = Duration.ofHours(24);
    private static final Duration EARLIEST = Duration.ofHours(1);

    private final Fleet fleet;
    private final Departures departures;
    private final Packs packs;
    private final Schools schools;
    private final ServerClock clock;
    /** A request that got no answer is sent again: the second waits for what the first did. */
    private final ReentrantLock oneAtATime = new ReentrantLock();

    OpeningController(Fleet fleet, Departures departures, Packs packs, Schools schools, ServerClock clock) {
        this.fleet = fleet;
        this.departures = departures;
        this.packs = packs;
        this.schools = schools;
        this.clock = clock;
    }

    /** @param tails of which departures can be opened; @param fields from and to which */
    record Choices(List<String> tails, List<String> fields) {}

    /**
     * @param id of the departure, chosen by who asks: the same request sent again opens nothing twice
     * @param offBlock when it should leave its stand, within a day
     */
    record OpeningRequest(
            @NotNull UUID id,
            @NotNull Opening.Kind kind,
            @NotBlank @Size(max = 20) String tail,
            @NotBlank @Size(max = 12) String flight,
            @NotBlank @Size(max = 8) String from,
            @NotBlank @Size(max = 8) String to,
            @NotBlank @Size(max = 8) String stand,
            @NotNull Instant offBlock) {}

    /** @param id of the departure that was opened */
    record Opened(UUID id) {}

    @GetMapping("/api/openings")
    Choices choices(@AuthenticationPrincipal SignedIn person) {
        List<String> tails = fleet.tails(person.operatorId()).stream()
                .filter(tail -> packs.hasProcedures(
                        person.operatorId(),
                        fleet.tail(person.operatorId(), tail).typeId()))
                .toList();
        return new Choices(tails, fleet.fields(person.operatorId()));
    }

    @PostMapping("/api/openings")
    @ResponseStatus(HttpStatus.CREATED)
    Opened open(@Valid @RequestBody OpeningRequest request, @AuthenticationPrincipal SignedIn person) {
        Choices choices = choices(person);
        Instant now = clock.instant();
        check(choices.tails().contains(request.tail()), "tail", "is no tail of your operator that has procedures");
        check(choices.fields().contains(request.from()), "from", "is no field of your operator");
        check(choices.fields().contains(request.to()), "to", "is no field of your operator");
        check(
                request.offBlock().isAfter(now.minus(EARLIEST))
                        && request.offBlock().isBefore(now.plus(LATEST)),
                "offBlock",
                "is not within the coming day");
        Fleet.Tail tail = fleet.tail(person.operatorId(), request.tail());
        Fleet.Airfield field = fleet.airfield(person.operatorId(), request.from());
        Packs.Current pair = packs.currentFor(person.operatorId(), tail.typeId());
        Opening opening = new Opening(
                request.id(),
                request.kind(),
                person.operatorId(),
                tail.registration(),
                tail.typeId(),
                PlainName.of(request.flight()),
                request.from(),
                request.to(),
                PlainName.of(request.stand()),
                field.latitude_deg(),
                field.longitude_deg(),
                field.elevation_ft(),
                request.offBlock().truncatedTo(ChronoUnit.MINUTES),
                pair.typeHash(),
                pair.procedureHash(),
                tail.modifications(),
                schools.of(
                        person.operatorId(), tail.registration(), packs.planFor(person.operatorId(), tail.typeId())));
        oneAtATime.lock();
        try {
            Optional<Opening> before = departures.opened(request.id());
            if (before.isEmpty()) {
                departures.open(opening, person.person(), now);
            } else if (!isSame(before.get(), opening)) {
                throw new ProblemException(Problems.commandReused());
            }
        } finally {
            oneAtATime.unlock();
        }
        return new Opened(request.id());
    }

    /** Packs and schools may have changed since it was first asked: what was asked for has not. */
    private static boolean isSame(Opening before, Opening asked) {
        return before.kind() == asked.kind()
                && before.operatorId().equals(asked.operatorId())
                && before.tail().equals(asked.tail())
                && before.flight().equals(asked.flight())
                && before.from().equals(asked.from())
                && before.to().equals(asked.to())
                && before.stand().equals(asked.stand())
                && before.offBlock().equals(asked.offBlock());
    }

    private static void check(boolean fits, String field, String words) {
        if (!fits) {
            throw new ProblemException(Problems.badRequest("The request does not fit.")
                    .with(List.of(new Problem.Violation(field, words))));
        }
    }
}
