package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.OFFICER;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.crosscheck.Slip;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.kind.Walk;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineEvent;
import org.skelda.core.line.LineView;
import org.skelda.core.line.LineView.LineState;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.log.Refusal;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.seat.SeatAsk;

/** How each kind of line and each mark is worked, by two and by one. */
class KindsOfDepartureTest {
    private final TestLog log = TestLog.seated(TestPlans.whole(TypeSheet.Pilots.TWO));

    private LineView line(LineRef ref) {
        return views(log)
                .flatMap(view -> view.lines().stream())
                .filter(view -> view.ref().equals(ref))
                .findFirst()
                .orElseThrow();
    }

    private static Stream<ProcedureView> views(TestLog log) {
        return Viewing.view(log.state(), log.now()).procedures().stream();
    }

    private static Ask work(LineRef ref, Doing doing) {
        return Ask.of(new LineAsk.WorkLine(ref, doing));
    }

    private static Ask tick(String ref) {
        return work(LineRef.parse(ref), Doing.Answer.PLAIN);
    }

    private static Class<?> why(Refusal refusal) {
        return refusal instanceof Refusal.NotTaken(var _, Why why) ? why.getClass() : refusal.getClass();
    }

    private void oat(double degrees) {
        log.accept(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(degrees), "degC")));
    }

    @Test
    void aLimitAppliesWhereItsConditionHoldsAndFallsWithElevation() {
        assertThat(line(KindPlans.FUEL).gate().waits())
                .extracting(LineView.WaitView::fact)
                .containsExactly("oat_c");
        oat(-3);
        assertThat(line(KindPlans.FUEL).work().limits())
                .extracting(Measure.LimitView::min)
                // 2,400 kg less 100 kg for each 1,000 ft of the stand's 112 ft; 2,000 kg always.
                .containsExactly(2388.8, 2000.0);
        log.accept(CAPTAIN, work(KindPlans.FUEL, new Measure.Type(2300, "kg")));
        assertThat(line(KindPlans.FUEL).state()).isEqualTo(LineState.OUTSIDE);
        assertThat(line(KindPlans.FUEL).reading().judgement().margin()).isEqualTo(-88.8);
        assertThat(line(KindPlans.FUEL).reading().others()).hasSize(1);
        oat(12);
        log.accept(CAPTAIN, work(KindPlans.FUEL, new Measure.Type(2300, "kg")));
        assertThat(line(KindPlans.FUEL).state()).isEqualTo(LineState.DONE);
    }

    @Test
    void comparedReadingsNameTheOddOneAndItsSlip() {
        log.accept(CAPTAIN, work(KindPlans.ALTIMETERS, new Compare.TypeAll(List.of(110.0, 120.0, 211.0), "ft")));
        Compare.Compared compared = line(KindPlans.ALTIMETERS).work().compared();
        assertThat(compared.agree()).isFalse();
        assertThat(compared.odd()).isEqualTo(2);
        assertThat(compared.slip()).isEqualTo(new Slip(Slip.Kind.EXCHANGED_DIGITS, ""));
        assertThat(why(log.refuse(
                        CAPTAIN, work(KindPlans.ALTIMETERS, new Compare.TypeAll(List.of(110.0, 120.0), "ft")))))
                .isEqualTo(Why.WrongAnswer.class);
        log.accept(CAPTAIN, work(KindPlans.ALTIMETERS, new Compare.TypeAll(List.of(110.0, 120.0, 112.0), "ft")));
        assertThat(line(KindPlans.ALTIMETERS).state()).isEqualTo(LineState.DONE);
    }

    @Test
    void aChallengesNumberMustBeTheRecordsAndTheReaderNeverAnswers() {
        oat(12);
        log.accept(CAPTAIN, work(KindPlans.FUEL, new Measure.Type(6840, "kg")));
        assertThat(why(log.refuse(OFFICER, work(KindPlans.FUEL_SAID, new Challenge.Say(6840, "kg")))))
                .isEqualTo(Why.OthersPart.class);
        log.accept(CAPTAIN, work(KindPlans.FUEL_SAID, new Challenge.Say(6480, "kg")));
        assertThat(line(KindPlans.FUEL_SAID).state()).isEqualTo(LineState.OUTSIDE);
        assertThat(line(KindPlans.FUEL_SAID).work().said().slip()).isEqualTo(new Slip(Slip.Kind.EXCHANGED_DIGITS, ""));
        assertThat(why(log.refuse(OFFICER, work(KindPlans.FUEL_SAID, Doing.Confirm.PLAIN))))
                .isEqualTo(Why.NotYet.class);
        log.accept(CAPTAIN, work(KindPlans.FUEL_SAID, new Challenge.Say(6840, "kg")));
        log.accept(OFFICER, work(KindPlans.FUEL_SAID, Doing.Confirm.PLAIN));
        assertThat(line(KindPlans.FUEL_SAID).state()).isEqualTo(LineState.DONE);
    }

    @Test
    void whatIsHeardIsKeptAndReadBack() {
        Map<String, String> heard = Map.of("altitude", "7000", "code", "2145", "runway", "25", "course", "068");
        for (Map.Entry<String, String> wrong : Map.of(
                        "altitude", "70000", "code", "2189", "runway", "18", "course", " ")
                .entrySet()) {
            Map<String, String> spoilt = new java.util.HashMap<>(heard);
            spoilt.put(wrong.getKey(), wrong.getValue());
            log.refuse(CAPTAIN, work(KindPlans.CLEARANCE, new Communication.Hear(spoilt)));
        }
        log.accept(CAPTAIN, work(KindPlans.CLEARANCE, new Communication.Hear(heard)));
        assertThat(line(KindPlans.CLEARANCE).state()).isEqualTo(LineState.RESPONDED);
        assertThat(why(log.refuse(CAPTAIN, work(KindPlans.CLEARANCE, Doing.Confirm.PLAIN))))
                .isEqualTo(Why.AnotherPersonNeeded.class);
        log.accept(OFFICER, work(KindPlans.CLEARANCE, Doing.Confirm.PLAIN));
        assertThat(line(KindPlans.CLEARANCE).work().heard()).containsEntry("code", "2145");
    }

    @Test
    void aFindingWaitsForItsDecisionAndHoldsNoWalkUp() {
        log.accept(OFFICER, work(KindPlans.STATION, new Walk.Find(Walk.Sort.LEAK, "a drop", Walk.Severity.DOUBTFUL)));
        assertThat(line(KindPlans.STATION).state()).isEqualTo(LineState.OUTSIDE);
        assertThat(views(log)
                        .filter(view -> view.id().equals("outside"))
                        .findFirst()
                        .orElseThrow()
                        .next())
                .as("the walk goes on")
                .isEqualTo(LineRef.parse("outside/door"));
        assertThat(why(log.refuse(CAPTAIN, work(KindPlans.STATION, new Walk.Settle(0, Walk.Verdict.GO, " ")))))
                .isEqualTo(Why.WordsMissing.class);
        log.accept(CAPTAIN, work(KindPlans.STATION, new Walk.Settle(0, Walk.Verdict.MAINTENANCE, null)));
        assertThat(line(KindPlans.STATION).state()).isEqualTo(LineState.OUTSIDE);
        log.accept(CAPTAIN, work(KindPlans.STATION, new Walk.Settle(0, Walk.Verdict.MENDED, null)));
        assertThat(line(KindPlans.STATION).state()).isEqualTo(LineState.DONE);
    }

    @Test
    void whatIsNotRightRepeatsItsAxisAlone() {
        for (String position : List.of("left", "right", "neutral")) {
            log.accept(OFFICER, work(KindPlans.CONTROLS, new ControlCheck.See("roll", position, true)));
        }
        log.accept(OFFICER, work(KindPlans.CONTROLS, new ControlCheck.See("pitch", "up", true)));
        log.accept(OFFICER, work(KindPlans.CONTROLS, new ControlCheck.See("pitch", "down", false)));
        assertThat(line(KindPlans.CONTROLS).work().axes())
                .containsExactly(
                        new ControlCheck.AxisView("roll", List.of("left", "right", "neutral"), 0),
                        new ControlCheck.AxisView("pitch", List.of(), 1));
        for (String position : List.of("up", "down", "neutral")) {
            log.accept(OFFICER, work(KindPlans.CONTROLS, new ControlCheck.See("pitch", position, true)));
        }
        assertThat(line(KindPlans.CONTROLS).state()).isEqualTo(LineState.DONE);
        assertThat(line(LineRef.parse("taxi/controls-all")).state()).isEqualTo(LineState.NOT_NEEDED);
    }

    @Test
    void aStationaryLineWaitsUntilTheAircraftStandsAndIsTheMonitorsAlone() {
        log.accept(CAPTAIN, tick("taxi/off"));
        assertThat(log.refuse(OFFICER, tick("taxi/flaps"))).isInstanceOf(Refusal.GateClosed.class);
        assertThat(line(KindPlans.FLAPS).gate().waits())
                .extracting(LineView.WaitView::kind)
                .containsExactly(LineView.WaitKind.STANDSTILL);
        log.accept(CAPTAIN, tick("taxi/stand"));
        assertThat(why(log.refuse(CAPTAIN, tick("taxi/flaps")))).isEqualTo(Why.OthersPart.class);
        log.accept(OFFICER, tick("taxi/flaps"));
    }

    @Test
    void whatIsNotForTheOneWhoSteersIsTheOthersWhileTheAircraftMoves() {
        log.accept(CAPTAIN, tick("taxi/off"));
        assertThat(why(log.refuse(CAPTAIN, tick("taxi/second")))).isEqualTo(Why.OthersPart.class);
        log.accept(OFFICER, tick("taxi/second"));
        log.accept(OFFICER, Ask.of(new LineAsk.Undo(LineRef.parse("taxi/second"), null)));
        log.accept(CAPTAIN, tick("taxi/stand"));
        log.accept(CAPTAIN, tick("taxi/second"));
    }

    @Test
    void aLineHeldUntilAgreedWaitsForTheOtherMayBeRepeatedAndOpensWithANewCrew() {
        log.accept(CAPTAIN, work(KindPlans.SPEEDS, Doing.Answer.PLAIN));
        assertThat(line(KindPlans.SPEEDS).state()).isEqualTo(LineState.RESPONDED);
        log.accept(OFFICER, work(KindPlans.SPEEDS, Doing.Confirm.PLAIN));
        assertThat(line(KindPlans.SPEEDS).state()).isEqualTo(LineState.DONE);
        assertThat(line(KindPlans.SPEEDS).earlier()).isNull();
        log.accept(OFFICER, work(KindPlans.SPEEDS, Doing.Answer.PLAIN));
        log.accept(CAPTAIN, work(KindPlans.SPEEDS, Doing.Confirm.PLAIN));
        assertThat(line(KindPlans.SPEEDS).earlier())
                .singleElement()
                .satisfies(mark -> assertThat(mark.by()).isEqualTo(CAPTAIN));
        assertThat(log.accept(CAPTAIN, Ask.of(new SeatAsk.HandOverSeat(Seat.LEFT, TestLog.STRANGER))))
                .last()
                .isInstanceOfSatisfying(LineEvent.ChangeReported.class, change -> {
                    assertThat(change.change()).isEqualTo(Change.CREW);
                    assertThat(change.reopened()).containsExactly(KindPlans.SPEEDS);
                });
        assertThat(line(KindPlans.SPEEDS).state()).isEqualTo(LineState.OPEN);
    }

    @Test
    void aLateChangeOpensWhatItUndoesAndNothingElse() {
        log.accept(OFFICER, tick("outside/door"));
        log.accept(CAPTAIN, work(KindPlans.ALTIMETERS, new Compare.TypeAll(List.of(110.0, 120.0, 112.0), "ft")));
        log.accept(CAPTAIN, Ask.of(new LineAsk.ReportChange(Change.LOAD, "three more")));
        assertThat(line(LineRef.parse("outside/door")).state()).isEqualTo(LineState.OPEN);
        assertThat(line(KindPlans.ALTIMETERS).state()).isEqualTo(LineState.DONE);
        oat(12);
        assertThat(line(KindPlans.ALTIMETERS).state())
                .as("told for the first time")
                .isEqualTo(LineState.DONE);
        oat(4);
        assertThat(line(KindPlans.ALTIMETERS).state()).as("told otherwise").isEqualTo(LineState.OPEN);
    }

    @Test
    void anIrreversibleControlIsAgreedOnAndTheUntakenBranchIsNotNeeded() {
        assertThat(why(log.refuse(CAPTAIN, work(KindPlans.HANDLE, Doing.Answer.PLAIN))))
                .isEqualTo(Why.AgreementNeeded.class);
        log.accept(CAPTAIN, work(KindPlans.HANDLE, new Doing.Answer(true, null)));
        assertThat(line(KindPlans.HANDLE).work().agreed().with()).isEqualTo(OFFICER);
        assertThat(log.refuse(CAPTAIN, work(KindPlans.LIGHT, new Choice.Choose("out"))))
                .as("a list is worked in its order")
                .isInstanceOf(Refusal.GateClosed.class);
        log.accept(CAPTAIN, tick("abnormal-fire/caution"));
        assertThat(log.state().progress().gate(KindPlans.SECOND, log.now()).waits())
                .contains(new GateState.Wait.ForLine(KindPlans.LIGHT));
        log.accept(CAPTAIN, work(KindPlans.LIGHT, new Choice.Choose("smoke")));
        assertThat(line(KindPlans.SECOND).state()).isEqualTo(LineState.NOT_NEEDED);
        assertThat(line(KindPlans.LAST).state()).isEqualTo(LineState.NOT_NEEDED);
        assertThat(log.state().openLines()).as("the list it leads to").contains(KindPlans.LEAVE);
    }

    @Test
    void oneWhoIsAloneWaitsForNobodyAndNamesWhatCannotBeUndone() {
        TestLog alone = new TestLog(TestPlans.whole(new TypeSheet.Pilots(1, 1)), 62.41);
        alone.accept(CAPTAIN, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        alone.accept(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(12), "degC")));
        alone.accept(CAPTAIN, work(KindPlans.FUEL, new Measure.Type(6840, "kg")));
        alone.accept(CAPTAIN, work(KindPlans.FUEL_SAID, new Challenge.Say(6840, "kg")));
        assertThat(alone.state().complete(KindPlans.FUEL_SAID)).isTrue();
        alone.accept(CAPTAIN, tick("taxi/flaps"));
        alone.accept(CAPTAIN, work(KindPlans.BRAKES, Doing.Answer.PLAIN));
        assertThat(why(alone.refuse(CAPTAIN, work(KindPlans.HANDLE, new Doing.Answer(true, "Handle")))))
                .isEqualTo(Why.AgreementNeeded.class);
        alone.accept(CAPTAIN, work(KindPlans.HANDLE, new Doing.Answer(false, "Fire handle 1")));
        alone.accept(CAPTAIN, work(KindPlans.SPEEDS, Doing.Answer.PLAIN));
        alone.refuse(CAPTAIN, work(KindPlans.SPEEDS, Doing.Confirm.PLAIN));
        alone.accept(CAPTAIN, work(KindPlans.SPEEDS, new Doing.Confirm("Speeds")));
        assertThat(alone.state().complete(KindPlans.SPEEDS)).isTrue();
        alone.pass(Duration.ofMinutes(1));
        assertThat(alone.replayed()).isEqualTo(alone.state());
    }
}
