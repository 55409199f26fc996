package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.OFFICER;
import static org.skelda.core.departure.TestLog.STRANGER;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.attempt.AttemptAsk;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.attempt.TappedEngine;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Refusal;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.start.Script;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TestProfiles;

/** Starts that the crew taps, in the log of a departure. */
class TapsOfDepartureTest {
    private static final LineRef START = LineRef.parse("start/engine");
    private static final StartProfile JET = TestProfiles.byHand();

    private final TestLog log = StartsOfDepartureTest.seated();

    private void tap(double secondsLater, Tap tap) {
        tap(CAPTAIN, secondsLater, tap);
    }

    private void tap(Person person, double secondsLater, Tap tap) {
        log.pass(Duration.ofMillis(Math.round(secondsLater * 1000)));
        log.accept(person, Ask.of(new AttemptAsk.TapStart(2, tap, log.now(), true)));
    }

    private Refusal refused(Ask ask) {
        return log.refuse(CAPTAIN, ask);
    }

    private Ask now(Tap tap) {
        return Ask.of(new AttemptAsk.TapStart(2, tap, log.now(), true));
    }

    private TappedEngine engine() {
        return TappedEngine.of(JET, log.state().attempts(), log.state().isRead(), 2)
                .orElseThrow();
    }

    private void started() {
        tap(0, Tap.STARTER_ON);
        tap(2, Tap.ROTATION);
        tap(19, Tap.FUEL_ON);
        tap(3, Tap.LIGHT_OFF);
        tap(20, Tap.STARTER_OFF);
        tap(5, Tap.IDLE);
    }

    @Test
    void aTappedStartThatCameToIdleOpensItsLineAndKeepsItsNumbers() {
        started();
        StartRecord record = log.state().starts(2).getLast();
        assertThat(record.summary().outcome()).isEqualTo("NORMAL");
        assertThat(record.summary().timeToLightOff()).isEqualTo(Duration.ofSeconds(3));
        log.accept(withOfficer(), Ask.of(new AttemptAsk.TypeFigures(2, 612.0, null)));
        assertThat(log.state().starts(2).getLast().summary().peak_c()).isEqualTo(612.0);
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(START, Doing.Answer.PLAIN)));
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    private Person withOfficer() {
        log.accept(OFFICER, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.MONITORING, null)));
        return OFFICER;
    }

    @Test
    void whatCannotBeIsRefusedAndWhatIsSaidIsTaken() {
        assertThat(log.refuse(STRANGER, now(Tap.STARTER_ON))).isInstanceOf(Refusal.NotSeated.class);
        assertThat(refused(Ask.of(new AttemptAsk.TapStart(3, Tap.STARTER_ON, log.now(), true))))
                .isInstanceOf(Refusal.UnknownLine.class);
        assertThat(refused(now(Tap.FUEL_ON))).isInstanceOf(Refusal.NothingThere.class);
        assertThat(refused(Ask.of(
                        new AttemptAsk.TapStart(2, Tap.STARTER_ON, log.now().minusSeconds(3600), true))))
                .isInstanceOf(Refusal.ImpossibleTime.class);
        tap(0, Tap.STARTER_ON);
        assertThat(refused(now(Tap.STARTER_ON))).isInstanceOf(Refusal.NothingThere.class);
        assertThat(refused(now(Tap.LIGHT_OFF))).isInstanceOf(Refusal.NothingThere.class);
        assertThat(refused(now(Tap.FIRE))).isInstanceOf(Refusal.NothingThere.class);
        tap(1, Tap.NO_OIL);
        tap(20, Tap.FUEL_ON);
        tap(5, Tap.TOO_HOT);
        tap(1, Tap.FUEL_OFF);
        assertThat(refused(now(Tap.FUEL_ON)))
                .isEqualTo(new Refusal.NothingThere(
                        "The engine has had its fuel in this start, and it was cut. Fuel again before the"
                                + " engine has stopped can ruin it: work the steps after a cut first."));
        assertThat(refused(Ask.of(new AttemptAsk.TypeFigures(2, 700.0, null))))
                .isInstanceOf(Refusal.NothingThere.class);
        tap(10, Tap.STARTER_OFF);
        assertThat(refused(Ask.of(new AttemptAsk.TypeFigures(2, 7000.0, null))))
                .isInstanceOf(Refusal.ImpossibleValue.class);
        assertThat(refused(Ask.of(new AttemptAsk.TypeFigures(2, null, null)))).isInstanceOf(Refusal.NothingThere.class);
    }

    @Test
    void aTapIsNeverLaterThanItsAcceptance() {
        log.accept(
                CAPTAIN,
                Ask.of(new AttemptAsk.TapStart(2, Tap.STARTER_ON, log.now().plusSeconds(3), true)));
        assertThat(log.state().starts(2).getLast().startedAt()).isEqualTo(log.now());
    }

    @Test
    void twoPeopleTapDifferentThingsAtOnceAndTheSameThingOnce() {
        withOfficer();
        tap(0, Tap.STARTER_ON);
        long seen = log.state().seq();
        tap(1, Tap.ROTATION);
        assertThat(log.submit(OFFICER, new Command(log.nextId(), seen, null, now(Tap.OIL_RISING))))
                .isInstanceOf(Decision.Accepted.class);
        assertThat(log.submit(OFFICER, new Command(log.nextId(), seen, null, now(Tap.ROTATION))))
                .isInstanceOf(Decision.Refused.class);
    }

    @Test
    void theNewestTapIsTakenBackByItsOwnerFreelyAndByAnotherWithAReason() {
        withOfficer();
        tap(0, Tap.STARTER_ON);
        tap(OFFICER, 2, Tap.ROTATION);
        assertThat(refused(Ask.of(new AttemptAsk.UndoTap(2, Tap.STARTER_ON, null))))
                .isInstanceOf(Refusal.NothingThere.class);
        assertThat(refused(Ask.of(new AttemptAsk.UndoTap(2, Tap.ROTATION, " "))))
                .isInstanceOf(Refusal.ReasonMissing.class);
        log.accept(CAPTAIN, Ask.of(new AttemptAsk.UndoTap(2, Tap.ROTATION, "nothing turns")));
        log.accept(CAPTAIN, Ask.of(new AttemptAsk.UndoTap(2, Tap.STARTER_ON, null)));
        assertThat(log.state().starts(2)).isEmpty();
        started();
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(START, Doing.Answer.PLAIN)));
        assertThat(refused(Ask.of(new AttemptAsk.UndoTap(2, Tap.IDLE, null)))).isInstanceOf(Refusal.NothingThere.class);
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void withALiveFeedNothingIsTappedExceptTheRestOfAStartThatWasBegunSo() {
        tap(0, Tap.STARTER_ON);
        UUID feed = new UUID(3, 3);
        log.tell(Event.of(new FeedEvent.FeedAttached(feed, "The aircraft", false)));
        tap(2, Tap.ROTATION);
        tap(30, Tap.STARTER_OFF);
        assertThat(TappedEngine.of(JET, log.state().attempts(), log.state().isRead(), 2))
                .isEmpty();
        assertThat(refused(now(Tap.STARTER_ON))).isInstanceOf(Refusal.NothingThere.class);
        log.tell(Event.of(new FeedEvent.FeedLost(feed, Instant.EPOCH)));
        tap(60, Tap.STARTER_ON);
        assertThat(log.state().starts(2)).extracting(StartRecord::number).containsExactly(1, 2);
    }

    @Test
    void afterACutTheScriptRunsOverTheNextTriesUntilFuelComesOn() {
        tap(0, Tap.STARTER_ON);
        tap(20, Tap.FUEL_ON);
        assertThat(engine().advice("Engine 2", log.now()).script()).isEmpty();
        tap(13, Tap.NOT_LIT);
        assertThat(now()).startsWith("Fuel OFF");
        tap(1, Tap.FUEL_OFF);
        assertThat(now()).startsWith("Flow and EGT fall");
        tap(4, Tap.FLOW_FALLS);
        assertThat(now()).startsWith("Leave the starter ON for the rest of its 30 s");
        log.pass(Duration.ofSeconds(30));
        assertThat(now()).isEqualTo("Starter OFF");
        tap(1, Tap.STARTER_OFF);
        assertThat(now()).startsWith("Another start attempt, 2 of 3");
        assertThat(engine().duty(log.now()).number()).isEqualTo(2);
        assertThat(engine().duty(log.now()).allowedAt()).isEqualTo(log.now().plusSeconds(45));
        tap(60, Tap.STARTER_ON);
        assertThat(engine().advice("Engine 2", log.now()).script()).isNotEmpty();
        tap(22, Tap.FUEL_ON);
        assertThat(engine().advice("Engine 2", log.now()).script()).isEmpty();
        assertThat(log.state().starts(2)).hasSize(2);
    }

    @Test
    void turningThatWasStoppedEarlyIsTakenUpAgain() {
        tap(0, Tap.STARTER_ON);
        tap(20, Tap.FUEL_ON);
        tap(13, Tap.NOT_LIT);
        tap(1, Tap.FUEL_OFF);
        tap(4, Tap.FLOW_FALLS);
        tap(8, Tap.STARTER_OFF);
        assertThat(now()).startsWith("Starter stays OFF until N2 is 12 % or less");
        tap(50, Tap.STARTER_ON);
        assertThat(now()).startsWith("Leave the starter ON for the rest of its 30 s");
        log.pass(Duration.ofSeconds(19));
        assertThat(now()).isEqualTo("Starter OFF");
    }

    private String now() {
        List<Script.Step> steps = engine().advice("Engine 2", log.now()).script();
        return steps.stream()
                .filter(step -> step.state() == Script.State.NOW)
                .findFirst()
                .orElseThrow()
                .words();
    }

    static LongStream seeds() {
        return LongStream.range(0, 120);
    }

    /**
     * Whatever two people tap, take back and type: the log tells it all, what is refused changes nothing, and attempts
     * are numbered on.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void replayOfEverySequenceGivesTheSameState(long seed) {
        withOfficer();
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < 80; i++) {
            log.pass(Duration.ofMillis(random.nextInt(20_000)));
            Tap tap = Tap.values()[random.nextInt(Tap.values().length)];
            Ask ask = switch (random.nextInt(8)) {
                case 0 -> Ask.of(new AttemptAsk.UndoTap(2, tap, random.nextBoolean() ? "slip" : null));
                case 1 ->
                    Ask.of(new AttemptAsk.TypeFigures(
                            2, random.nextDouble(-100, 1500), random.nextBoolean() ? 17.5 : null));
                default ->
                    Ask.of(new AttemptAsk.TapStart(
                            2, tap, log.now().minusMillis(random.nextInt(-2000, 4000)), random.nextBoolean()));
            };
            Departure before = log.state();
            if (!(log.ask(random.nextBoolean() ? CAPTAIN : OFFICER, ask) instanceof Decision.Accepted)) {
                assertThat(log.state()).isSameAs(before);
            }
            TappedEngine.of(JET, log.state().attempts(), log.state().isRead(), 2)
                    .ifPresent(engine -> assertThat(
                                    engine.advice("Engine 2", log.now()).script())
                            .doesNotContainNull());
        }
        assertThat(log.replayed()).isEqualTo(log.state());
        List<Integer> numbers =
                log.state().starts(2).stream().map(StartRecord::number).toList();
        assertThat(numbers)
                .isEqualTo(IntStream.rangeClosed(1, numbers.size()).boxed().toList());
        assertThat(log.state().starts(2))
                .allSatisfy(start -> assertThat(start.summary() != null)
                        .isEqualTo(start.tapped().ended()));
    }
}
