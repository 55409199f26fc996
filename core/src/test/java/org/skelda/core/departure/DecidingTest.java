package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.OFFICER;
import static org.skelda.core.departure.TestLog.STRANGER;
import static org.skelda.core.departure.TestPlans.ref;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.kind.Work;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineEvent;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Fact;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.Judgement;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.GateState;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.seat.SeatEvent;
import org.skelda.core.seat.Seated;

/** Single decisions, each as a crew would meet it. */
class DecidingTest {
    private final TestLog log = TestLog.seated();

    private void power() {
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("power/radar"), Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.POWER, Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, new Measure.Type(24.1, "V"))));
    }

    private void apuRunning() {
        power();
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("apu/allowed"), Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.MASTER, Doing.Answer.PLAIN)));
        log.pass(Duration.ofSeconds(8));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.DOOR_OPEN, Doing.Answer.PLAIN)));
    }

    @Test
    void whoHoldsNoSeatAnswersNothing() {
        assertThat(log.refuse(STRANGER, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN))))
                .isEqualTo(new Refusal.NotSeated());
    }

    @Test
    void aHeldSeatIsTakenOnlyWithAReasonAndSaysFromWhom() {
        assertThat(log.refuse(STRANGER, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, " "))))
                .isEqualTo(new Refusal.SeatHeld(Seat.LEFT, CAPTAIN));
        assertThat(log.accept(STRANGER, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, "crew change"))))
                .containsExactly(new SeatEvent.SeatTaken(Seat.LEFT, Role.FLYING, STRANGER, CAPTAIN, "crew change"));
    }

    @Test
    void twoSeatsDoNotHaveTheSameRoleAndOnePersonDoesNotHaveTwoSeats() {
        log.accept(OFFICER, Ask.of(new SeatAsk.ReleaseSeat(Seat.RIGHT)));
        assertThat(log.refuse(STRANGER, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.FLYING, null))))
                .isEqualTo(new Refusal.SeatHeld(Seat.LEFT, CAPTAIN));
        assertThat(log.refuse(CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.MONITORING, null))))
                .isEqualTo(new Refusal.AlreadySeated(Seat.LEFT, CAPTAIN));
    }

    @Test
    void aSeatIsHandedOverByItsHolderWithItsRole() {
        assertThat(log.refuse(OFFICER, Ask.of(new SeatAsk.HandOverSeat(Seat.LEFT, STRANGER))))
                .isEqualTo(new Refusal.NotYourSeat(Seat.LEFT, CAPTAIN));
        assertThat(log.refuse(CAPTAIN, Ask.of(new SeatAsk.HandOverSeat(Seat.LEFT, OFFICER))))
                .isEqualTo(new Refusal.AlreadySeated(Seat.RIGHT, OFFICER));
        log.accept(CAPTAIN, Ask.of(new SeatAsk.HandOverSeat(Seat.LEFT, STRANGER)));
        assertThat(log.state().seats()).containsEntry(Seat.LEFT, new Seated(STRANGER, Role.FLYING));
    }

    @Test
    void readingsAreJudgedAndOneOutsideLeavesTheLineOpen() {
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.POWER, Doing.Answer.PLAIN)));
        List<Fact> low =
                log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, new Measure.Type(22.9, "V"))));
        assertThat(low)
                .singleElement()
                .isEqualTo(new LineEvent.LineWorked(
                        TestPlans.VOLTS,
                        new Measure.Read(
                                22.9, "V", new Judgement(Judgement.Verdict.OUTSIDE, 23.2, -0.3, "table"), List.of())));
        assertThat(log.state().complete(TestPlans.VOLTS)).isFalse();
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("apu/allowed"), Doing.Answer.PLAIN))))
                .isInstanceOf(Refusal.GateClosed.class);
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, new Measure.Type(24.1, "V"))));
        assertThat(log.state().complete(TestPlans.VOLTS)).isTrue();
    }

    private static boolean isWrongAnswer(Refusal refusal) {
        return refusal instanceof Refusal.NotTaken(var _, Why.WrongAnswer _);
    }

    @Test
    void impossibleValuesOtherUnitsAndWrongKindsAreRefused() {
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.POWER, Doing.Answer.PLAIN)));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, new Measure.Type(400, "V")))))
                .isInstanceOfSatisfying(
                        Refusal.ImpossibleValue.class, e -> assertThat(e.max()).isEqualTo(40));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, new Measure.Type(24, "A")))))
                .isEqualTo(new Refusal.NotTaken(TestPlans.VOLTS, new Why.UnknownUnit("A", "V")));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.VOLTS, Doing.Answer.PLAIN))))
                .matches(DecidingTest::isWrongAnswer);
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, new Measure.Type(24, "V")))))
                .matches(DecidingTest::isWrongAnswer);
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Confirm.PLAIN))))
                .matches(DecidingTest::isWrongAnswer);
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("no/such"), Doing.Answer.PLAIN))))
                .isEqualTo(new Refusal.UnknownLine("no/such"));
    }

    @Test
    void aClockGateOpensAtItsMomentAndNotBefore() {
        apuRunning();
        log.pass(Duration.ofMillis(74_999));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.BLEED, Doing.Answer.PLAIN))))
                .isInstanceOfSatisfying(
                        Refusal.GateClosed.class,
                        e -> assertThat(e.gate().opensAt()).contains(log.now().plusMillis(1)));
        log.pass(Duration.ofMillis(1));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.BLEED, Doing.Answer.PLAIN)));
    }

    @Test
    void aLateEntryIsJudgedAtTheTimeItWasDone() {
        apuRunning();
        log.pass(Duration.ofSeconds(200));
        Command early = new Command(
                log.nextId(),
                log.state().seq(),
                log.now().minusSeconds(130),
                Ask.of(new LineAsk.WorkLine(TestPlans.BLEED, Doing.Answer.PLAIN)));
        assertThat(log.submit(CAPTAIN, early)).isInstanceOf(Decision.Refused.class);
        Command late = new Command(
                log.nextId(),
                log.state().seq(),
                log.now().minusSeconds(100),
                Ask.of(new LineAsk.WorkLine(TestPlans.BLEED, Doing.Answer.PLAIN)));
        assertThat(log.submit(CAPTAIN, late)).isInstanceOf(Decision.Accepted.class);
        assertThat(log.state().line(TestPlans.BLEED).answered().doneAt())
                .isEqualTo(log.now().minusSeconds(100));
    }

    @Test
    void aTimeInTheFutureIsRefused() {
        Command future = new Command(
                log.nextId(),
                log.state().seq(),
                log.now().plusMillis(1),
                Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN)));
        assertThat(log.submit(CAPTAIN, future))
                .isEqualTo(new Decision.Refused<>(new Refusal.ImpossibleTime(
                        log.now().plusMillis(1), TestLog.BEGIN.minus(Duration.ofMinutes(80)), log.now())));
    }

    @Test
    void aLateAnswerStartsItsClockAtTheTimeItWasDone() {
        power();
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("apu/allowed"), Doing.Answer.PLAIN)));
        log.pass(Duration.ofSeconds(60));
        log.submit(
                CAPTAIN,
                new Command(
                        log.nextId(),
                        log.state().seq(),
                        log.now().minusSeconds(5),
                        Ask.of(new LineAsk.WorkLine(TestPlans.MASTER, Doing.Answer.PLAIN))));
        assertThat(log.state().clocks().get("door").opensAt())
                .isEqualTo(log.now().plusSeconds(3));
    }

    @Test
    void aGuardedGateIsPassedOnlyByNameAndADeviationStartsNoClock() {
        LineRef allowed = ref("apu/allowed");
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.Deviate(allowed, "ferry flight", null))))
                .isEqualTo(new Refusal.OverrideNeeded(allowed, "the APU"));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.Deviate(allowed, "ferry flight", "another"))))
                .isInstanceOf(Refusal.OverrideNeeded.class);
        assertThat(log.accept(CAPTAIN, Ask.of(new LineAsk.Deviate(allowed, "ferry flight", "allowed"))))
                .containsExactly(new LineEvent.DeviationRecorded(allowed, "ferry flight", "allowed"));
        log.accept(CAPTAIN, Ask.of(new LineAsk.Deviate(TestPlans.MASTER, "unserviceable", null)));
        assertThat(log.state().clocks()).isEmpty();
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.Deviate(TestPlans.WALK, "  ", null))))
                .isInstanceOf(Refusal.ReasonMissing.class);
    }

    @Test
    void aChallengeNeedsTheResponseOfOneAndTheConfirmationOfTheOther() {
        everythingBeforeTheChecklist();
        assertThat(log.refuse(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.CHALLENGE, Doing.Confirm.PLAIN))))
                .matches(refusal -> refusal instanceof Refusal.NotTaken(var _, Why.NothingThere _));
        assertThat(log.refuse(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.CHALLENGE, Doing.Answer.PLAIN))))
                .as("the reader never answers himself")
                .matches(refusal -> refusal instanceof Refusal.NotTaken(var _, Why.OthersPart _));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.CHALLENGE, Doing.Answer.PLAIN)));
        assertThat(log.state().complete(TestPlans.CHALLENGE)).isFalse();
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.CHALLENGE, Doing.Confirm.PLAIN))))
                .isEqualTo(new Refusal.NotTaken(TestPlans.CHALLENGE, new Why.AnotherPersonNeeded()));
        assertThat(log.refuse(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.BELOW, Doing.Answer.PLAIN))))
                .as("below the line")
                .isInstanceOf(Refusal.GateClosed.class);
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.CHALLENGE, Doing.Confirm.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.SPLIT, Doing.Answer.PLAIN)));
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.BELOW, Doing.Answer.PLAIN)));
    }

    private void everythingBeforeTheChecklist() {
        apuRunning();
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.ALIGN, Doing.Answer.PLAIN)));
        log.pass(Duration.ofMinutes(13));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.BLEED, Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("apu/navigation"), Doing.Answer.PLAIN)));
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN)));
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(ref("walk/tail"), Doing.Answer.PLAIN)));
        Refusal refusal = log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.READY, Doing.Answer.PLAIN)));
        assertThat(refusal)
                .as("the strands come together there")
                .isInstanceOfSatisfying(
                        Refusal.GateClosed.class,
                        closed -> assertThat(closed.gate().waits())
                                .containsExactly(new GateState.Wait.ForStrands(List.of("ice"))));
        log.accept(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(20), "degC")));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(ref("ice/dual"), Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.READY, Doing.Answer.PLAIN)));
    }

    @Test
    void anothersAnswerIsTakenBackOnlyWithAReason() {
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN)));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.Undo(TestPlans.WALK, null))))
                .isInstanceOf(Refusal.ReasonMissing.class);
        log.accept(CAPTAIN, Ask.of(new LineAsk.Undo(TestPlans.WALK, "cover still on")));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.Undo(TestPlans.WALK, "again"))))
                .isInstanceOf(Refusal.NothingThere.class);
    }

    @Test
    void takingBackCancelsTheClockAndReopensWhatItHadGated() {
        everythingBeforeTheChecklist();
        List<Fact> events = log.accept(CAPTAIN, Ask.of(new LineAsk.Undo(TestPlans.DOOR_OPEN, null)));
        assertThat(events)
                .first()
                .isInstanceOfSatisfying(
                        LineEvent.Undone.class,
                        undone -> assertThat(undone.reopened())
                                .contains(TestPlans.BLEED, TestPlans.READY)
                                .doesNotContain(TestPlans.WALK, TestPlans.ALIGN));
        assertThat(events).contains(new LineEvent.ClockCancelled("bleed", TestPlans.DOOR_OPEN));
        assertThat(log.state().clocks()).doesNotContainKey("bleed").containsKeys("door", "alignment");
    }

    @Test
    void anAnswerToWhatSomeoneElseHasJustChangedIsAConflict() {
        long seen = log.state().seq();
        log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN)));
        Command stale =
                new Command(log.nextId(), seen, null, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN)));
        assertThat(log.submit(CAPTAIN, stale))
                .isEqualTo(new Decision.Refused<>(new Refusal.Conflict("line:walk/nose", seen + 1)));
        Command other = new Command(
                log.nextId(), seen, null, Ask.of(new LineAsk.WorkLine(ref("walk/tail"), Doing.Answer.PLAIN)));
        assertThat(log.submit(CAPTAIN, other))
                .as("another subject is no conflict")
                .isInstanceOf(Decision.Accepted.class);
    }

    @Test
    void answeringALineOfAHeldProcedureComesBackToIt() {
        log.accept(CAPTAIN, Ask.of(new LineAsk.Hold("walk", "fueller", TestPlans.WALK)));
        assertThat(Viewing.view(log.state(), log.now().plusSeconds(90))
                        .procedures()
                        .get(2)
                        .heldFor())
                .isEqualTo(Duration.ofSeconds(90));
        assertThat(log.accept(OFFICER, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN))))
                .containsExactly(
                        new LineEvent.ProcedureResumed("walk"),
                        new LineEvent.LineWorked(TestPlans.WALK, Work.Answered.PLAIN));
    }

    @Test
    void aClosedDepartureTakesNothingAndASignedOneOnlyAmendments() {
        assertThat(log.refuse(CAPTAIN, Ask.of(new RecordAsk.Sign()))).isInstanceOf(Refusal.NotReadyToSign.class);
        assertThat(log.refuse(CAPTAIN, Ask.of(new RecordAsk.Amend("note", false))))
                .isEqualTo(new Refusal.NotSigned(Lifecycle.WORKING));
        log.accept(CAPTAIN, Ask.of(new RecordAsk.Abandon("aircraft change")));
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.WALK, Doing.Answer.PLAIN))))
                .isEqualTo(new Refusal.Closed(Lifecycle.ABANDONED));
    }

    @Test
    void aRecordIsAmendedByWhoeverHeldASeatOrByTheOfficeAndNobodyElse() {
        log.accept(OFFICER, Ask.of(new SeatAsk.ReleaseSeat(Seat.RIGHT)));
        log.pass(Duration.ofMinutes(5));
        log.tell(Event.of(new RecordEvent.Signed()));
        Instant signed = log.now();
        log.pass(Duration.ofHours(3));
        assertThat(log.refuse(STRANGER, Ask.of(new RecordAsk.Amend("a stranger's note", false))))
                .isEqualTo(new Refusal.NotOfThisCrew());
        assertThat(log.accept(OFFICER, Ask.of(new RecordAsk.Amend("left the seat before", false))))
                .containsExactly(new RecordEvent.Amended("left the seat before"));
        assertThat(log.accept(STRANGER, Ask.of(new RecordAsk.Amend("of the office", true))))
                .containsExactly(new RecordEvent.Amended("of the office"));
        assertThat(log.state().amendments()).containsExactly("left the seat before", "of the office");
        assertThat(log.state().signedAt()).as("signed once, whatever was added").isEqualTo(signed);
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void whereTheUnitsDoNotAlignTheLineThatStartsThemSaysSo() {
        TestLog polar = new TestLog(TestPlans.small(), 79);
        polar.accept(CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        polar.accept(CAPTAIN, Ask.of(new LineAsk.Deviate(ref("apu/allowed"), "trial", "allowed")));
        assertThat(polar.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(TestPlans.ALIGN, Doing.Answer.PLAIN))))
                .isInstanceOfSatisfying(
                        Refusal.ImpossibleValue.class, e -> assertThat(e.todo()).contains("polar procedure"));
    }
}
