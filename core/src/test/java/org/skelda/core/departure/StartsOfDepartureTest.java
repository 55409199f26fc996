package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.STRANGER;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Read;
import org.skelda.core.kind.Start;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.simulator.SimulatorAsk;
import org.skelda.core.start.Action;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.watch.Subject;

/**
 * Starts, feeds and the simulator's controls in the log of a departure; and a list that is worked only when something
 * went wrong.
 */
class StartsOfDepartureTest {
    private static final LineRef START = LineRef.parse("start/engine");
    private static final LineRef WRITE = LineRef.parse("wrong/write");
    private static final UUID FEED = new UUID(3, 3);

    private final TestLog log = seated();

    static TestLog seated() {
        List<Procedure> procedures = new ArrayList<>(TestPlans.procedures());
        procedures.add(new Procedure(
                "start",
                "Start",
                Procedure.Style.READ_AND_DO,
                null,
                1,
                "watched",
                true,
                null,
                List.of(
                        new Line(
                                LineHead.of("danger"),
                                new Caution("Danger area", "Nobody there.", Set.of(Hazard.ENGINE))),
                        new Line(
                                LineHead.of("engine"),
                                new Start(2, "Engine 2", "at idle", new Start.Today(null, null, null)))),
                Procedure.Occasion.ALWAYS,
                null));
        procedures.add(new Procedure(
                "wrong",
                "Wrong",
                Procedure.Style.READ_AND_DO,
                null,
                1,
                "after a cut",
                true,
                null,
                List.of(
                        new Line(LineHead.of("off"), new Read("Fuel", "OFF")),
                        new Line(LineHead.of("write"), new Read("Log", "written"))),
                Procedure.Occasion.ABNORMAL,
                null));
        TestLog log = new TestLog(Plan.of(TestPlans.type(TypeSheet.Pilots.TWO), procedures), 62.41);
        log.accept(CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(LineRef.parse("start/danger"), Doing.Answer.PLAIN)));
        return log;
    }

    private void attempt(int number, boolean good) {
        log.tell(
                Event.of(new AttemptEvent.AttemptBegan(Subject.engine(2), number, log.now(), "1")),
                Event.of(new AttemptEvent.MilestoneReached(
                        Subject.engine(2), number, Milestone.ROTATION, Duration.ofSeconds(1))));
        if (!good) {
            log.tell(Event.of(new AttemptEvent.FindingRaised(
                    Subject.engine(2),
                    number,
                    new Finding(FindingId.HUNG_START, Duration.ofSeconds(40), Action.CUT_FUEL, "hangs"))));
        }
        log.tell(
                Event.of(new AttemptEvent.MilestoneReached(
                        Subject.engine(2), number, Milestone.IDLE, Duration.ofSeconds(44))),
                Event.of(new AttemptEvent.AttemptEnded(
                        Subject.engine(2),
                        number,
                        new AttemptSummary(
                                good ? "NORMAL" : "HUNG_START",
                                Duration.ofSeconds(54),
                                600.0,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                Duration.ofSeconds(30)))),
                Event.of(new AttemptEvent.TraceStored(Subject.engine(2), number, "a".repeat(64), 540)));
    }

    @Test
    void theStartLineIsNextButAnsweredOnlyAfterAGoodStart() {
        assertThat(Viewing.view(log.state(), log.now()).procedures())
                .filteredOn(p -> p.id().equals("start"))
                .singleElement()
                .satisfies(p -> assertThat(p.next()).isEqualTo(START));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(START, Doing.Answer.PLAIN))))
                .isInstanceOf(Refusal.GateClosed.class);
        attempt(1, false);
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(START, Doing.Answer.PLAIN))))
                .isInstanceOf(Refusal.GateClosed.class);
        attempt(2, true);
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(START, Doing.Answer.PLAIN)));
        assertThat(log.state().starts(2))
                .extracting(start -> start.summary().outcome())
                .containsExactly("HUNG_START", "NORMAL");
        assertThat(log.state().starts(2).getLast().traceSha256()).isEqualTo("a".repeat(64));
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void aFactOfAnAttemptThatTheLogDoesNotKnowChangesNothing() {
        log.tell(Event.of(
                new AttemptEvent.MilestoneReached(Subject.engine(2), 7, Milestone.IDLE, Duration.ofSeconds(44))));
        assertThat(log.state().starts(2)).isEmpty();
    }

    @Test
    void theControlsAreTheSimulatorsAndNeedASeat() {
        Ask tap = Ask.of(new SimulatorAsk.TapControl("engine-2/fuel", "on"));
        assertThat(log.refuse(CAPTAIN, tap)).isInstanceOf(Refusal.NothingThere.class);
        log.tell(Event.of(new FeedEvent.FeedAttached(FEED, "Simulated aircraft", true)));
        assertThat(log.refuse(STRANGER, tap)).isInstanceOf(Refusal.NotSeated.class);
        log.accept(CAPTAIN, tap);
        assertThat(log.state().controls().positions()).containsEntry("engine-2/fuel", "on");
        log.tell(Event.of(new FeedEvent.FeedLost(FEED, Instant.EPOCH)));
        assertThat(log.state().feed().live()).isFalse();
        log.tell(Event.of(new FeedEvent.FeedAttached(new UUID(4, 4), "The aircraft", false)));
        assertThat(log.refuse(CAPTAIN, tap)).isInstanceOf(Refusal.NothingThere.class);
    }

    @Test
    void anAbnormalListIsOpenOnlyOnceItIsBegun() {
        assertThat(log.state().openLines()).doesNotContain(WRITE);
        assertThat(Viewing.view(log.state(), log.now()).procedures())
                .filteredOn(p -> p.id().equals("wrong"))
                .singleElement()
                .satisfies(p -> assertThat(p.state()).isEqualTo(ProcedureView.ProcedureState.NOT_NEEDED));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(LineRef.parse("wrong/off"), Doing.Answer.PLAIN)));
        assertThat(log.state().openLines()).contains(WRITE);
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(WRITE, Doing.Answer.PLAIN)));
        assertThat(log.state().openLines()).doesNotContain(WRITE);
    }
}
