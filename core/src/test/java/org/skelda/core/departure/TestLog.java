package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Fact;
import org.skelda.core.log.LogEntry;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.Plan;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.start.Milestone;
import org.skelda.core.watch.Subject;

/** A log kept in memory, as the server keeps its own: commands in, decided, appended. */
public final class TestLog {
    public static final Instant BEGIN = Instant.parse("2026-05-04T09:30:00Z");
    public static final Person CAPTAIN = new Person("p-1", "Runa Halden");
    public static final Person OFFICER = new Person("p-2", "Joar Stenvik");
    public static final Person STRANGER = new Person("p-3", "Malin Oddsrud");

    private final Plan plan;
    private final List<LogEntry<Event>> entries = new ArrayList<>();
    private Departure state;
    private Instant now = BEGIN;
    private long ids;

    public TestLog(Plan plan, double latitude_deg) {
        this(plan, latitude_deg, Map.of());
    }

    /** @param options the operator's school for each option */
    public TestLog(Plan plan, double latitude_deg, Map<String, String> options) {
        this.plan = plan;
        Opening opening = new Opening(
                new UUID(1, 1),
                Opening.Kind.LINE,
                "operator",
                "QX-LOM",
                plan.type().id(),
                "214",
                "QVAR",
                "QSKR",
                "4",
                latitude_deg,
                -10.82,
                112,
                BEGIN.plus(Duration.ofMinutes(40)),
                "a".repeat(64),
                "b".repeat(64),
                List.of(),
                options);
        LogEntry<Event> first = new LogEntry<>(
                nextId(), 1, BEGIN, null, CAPTAIN, null, nextId(), Event.of(new RecordEvent.Opened(opening)));
        entries.add(first);
        state = Departure.begin(plan, first);
    }

    public static TestLog seated() {
        return seated(TestPlans.small());
    }

    /** Both seats taken, the left one flies. */
    public static TestLog seated(Plan plan) {
        TestLog log = new TestLog(plan, 62.41);
        log.accept(CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        log.accept(OFFICER, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.MONITORING, null)));
        return log;
    }

    public UUID nextId() {
        return new UUID(2, ++ids);
    }

    public void pass(Duration time) {
        now = now.plus(time);
    }

    public Instant now() {
        return now;
    }

    public Departure state() {
        return state;
    }

    public List<LogEntry<Event>> entries() {
        return List.copyOf(entries);
    }

    /** A command that has seen everything, done now. */
    public Decision<Event> ask(Person actor, Ask ask) {
        return submit(actor, new Command(nextId(), state.seq(), null, ask));
    }

    /** The same, expected to be accepted. */
    public List<Fact> accept(Person actor, Ask ask) {
        return switch (ask(actor, ask)) {
            case Decision.Accepted<Event>(List<Event> events) ->
                events.stream().<Fact>map(Event::fact).toList();
            case Decision.Refused<Event>(Refusal refusal) -> throw new AssertionError(ask + " was refused: " + refusal);
            case Decision.Repeated<Event> _ -> throw new AssertionError(ask + " was taken for a repeat");
        };
    }

    /** The same, expected to be refused; nothing may have changed. */
    public Refusal refuse(Person actor, Ask ask) {
        Departure before = state;
        Decision<Event> decision = ask(actor, ask);
        if (!(decision instanceof Decision.Refused<Event>(Refusal refusal)) || state != before) {
            throw new AssertionError(ask + " was not refused: " + decision);
        }
        return refusal;
    }

    public Decision<Event> submit(Person actor, Command command) {
        Decision<Event> decision = Deciding.decide(state, command, actor, now);
        if (decision instanceof Decision.Accepted<Event>(List<Event> events)) {
            Instant at = now.isBefore(state.at()) ? state.at() : now;
            Seat seat = state.seatOf(actor).orElse(null);
            for (Event event : events) {
                LogEntry<Event> entry = new LogEntry<>(
                        nextId(), state.seq() + 1, at, command.doneAt(), actor, seat, command.id(), event);
                entries.add(entry);
                state = state.apply(entry);
            }
        }
        return decision;
    }

    /** An engine comes to idle, in a good start that was watched. @param engine 1 to 4 */
    public void idles(int engine) {
        Subject of = Subject.engine(engine);
        tell(
                Event.of(new AttemptEvent.AttemptBegan(of, 1, now, "1")),
                Event.of(new AttemptEvent.MilestoneReached(of, 1, Milestone.IDLE, Duration.ofSeconds(44))),
                Event.of(new AttemptEvent.AttemptEnded(
                        of,
                        1,
                        new AttemptSummary(
                                "NORMAL",
                                Duration.ofSeconds(54),
                                600.0,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                Duration.ofSeconds(30)))));
    }

    /** Facts as a feed tells them. */
    public void tell(Event... facts) {
        for (Event fact : facts) {
            LogEntry<Event> entry = new LogEntry<>(
                    nextId(), state.seq() + 1, now, null, new Person("feed:1", "Feed"), null, nextId(), fact);
            entries.add(entry);
            state = state.apply(entry);
        }
    }

    public Departure replayed() {
        return Departure.replay(plan, entries);
    }
}
