package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.OFFICER;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Walk;
import org.skelda.core.kind.Work;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineEvent;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.LogEntry;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.seat.Seated;

/** What holds for every log that two crews' legal and illegal commands can make. */
class DeparturePropertiesTest {
    private static final int STEPS = 160;

    static LongStream seeds() {
        return LongStream.range(0, 120);
    }

    private static TestLog randomLog(long seed) {
        TestLog log = TestLog.seated(seed % 2 == 0 ? TestPlans.small() : TestPlans.whole(TypeSheet.Pilots.TWO));
        RandomCrew crew = new RandomCrew(seed, log.state());
        for (int i = 0; i < STEPS; i++) {
            crew.step(log);
        }
        return log;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void replayOfTheLogGivesTheSameState(long seed) {
        TestLog log = randomLog(seed);
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void twoDevicesThatReadTheLogInTheirOwnPortionsEndInItsOneState(long seed) {
        TestLog log = randomLog(seed);
        SplittableRandom random = new SplittableRandom(seed);
        for (int device = 0; device < 2; device++) {
            Departure read = Departure.begin(log.state().plan(), log.entries().getFirst());
            while (read.seq() < log.state().seq()) {
                long until = Math.min(log.state().seq(), read.seq() + random.nextInt(1, 9));
                for (LogEntry<Event> entry : log.entries().subList((int) read.seq(), (int) until)) {
                    read = read.apply(entry);
                }
            }
            assertThat(read).isEqualTo(log.state());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void repeatOfACommandChangesNothing(long seed) {
        TestLog log = randomLog(seed);
        Departure before = log.state();
        for (LogEntry<Event> entry : log.entries().subList(1, log.entries().size())) {
            Decision<Event> again =
                    log.submit(entry.actor(), new Command(entry.commandId(), 0, null, Ask.of(new SeatAsk.SwapRoles())));
            assertThat(again).isEqualTo(new Decision.Repeated<>());
        }
        assertThat(log.state()).isSameAs(before);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void isNeverSignedWithAnOpenLineAndNothingButAmendmentsFollowsASignature(long seed) {
        TestLog log = randomLog(seed);
        finish(log);
        Departure read = Departure.begin(log.state().plan(), log.entries().getFirst());
        for (LogEntry<Event> entry : log.entries().subList(1, log.entries().size())) {
            if (read.lifecycle() == Lifecycle.SIGNED) {
                assertThat(entry.event().fact()).isInstanceOf(RecordEvent.Amended.class);
            }
            if (entry.event().fact() instanceof RecordEvent.Signed) {
                assertThat(read.openLines()).isEmpty();
                Progress signed = read.progress();
                assertThat(signed.plan().procedures().stream()
                                .filter(signed::isNeeded)
                                .flatMap(procedure -> signed.plan().refs(procedure).stream()))
                        .allMatch(line -> signed.complete(line) || signed.need(line) instanceof Need.NotNeeded);
            }
            read = read.apply(entry);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void isNeverStuck(long seed) {
        TestLog log = randomLog(seed);
        finish(log);
        assertThat(log.state().lifecycle()).isIn(Lifecycle.SIGNED, Lifecycle.ABANDONED);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyAnsweredLineWasAnsweredThroughAnOpenGate(long seed) {
        TestLog log = randomLog(seed);
        Departure read = Departure.begin(log.state().plan(), log.entries().getFirst());
        for (LogEntry<Event> entry : log.entries().subList(1, log.entries().size())) {
            LineRef answered = entry.event() instanceof Event.OfLine(LineEvent.LineWorked(LineRef ref, Work work))
                            && !isFree(work)
                            && !(read.plan().lines().get(ref).kind() instanceof Memory)
                    ? ref
                    : null;
            if (answered != null) {
                assertThat(read.progress().gate(answered, entry.happenedAt()).open())
                        .as("gate of %s at %s", answered, entry.seq())
                        .isTrue();
            }
            read = read.apply(entry);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aFactChangesExactlyTheLinesThatASlowLookAtAllOfThemFinds(long seed) {
        TestLog log = randomLog(seed);
        Departure read = Departure.begin(log.state().plan(), log.entries().getFirst());
        for (LogEntry<Event> entry : log.entries().subList(1, log.entries().size())) {
            Departure before = read;
            read = read.apply(entry);
            if (entry.event() instanceof Event.OfFact(FactEvent.FactGiven given)) {
                Progress after = read.progress();
                List<LineRef> changed = before.plan().lines().keySet().stream()
                        .filter(line -> after.need(line).getClass()
                                != before.progress().need(line).getClass())
                        .toList();
                assertThat(given.changed()).extracting(FactEvent.Change::line).containsExactlyElementsOf(changed);
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void timeNeverRunsBackInALog(long seed) {
        List<LogEntry<Event>> entries = randomLog(seed).entries();
        for (int i = 1; i < entries.size(); i++) {
            assertThat(entries.get(i).at()).isAfterOrEqualTo(entries.get(i - 1).at());
            assertThat(entries.get(i).happenedAt())
                    .isBeforeOrEqualTo(entries.get(i).at());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void clocksAndGatesDependOnTheGivenTimeAlone(long seed) {
        TestLog log = randomLog(seed);
        SplittableRandom random = new SplittableRandom(seed);
        List<Instant> times = new ArrayList<>(LongStream.range(0, 12)
                .mapToObj(_ -> log.now().plusSeconds(random.nextInt(2000)))
                .sorted()
                .toList());
        List<DepartureView> inOrder =
                times.stream().map(at -> Viewing.view(log.state(), at)).toList();
        List<DepartureView> backwards = times.reversed().stream()
                .map(at -> Viewing.view(log.state(), at))
                .toList()
                .reversed();
        assertThat(backwards).isEqualTo(inOrder);
        for (DepartureView view : inOrder) {
            view.clocks()
                    .forEach(clock ->
                            assertThat(clock.elapsed()).isEqualTo(!view.at().isBefore(clock.opensAt())));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsNewOfAViewJoinedToTheEarlierOneIsTheWhole(long seed) {
        TestLog log = randomLog(seed);
        SplittableRandom random = new SplittableRandom(seed);
        Departure state = Departure.begin(log.state().plan(), log.entries().getFirst());
        DepartureView earlier = Viewing.view(state, state.at());
        for (LogEntry<Event> entry : log.entries().subList(1, log.entries().size())) {
            state = state.apply(entry);
            DepartureView whole = Viewing.view(state, state.at().plusSeconds(random.nextInt(3)));
            Map<String, ProcedureView> joined = new LinkedHashMap<>();
            earlier.procedures().forEach(one -> joined.put(one.id(), one));
            whole.since(earlier).procedures().forEach(one -> joined.put(one.id(), one));
            assertThat(List.copyOf(joined.values())).isEqualTo(whole.procedures());
            assertThat(whole.since(whole).procedures()).isEmpty();
            earlier = whole;
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theViewOffersOnlyWhatCanBeAnswered(long seed) {
        TestLog log = randomLog(seed);
        DepartureView view = Viewing.view(log.state(), log.now());
        for (ProcedureView procedure : view.procedures()) {
            if (procedure.next() != null) {
                assertThat(log.state().complete(procedure.next())).isFalse();
                assertThat(log.state()
                                .progress()
                                .gate(procedure.next(), log.now())
                                .open())
                        .isTrue();
            }
            assertThat(procedure.done() == procedure.total())
                    .isEqualTo(procedure.state() == ProcedureView.ProcedureState.DONE);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void takingAnAnswerBackAtOnceRestoresLinesAndClocks(long seed) {
        TestLog log = randomLog(seed);
        if (log.state().lifecycle().closed() || log.state().seatOf(CAPTAIN).isEmpty()) {
            return;
        }
        SplittableRandom random = new SplittableRandom(seed);
        for (LineRef ref : log.state().openLines()) {
            Departure before = log.state();
            Ask ask = Ask.of(new LineAsk.WorkLine(ref, right(log, ref, random)));
            if (before.line(ref).newestBy() == null && log.ask(CAPTAIN, ask) instanceof Decision.Accepted) {
                log.accept(CAPTAIN, Ask.of(new LineAsk.Undo(ref, null)));
                assertThat(log.state().lines().records())
                        .isEqualTo(before.lines().records());
                assertThat(log.state().clocks()).isEqualTo(before.clocks());
                assertThat(log.state().lifecycle()).isEqualTo(before.lifecycle());
            }
        }
    }

    /** Goes on to a signature by legal steps alone, from wherever the log stands. */
    private static void finish(TestLog log) {
        seat(log, CAPTAIN, Seat.LEFT);
        seat(log, OFFICER, Seat.RIGHT);
        SplittableRandom random = new SplittableRandom(log.entries().size());
        for (int round = 0; round < 40 && !log.state().lifecycle().closed(); round++) {
            log.pass(Duration.ofMinutes(20));
            log.ask(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(2), "degC")));
            log.ask(CAPTAIN, Ask.of(new FactAsk.GiveFact("icing", new Value.YesNo(round % 2 == 0), "")));
            for (LineRef ref : log.state().openLines()) {
                log.ask(
                        random.nextBoolean() ? CAPTAIN : OFFICER,
                        Ask.of(new LineAsk.WorkLine(ref, right(log, ref, random))));
                log.ask(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref, Doing.Confirm.PLAIN)));
                log.ask(OFFICER, Ask.of(new LineAsk.WorkLine(ref, Doing.Confirm.PLAIN)));
                if (round > 25) {
                    log.ask(CAPTAIN, Ask.of(new LineAsk.Deviate(ref, "not possible today", ref.line())));
                }
            }
            if (round > 26
                    && log.state().lifecycle() == Lifecycle.WORKING
                    && log.state().openLines().isEmpty()) {
                log.ask(CAPTAIN, Ask.of(new LineAsk.Undo(TestPlans.LEAVE, "for the record")));
            }
            log.ask(CAPTAIN, Ask.of(new RecordAsk.Sign()));
        }
    }

    private static Doing right(TestLog log, LineRef ref, SplittableRandom random) {
        return Doings.right(
                log.state().plan().lines().get(ref),
                log.state().line(ref).history(),
                log.state().progress()::value,
                false,
                random);
    }

    private static boolean isFree(Work work) {
        return work instanceof Work.Confirmed || work instanceof Work.Agreed || work instanceof Walk.Settled;
    }

    private static void seat(TestLog log, Person person, Seat seat) {
        log.state().seatOf(person).ifPresent(held -> log.ask(person, Ask.of(new SeatAsk.ReleaseSeat(held))));
        Seated other = log.state().seats().get(seat.other());
        Role role = other == null ? Role.FLYING : other.role().other();
        log.ask(person, Ask.of(new SeatAsk.TakeSeat(seat, role, "to finish")));
    }
}
