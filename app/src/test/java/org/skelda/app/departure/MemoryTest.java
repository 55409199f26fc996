package org.skelda.app.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.people.Accounts;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Departure;
import org.skelda.core.line.LineAsk;
import org.skelda.core.seat.SeatAsk;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import tools.jackson.databind.json.JsonMapper;

/** Departures that nobody looks at leave memory, and come back unnoticed. */
@ServerTest
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class MemoryTest {
    private static final long LONG_AFTER_ns = Duration.ofMinutes(3).toNanos();
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private Departures departures;

    @Autowired
    private LiveDepartures live;

    @Autowired
    private Accounts accounts;

    private UUID planned() {
        return departures.today("vardholm", Instant.now()).stream()
                .filter(id -> departures.state(id).opening().flight().equals("312"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatNobodyUsesLeavesAndComesBackTheSame() {
        UUID id = planned();
        Departure before = departures.state(id);
        live.tidy(System.nanoTime());
        assertThat(live.count()).as("what was just used stays").isPositive();
        live.tidy(System.nanoTime() + LONG_AFTER_ns);
        assertThat(live.count()).isZero();
        assertThat(departures.state(id)).isEqualTo(before);
    }

    @Test
    void oneWhoReadsKeepsItUntilTheStreamEnds() {
        UUID id = planned();
        live.tidy(System.nanoTime() + LONG_AFTER_ns);
        Reader reader = new Reader("p", "s");
        departures.read(id, 0, Instant.now(), reader);
        reader.isThere(System.nanoTime() + LONG_AFTER_ns);
        live.tidy(System.nanoTime() + LONG_AFTER_ns);
        assertThat(live.count()).isEqualTo(1);
        reader.end();
        live.tidy(System.nanoTime() + LONG_AFTER_ns);
        assertThat(live.count()).isZero();
    }

    /** Whoever waits while a departure leaves must not write from what has left. */
    @Test
    void commandsThatMeetItsLeavingAreAllKeptOnce() throws Exception {
        UUID id = planned();
        Person person = accounts.findByAccountName("halden").orElseThrow().person();
        departures.execute(
                id,
                new Command(
                        UUID.randomUUID(), 1_000_000, null, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null))),
                "h",
                person,
                Instant.now());
        String procedure = departures.state(id).plan().procedures().getFirst().id();
        AtomicBoolean go = new AtomicBoolean(true);
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            Future<?> tidying = threads.submit(() -> {
                while (go.get()) {
                    live.tidy(System.nanoTime() + LONG_AFTER_ns);
                }
            });
            List<Future<Long>> crews = new ArrayList<>();
            for (int crew = 0; crew < 4; crew++) {
                crews.add(threads.submit((Callable<Long>) () -> {
                    long kept = 0;
                    for (int i = 0; i < 12; i++) {
                        kept += accepted(id, Ask.of(new LineAsk.Hold(procedure, "trial", null)), person)
                                + accepted(id, Ask.of(new LineAsk.Resume(procedure)), person);
                    }
                    return kept;
                }));
            }
            long before = 0;
            for (Future<Long> crew : crews) {
                before += crew.get();
            }
            go.set(false);
            tidying.get();
            List<Long> numbers = departures.envelopes(id, 0).stream()
                    .map(envelope -> JSON.readTree(envelope).path("seq").longValue())
                    .toList();
            assertThat(numbers)
                    .as("the log has no gap")
                    .isEqualTo(java.util.stream.LongStream.rangeClosed(1, numbers.size())
                            .boxed()
                            .toList());
            assertThat(numbers.size()).isGreaterThanOrEqualTo((int) before);
            assertThat(before).as("commands that were accepted").isGreaterThan(12);
        }
    }

    private long accepted(UUID id, Ask ask, Person person) {
        try {
            departures.execute(id, new Command(UUID.randomUUID(), 1_000_000, null, ask), "h", person, Instant.now());
            return 1;
        } catch (org.skelda.app.problem.ProblemException _) {
            return 0;
        }
    }
}
