package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.aligning.UnitsView;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit.Missing;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitGoal;
import org.skelda.core.alignment.UnitRule;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.clock.ClockView;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.log.Refusal;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/** The inertial units of a departure: told by lines and at their own desk, judged against the stand, their clocks. */
class UnitsOfDepartureTest {
    // source: the fleet's alignment table
    private static final InertialProfile PROFILE = new InertialProfile(
            2,
            new UnitRule(
                    new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), 78.5),
                    Duration.ofSeconds(40),
                    Duration.ofSeconds(4),
                    Duration.ofSeconds(20),
                    12,
                    false),
            new Realignment(2.2, 14, 6, 4, 50, "table"),
            35,
            List.of(new InertialProfile.Code("08", "its cooling air is missing", "Look at the cooling first.")),
            null,
            null,
            null,
            "table");

    private static final Plan PLAN = plan();
    private TestLog log = TestLog.seated(PLAN);

    private static Plan plan() {
        TypeSheet type = TestPlans.typeWith(null, PROFILE, null);
        return Plan.of(
                type,
                List.of(new Procedure(
                        "alignment",
                        "Alignment",
                        Procedure.Style.FLOW,
                        null,
                        1,
                        "how",
                        false,
                        null,
                        List.of(
                                line("on", null, UnitTap.ON, null),
                                line("position", null, UnitTap.POSITION, null),
                                line("aligned", UnitGoal.ALIGNED, null, null),
                                line("navigation", null, UnitTap.NAVIGATION, null),
                                line("quick", null, UnitTap.QUICK, null),
                                line("again", null, UnitTap.POSITION, null),
                                line("push", null, null, Marks.Motion.BEGINS),
                                line("off", null, UnitTap.OFF, null),
                                line("batteries", UnitGoal.STORED, null, null)),
                        Procedure.Occasion.ALWAYS,
                        null)));
    }

    private static Line line(String id, @Nullable UnitGoal goal, @Nullable UnitTap tap, Marks.@Nullable Motion motion) {
        LineHead head = new LineHead(
                        id,
                        null,
                        goal == null ? List.of() : List.of(new Condition.UnitsAt(goal)),
                        null,
                        null,
                        List.of(),
                        false,
                        null)
                .with(new Marks(null, false, false, false, null, false, false, Set.of(), motion, null, tap));
        return new Line(head, new Action(id, "ON"));
    }

    private static Ask work(String line) {
        return Ask.of(new LineAsk.WorkLine(LineRef.parse("alignment/" + line), new Doing.Answer(false, null)));
    }

    private void works(String... lines) {
        for (String line : lines) {
            log.accept(TestLog.CAPTAIN, work(line));
        }
    }

    private Ask tell(UnitTap tap, @Nullable String position, Integer... units) {
        return Ask.of(new UnitAsk.TellUnits(List.of(units), tap, position, null, log.now()));
    }

    private void tells(UnitTap tap, @Nullable String position, Integer... units) {
        log.accept(TestLog.CAPTAIN, tell(tap, position, units));
    }

    private String refused(UnitTap tap, @Nullable String position, Integer... units) {
        return switch (log.refuse(TestLog.CAPTAIN, tell(tap, position, units))) {
            case Refusal.NothingThere(String what) -> what;
            case Refusal.NotReadable(String sentence, String _) -> sentence;
            case Refusal other -> other.toString();
        };
    }

    private UnitsView view() {
        return Viewing.view(log.state(), log.now()).units();
    }

    private List<GateState.Wait> waits(String line) {
        return log.state()
                .progress()
                .gate(LineRef.parse("alignment/" + line), log.now())
                .waits();
    }

    private void pass(double seconds) {
        log.pass(Duration.ofMillis(Math.round(seconds * 1000)));
    }

    @Test
    void linesTellTheUnitsAndTheirOwnCountOpensTheGates() {
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 are off");
        assertThat(view().next()).isEqualTo(UnitTap.ON);
        works("on");
        Instant counted = log.now().plusMillis(777_330);
        assertThat(waits("position"))
                .containsExactly(new GateState.Wait.ForUnits("Inertial units: Position entered", null, true));
        assertThat(view().says()).isEqualTo("Enter the position in inertial units 1 and 2");
        assertThat(waits("aligned"))
                .as("time alone does not bring it without a position")
                .containsExactly(new GateState.Wait.ForUnits(UnitGoal.ALIGNED.words(), null, false));
        tells(UnitTap.POSITION, view().stand());
        works("position");
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 align");
        assertThat(view().until()).isBetween(counted.minusMillis(300), counted.plusMillis(300));
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::label, ClockView::releases)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("Alignment", "navigation mode"));
        assertThat(log.refuse(TestLog.CAPTAIN, work("navigation"))).isInstanceOf(Refusal.GateClosed.class);
        pass(778);
        works("aligned", "navigation");
        assertThat(view().units()).extracting(UnitsView.UnitView::phase).containsOnly(Phase.NAVIGATING);
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void theTimedPairIsQuickInTimeAndAFullOneTooLate() {
        assertThat(waits("quick"))
                .containsExactly(new GateState.Wait.ForUnits("Inertial units: " + UnitTap.QUICK.words(), null, true));
        tells(UnitTap.OFF, null);
        assertThat(view().units()).extracting(UnitsView.UnitView::phase).containsOnly(Phase.STORING);
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .filteredOn(clock -> clock.counts() == ClockView.Counts.WINDOW)
                .extracting(ClockView::id, ClockView::opensAt)
                .contains(org.assertj.core.groups.Tuple.tuple(
                        "inertial-quick-1", log.now().plusSeconds(4)));
        pass(3);
        tells(UnitTap.ON, null);
        works("quick");
        assertThat(view().units()).extracting(UnitsView.UnitView::quick).containsOnly(true);
        tells(UnitTap.POSITION, view().stand());
        works("again");
        pass(41);
        assertThat(view().units()).extracting(UnitsView.UnitView::phase).containsOnly(Phase.NAVIGATING);
        tells(UnitTap.OFF, null);
        pass(5);
        tells(UnitTap.ON, null);
        assertThat(view().units()).extracting(UnitsView.UnitView::quick).containsOnly(false);
        assertThat(refused(UnitTap.QUICK, null)).isEqualTo("Inertial unit 1: A quick alignment begins in navigation.");
    }

    @Test
    void aWrongPositionIsNamedWithItsSlipAndOneTakenTwiceIsAnAlarm() {
        works("on");
        tells(UnitTap.POSITION, "62 24.6 S 010 49.2 W");
        assertThat(view().alarm()).isTrue();
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 ask for the position again");
        assertThat(view().why())
                .contains("S62 24.6 W010 49.2 is")
                .contains("NM from the stand, at most 12.")
                .contains("North and south exchanged?");
        assertThat(view().units().getFirst().missing()).contains(Missing.POSITION_AGAIN);
        assertThat(refused(UnitTap.POSITION, "N62 24.6 W011 49.2", 1))
                .contains("Inertial unit 2 was given S62 24.6 W010 49.2, and this is N62 24.6 W011 49.2");
        tells(UnitTap.POSITION, "62 24.6 S 010 49.2 W");
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 hold a wrong position");
        assertThat(view().alarm()).isTrue();
        assertThat(view().next()).isEqualTo(UnitTap.POSITION);
        tells(UnitTap.POSITION, view().stand());
        assertThat(view().alarm()).isFalse();
        assertThat(view().units()).allSatisfy(unit -> assertThat(unit.off_NM()).isLessThan(0.1));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "N91 00.0 W010 49.2|Latitude",
                "N62 60.0 W010 49.2|60",
                "N62 24.6 S010 49.2|latitude",
                "somewhere|",
                "''|",
            })
    void whatIsNoPositionIsSaidAndKeptOut(String typed, @Nullable String word) {
        works("on");
        Refusal refusal = log.refuse(TestLog.CAPTAIN, tell(UnitTap.POSITION, typed));
        assertThat(refusal).isInstanceOfAny(Refusal.NotReadable.class, Refusal.ImpossibleValue.class);
        if (word != null) {
            assertThat(refusal.toString()).containsIgnoringCase(word);
        }
        assertThat(view().units()).extracting(UnitsView.UnitView::position).containsOnlyNulls();
    }

    @Test
    void threeUnitsCanNotHoldThreePositions() {
        works("on");
        tells(UnitTap.POSITION, view().stand(), 1);
        assertThat(refused(UnitTap.POSITION, "61 01.2 N 007 26.4 W", 2)).contains("The same goes into every unit");
        tells(UnitTap.POSITION, view().stand(), 2);
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 align");
    }

    @Test
    void whatCanNotBeIsRefusedInASentence() {
        assertThat(refused(UnitTap.NAVIGATION, null)).isEqualTo("Inertial unit 1: It is off.");
        assertThat(refused(UnitTap.ON, null, 3)).isEqualTo("There is no inertial unit 3: this type has 2.");
        assertThat(refused(UnitTap.CODE, null, 1)).isEqualTo("A fault code has 1 to 12 characters.");
        works("on");
        assertThat(refused(UnitTap.ON, null)).isEqualTo("Inertial unit 1: It is on already.");
        assertThat(refused(UnitTap.NAVIGATION, null)).isEqualTo("Inertial unit 1: It is not aligned.");
    }

    @Test
    void aPushWhileTheyCountBeginsTheCountAnewAndIsTakenBackWithItsLine() {
        works("on");
        tells(UnitTap.POSITION, view().stand());
        Instant counted = view().until();
        pass(300);
        works("push");
        assertThat(view().units()).extracting(UnitsView.UnitView::restarts).containsOnly(1);
        assertThat(view().until()).isEqualTo(counted.plusSeconds(300));
        assertThat(view().why()).contains("the count began anew");
        log.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.Undo(LineRef.parse("alignment/push"), null)));
        assertThat(view().units()).extracting(UnitsView.UnitView::restarts).containsOnly(0);
    }

    @Test
    void theLatestSwitchOnForOffBlockStandsInTheClocksUntilTheyAreOn() {
        Instant latest = view().latest();
        assertThat(latest).isNotNull().isAfter(log.now());
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::id, ClockView::opensAt, ClockView::counts)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("inertial-latest", latest, ClockView.Counts.WINDOW));
        assertThat(Viewing.view(log.state(), latest).clocks())
                .as("once it is over, it is said that they are late")
                .isEmpty();
        works("on");
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::id)
                .doesNotContain("inertial-latest");
    }

    @Test
    void oneUnitIsTowedAndCountsAloneWithItsOwnClock() {
        works("on");
        tells(UnitTap.POSITION, view().stand());
        pass(100);
        tells(UnitTap.MOVED, null, 2);
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::label)
                .containsExactly("Alignment, unit 1", "Alignment, unit 2");
        pass(700);
        assertThat(waits("navigation")).hasSize(1);
        assertThat(view().says()).isEqualTo("Inertial unit 2 aligns");
    }

    @Test
    void aFaultCodeComesFirst() {
        works("on");
        log.accept(TestLog.CAPTAIN, Ask.of(new UnitAsk.TellUnits(List.of(2), UnitTap.CODE, null, " 08 ", log.now())));
        assertThat(view().says()).isEqualTo("Inertial unit 2 shows 08");
        assertThat(view().why()).isEqualTo("Its cooling air is missing. Look at the cooling first.");
        assertThat(view().nextFor()).containsExactly(2);
        tells(UnitTap.CODE_CLEARED, null, 2);
        assertThat(view().alarm()).isFalse();
    }

    @Test
    void powerWaitsUntilThePositionIsStored() {
        works("off");
        assertThat(view().says()).isEqualTo("Inertial units 1 and 2 store their position");
        assertThat(log.refuse(TestLog.CAPTAIN, work("batteries"))).isInstanceOf(Refusal.GateClosed.class);
        pass(20);
        works("batteries");
        assertThat(view().units()).extracting(UnitsView.UnitView::phase).containsOnly(Phase.OFF);
    }

    @Test
    void whichAlignmentIsSaidWithItsReasonsAndTheLatestSwitchingOn() {
        Instant offBlock = log.state().opening().offBlock();
        assertThat(view().latest()).isBetween(offBlock.minusMillis(777_600), offBlock.minusMillis(777_000));
        assertThat(view().advice().kind()).isEqualTo(Realignment.Kind.NOT_DECIDED);
        log.accept(
                TestLog.CAPTAIN,
                Ask.of(new FactAsk.GiveFact(DayFact.FIRST_FLIGHT_OF_DAY.id(), new Value.YesNo(true), "")));
        assertThat(view().advice().kind()).isEqualTo(Realignment.Kind.FULL);
        assertThat(view().why()).contains("Full alignment: a night stop or maintenance");
        assertThat(Viewing.view(log.state(), log.now()).inHand().clock()).isEqualTo("Alignment");
        log.pass(Duration.between(log.now(), offBlock.minusSeconds(700)));
        assertThat(view().why()).contains("aligned 1 min after off-block");
    }

    @Test
    void unitsThatNavigateAreAskedForWhatTheDayNeedsAndNotOnceMoreAfterIt() {
        for (DayFact fact : List.of(DayFact.FIRST_FLIGHT_OF_DAY, DayFact.CREW_CHANGED, DayFact.ROUTE_WITHOUT_AIDS)) {
            log.accept(TestLog.CAPTAIN, Ask.of(new FactAsk.GiveFact(fact.id(), new Value.YesNo(false), "")));
        }
        tells(UnitTap.NAVIGATES, null);
        assertThat(view().says()).isEqualTo("Inertial units navigate");
        log.accept(TestLog.CAPTAIN, Ask.of(new FactAsk.GiveFact(DayFact.CREW_CHANGED.id(), new Value.YesNo(true), "")));
        assertThat(view().says()).isEqualTo("A full alignment is wanted");
        assertThat(view().next()).isEqualTo(UnitTap.OFF);
        tells(UnitTap.OFF, null);
        pass(30);
        tells(UnitTap.ON, null);
        tells(UnitTap.POSITION, view().stand());
        pass(800);
        tells(UnitTap.NAVIGATION, null);
        assertThat(view().says()).isEqualTo("Inertial units navigate");
        assertThat(view().advice().kind()).isEqualTo(Realignment.Kind.NONE);
    }

    @Test
    void aboveTheHighestLatitudeTheyDoNotAlign() {
        log = new TestLog(PLAN, 79);
        log.accept(
                TestLog.CAPTAIN,
                Ask.of(new org.skelda.core.seat.SeatAsk.TakeSeat(
                        org.skelda.core.crew.Seat.LEFT, org.skelda.core.crew.Role.FLYING, null)));
        assertThat(view().alarm()).isTrue();
        assertThat(view().says()).startsWith("No alignment at N79");
        assertThat(view().why()).contains("up to 78.5 degrees").contains("polar procedure");
        assertThat(refused(UnitTap.ON, null))
                .isEqualTo("Inertial unit 1: It does not align at this latitude; use the operator's polar procedure.");
        assertThat(log.refuse(TestLog.CAPTAIN, work("on"))).isInstanceOf(Refusal.GateClosed.class);
        assertThat(view().latest()).isNull();
    }

    @Test
    void withAFeedALineWaitsUntilItIsShownAndTapsRest() {
        log.tell(
                Event.of(new FeedEvent.FeedAttached(new UUID(3, 3), "Aircraft", false)),
                Event.of(new UnitFact.UnitsRead(log.now())));
        assertThat(waits("on")).containsExactly(new GateState.Wait.ForUnits("Inertial units: ALIGN", null, true));
        assertThat(refused(UnitTap.ON, null)).startsWith("Readings of the inertial units arrive.");
        log.tell(Event.of(new UnitFact.UnitsTold(List.of(1, 2), List.of(new UnitEvent.SwitchedOn(log.now(), 62.41)))));
        works("on");
        assertThat(log.state().units().told()).hasSize(1);
    }

    @Test
    void whatWasToldLastIsTakenBackAndAnothersNeedsAReason() {
        works("on");
        tells(UnitTap.POSITION, "S62 24.6 W010 49.2");
        assertThat(view().newest().words()).isEqualTo("Inertial units 1 and 2: position S62 24.6 W010 49.2");
        assertThat(log.refuse(TestLog.OFFICER, Ask.of(new UnitAsk.UntellUnits(null))))
                .isInstanceOf(Refusal.ReasonMissing.class);
        log.accept(TestLog.CAPTAIN, Ask.of(new UnitAsk.UntellUnits(null)));
        assertThat(view().says()).isEqualTo("Enter the position in inertial units 1 and 2");
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void aTypeWithoutThemHasNone() {
        assertThat(Viewing.view(TestLog.seated().state(), TestLog.BEGIN).units())
                .isNull();
        TestLog other = TestLog.seated();
        assertThat(other.refuse(
                        TestLog.CAPTAIN, Ask.of(new UnitAsk.TellUnits(List.of(), UnitTap.ON, null, null, other.now()))))
                .isEqualTo(new Refusal.NothingThere("This type has no inertial units."));
    }
}
