package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuGoal;
import org.skelda.core.apu.ApuLoad;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuRule;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuAsk;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuView;
import org.skelda.core.clock.ClockView;
import org.skelda.core.crew.Person;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.limit.Limit;
import org.skelda.core.line.LineAsk;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/** The APU of a departure: its lines are the crew's taps; with a feed they wait for it; its clocks stand among all. */
class ApuOfDepartureTest {
    // source: the fleet's APU table, Havern 2M
    private static final ApuProfile APU = new ApuProfile(
            new ApuRule(
                    Duration.ZERO,
                    Duration.ofSeconds(8),
                    9,
                    54,
                    96,
                    Duration.ofSeconds(4),
                    Duration.ofSeconds(75),
                    Duration.ofSeconds(90),
                    Duration.ofSeconds(20),
                    3,
                    Duration.ofSeconds(70),
                    Duration.ofSeconds(1200)),
            23.2,
            Duration.ofSeconds(2),
            List.of(Limit.above(870, Duration.ofSeconds(10)), Limit.above(930, Duration.ZERO)),
            690,
            ceilings(),
            105,
            null,
            "table");

    private static Map<ApuLoad, Double> ceilings() {
        Map<ApuLoad, Double> all = new EnumMap<>(ApuLoad.class);
        for (ApuLoad load : ApuLoad.values()) {
            all.put(load, 12_000.0);
        }
        return all;
    }

    private static final Plan PLAN = plan(APU);
    private final TestLog log = TestLog.seated(PLAN);

    private static Plan plan(@Nullable ApuProfile apu) {
        TypeSheet type = TestPlans.typeWith(apu, null, null);
        return Plan.of(
                type,
                List.of(new Procedure(
                        "apu",
                        "APU",
                        Procedure.Style.FLOW,
                        null,
                        1,
                        "how",
                        false,
                        null,
                        List.of(
                                line("master", null, ApuTap.MASTER_ON),
                                line("start", ApuGoal.READY, ApuTap.START),
                                line("speed", null, ApuTap.UP_TO_SPEED),
                                line("available", ApuGoal.AVAILABLE, null),
                                line("generator", null, ApuTap.GENERATOR_ON),
                                line("air", ApuGoal.AIR, ApuTap.AIR_ON),
                                line("air-off", null, ApuTap.AIR_OFF),
                                line("off", ApuGoal.COOLED, ApuTap.MASTER_OFF),
                                line("zero", null, ApuTap.ZERO),
                                line("batteries", ApuGoal.BATTERIES, null)),
                        Procedure.Occasion.ALWAYS,
                        null)));
    }

    private static Line line(String id, @Nullable ApuGoal goal, @Nullable ApuTap tap) {
        LineHead head = new LineHead(
                        id,
                        null,
                        goal == null ? List.of() : List.of(new Condition.ApuAt(goal)),
                        null,
                        null,
                        List.of(),
                        id.equals("batteries"),
                        null)
                .with(new Marks(null, false, false, false, null, false, false, java.util.Set.of(), null, tap, null));
        return new Line(head, new Action(id, "ON"));
    }

    private static LineRef ref(String line) {
        return LineRef.parse("apu/" + line);
    }

    private static Ask work(String line) {
        return Ask.of(new LineAsk.WorkLine(ref(line), new Doing.Answer(false, null)));
    }

    private void works(String... lines) {
        for (String line : lines) {
            log.accept(TestLog.CAPTAIN, work(line));
        }
    }

    private Ask tell(ApuTap tap, @Nullable AutomaticStop why) {
        return Ask.of(new ApuAsk.TellApu(tap, why, log.now()));
    }

    private ApuView view() {
        return Viewing.view(log.state(), log.now()).apu();
    }

    private List<GateState.Wait> waits(String line) {
        return log.state().progress().gate(ref(line), log.now()).waits();
    }

    private void pass(double seconds) {
        log.pass(Duration.ofMillis(Math.round(seconds * 1000)));
    }

    @Test
    void linesAreTheTapsAndTheApusOwnClocksOpenTheirGates() {
        works("master");
        assertThat(view().phase()).isEqualTo(Phase.POWERED);
        Instant ready = log.now().plusSeconds(8);
        assertThat(waits("start")).containsExactly(new GateState.Wait.ForApu(ApuGoal.READY.words(), ready, false));
        assertThat(log.refuse(TestLog.CAPTAIN, work("start"))).isInstanceOf(Refusal.GateClosed.class);
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::id, ClockView::by, ClockView::opensAt)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("apu-ready", null, ready));
        assertThat(Viewing.view(log.state(), log.now()).nextOpening()).isEqualTo(ready);
        pass(8);
        works("start", "speed");
        assertThat(waits("available")).hasSize(1);
        pass(4);
        works("available", "generator");
        assertThat(view().generator()).isTrue();
        assertThat(view().sole()).isTrue();
        assertThat(waits("air")).hasSize(1);
        pass(75);
        works("air");
        pass(100);
        works("air-off");
        assertThat(waits("off")).hasSize(1);
        pass(90);
        works("off");
        assertThat(view().phase()).isEqualTo(Phase.SPOOLING_DOWN);
        assertThat(view().burnt_kg())
                .isCloseTo(105 * (4 + 75 + 100 + 90) / 3600.0, org.assertj.core.data.Offset.offset(0.01));
        pass(30);
        works("zero");
        pass(19.9);
        assertThat(log.refuse(TestLog.CAPTAIN, work("batteries"))).isInstanceOf(Refusal.GateClosed.class);
        pass(0.1);
        works("batteries");
        assertThat(log.state().openLines()).isEmpty();
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void whatIsToldAtItsOwnDeskOpensTheLinesAndALineTakenBackTakesItsTapBack() {
        log.accept(TestLog.OFFICER, tell(ApuTap.RUNS, null));
        assertThat(waits("master")).isEmpty();
        assertThat(view().phase()).isEqualTo(Phase.AVAILABLE);
        works("master", "start", "speed", "available", "generator");
        assertThat(log.state().apu().told()).hasSize(1);

        TestLog other = TestLog.seated(PLAN);
        other.accept(TestLog.CAPTAIN, work("master"));
        other.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.Undo(ref("master"), null)));
        assertThat(other.state().apu().told()).isEmpty();
        assertThat(other.state().apu().at(other.now()).phase()).isEqualTo(Phase.OFF);
    }

    @Test
    void withAFeedALineWaitsUntilItIsShownAndTapsRest() {
        log.tell(
                Event.of(new FeedEvent.FeedAttached(new UUID(3, 3), "Aircraft", false)),
                Event.of(new ApuFact.ApuRead(log.now())));
        assertThat(waits("master")).containsExactly(new GateState.Wait.ForApu("APU: Master ON", null, true));
        assertThat(Viewing.view(log.state(), log.now()).nextLeft())
                .as("doing it is what there is to do")
                .isEqualTo(ref("master"));
        assertThat(log.refuse(TestLog.CAPTAIN, tell(ApuTap.MASTER_ON, null))).isInstanceOf(Refusal.NothingThere.class);
        log.tell(Event.of(new ApuFact.ApuTold(new ApuEvent.MasterOn(log.now()))));
        works("master");
        assertThat(log.state().apu().told()).hasSize(1);
        log.tell(Event.of(new FeedEvent.FeedLost(new UUID(3, 3), log.now())));
        pass(8);
        works("start");
        assertThat(view().phase())
                .as("without the feed the line is the tap again")
                .isEqualTo(Phase.STARTING);
    }

    @Test
    void tooEarlyIsTakenAsItIsAndSaid() {
        works("master");
        pass(3);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.START, null));
        assertThat(view().phase()).isEqualTo(Phase.STARTING);
        assertThat(view().early())
                .singleElement()
                .satisfies(early -> assertThat(early.warning()).isEqualTo("Its inlet door is not open yet."));
    }

    @Test
    void anAutomaticStopSaysWhatComesNextAndCountsAsATry() {
        works("master");
        pass(8);
        works("start");
        pass(5);
        assertThat(log.refuse(TestLog.CAPTAIN, tell(ApuTap.STOPPED_ITSELF, null)))
                .isInstanceOf(Refusal.ReasonMissing.class);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.STOPPED_ITSELF, AutomaticStop.UNDERSPEED));
        assertThat(view().triesLeft()).isEqualTo(2);
        assertThat(view().restedAt()).isEqualTo(log.now().plusSeconds(70));
        assertThat(view().why()).contains("Underspeed".toLowerCase(java.util.Locale.ROOT), "once it has rested");
        log.accept(TestLog.CAPTAIN, tell(ApuTap.ZERO, null));
        pass(20);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.MASTER_ON, null));
        assertThat(view().says()).isEqualTo("APU: it rests");
        assertThat(Viewing.view(log.state(), log.now()).clocks())
                .extracting(ClockView::id)
                .contains("apu-rest");
        pass(60);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.START, null));
        log.accept(TestLog.CAPTAIN, tell(ApuTap.MASTER_OFF, null));
        assertThat(view().stopped()).as("this time the crew stopped it").isNull();
    }

    @Test
    void batteriesOffTooEarlyLatchAFaultThatIsSaidUntilThePanelOutsideIsTold() {
        log.accept(TestLog.CAPTAIN, tell(ApuTap.RUNS, null));
        log.accept(TestLog.CAPTAIN, tell(ApuTap.BATTERIES_OFF, null));
        assertThat(view().alarm()).isTrue();
        assertThat(view().says()).isEqualTo("APU: its fault is latched");
        log.accept(TestLog.CAPTAIN, tell(ApuTap.ZERO, null));
        assertThat(log.refuse(TestLog.CAPTAIN, tell(ApuTap.MASTER_ON, null))).isInstanceOf(Refusal.NothingThere.class);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.RESET_OUTSIDE, null));
        pass(20);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.MASTER_ON, null));
        assertThat(view().phase()).isEqualTo(Phase.POWERED);
    }

    @Test
    void aLimitThatIsPassedCallsForTheMasterUntilItIsOff() {
        works("master");
        pass(8);
        works("start");
        log.tell(Event.of(new ApuFact.ApuTooHot(true, 930, Duration.ZERO, log.now())));
        assertThat(view().says()).isEqualTo("APU: master OFF");
        assertThat(view().next()).isEqualTo(ApuTap.MASTER_OFF);
        assertThat(view().why()).contains("Above 930 °C");
        log.accept(TestLog.CAPTAIN, tell(ApuTap.MASTER_OFF, null));
        assertThat(view().alarm()).isFalse();
        assertThat(view().hot()).hasSize(1);
        log.accept(TestLog.CAPTAIN, tell(ApuTap.ZERO, null));
        pass(20);
        assertThat(view().says()).isEqualTo("APU: maintenance before another start");
        assertThat(view().next()).as("no start is offered").isNull();
    }

    @Test
    void onlyWhoHoldsASeatTellsAndAnothersWordIsTakenBackWithAReason() {
        assertThat(log.refuse(TestLog.STRANGER, tell(ApuTap.MASTER_ON, null))).isInstanceOf(Refusal.NotSeated.class);
        Person captain = TestLog.CAPTAIN;
        log.accept(captain, tell(ApuTap.MASTER_ON, null));
        assertThat(log.refuse(TestLog.OFFICER, Ask.of(new ApuAsk.UntellApu(" "))))
                .isInstanceOf(Refusal.ReasonMissing.class);
        log.accept(TestLog.OFFICER, Ask.of(new ApuAsk.UntellApu("It was not pressed")));
        assertThat(log.refuse(captain, Ask.of(new ApuAsk.UntellApu(null)))).isInstanceOf(Refusal.NothingThere.class);
        assertThat(log.refuse(captain, tell(ApuTap.GENERATOR_ON, null))).isInstanceOf(Refusal.NothingThere.class);
    }

    @Test
    void aPeakThatNoGaugeShowsIsRefused() {
        works("master");
        assertThat(log.refuse(TestLog.CAPTAIN, Ask.of(new ApuAsk.TypeApuPeak(true, 4000))))
                .isInstanceOfSatisfying(
                        Refusal.ImpossibleValue.class,
                        wrong -> assertThat(wrong.max()).isEqualTo(1400));
        log.accept(TestLog.CAPTAIN, Ask.of(new ApuAsk.TypeApuPeak(true, 812)));
        assertThat(view().peaks())
                .singleElement()
                .satisfies(peak -> assertThat(peak.peak_C()).isEqualTo(812));
    }

    @Test
    void aTypedPeakAboveWhatIsNeverAllowedCallsForTheMaster() {
        works("master");
        pass(8);
        works("start");
        log.accept(TestLog.CAPTAIN, Ask.of(new ApuAsk.TypeApuPeak(true, 900)));
        assertThat(view().alarm()).as("above 870 for how long, nobody told").isFalse();
        log.accept(TestLog.CAPTAIN, Ask.of(new ApuAsk.TypeApuPeak(true, 931)));
        assertThat(view().says()).isEqualTo("APU: master OFF");
        assertThat(view().hot())
                .singleElement()
                .satisfies(hot -> assertThat(hot.limit_C()).isEqualTo(930));
    }

    @Test
    void aTypeWithoutAnApuHasNoneAndItsLinesCannotTellOfOne() {
        assertThat(Viewing.view(TestLog.seated().state(), TestLog.BEGIN).apu()).isNull();
        assertThat(TestLog.seated().refuse(TestLog.CAPTAIN, tell(ApuTap.MASTER_ON, null)))
                .isInstanceOf(Refusal.NothingThere.class);
        assertThatThrownBy(() -> plan(null))
                .isInstanceOf(Plan.InvalidPlan.class)
                .hasMessageContaining("it tells something of the APU, and the type has none")
                .hasMessageContaining("the type has no APU");
    }

    @Test
    void milestonesOfAFeedStandOnItsLadder() {
        log.tell(
                Event.of(new FeedEvent.FeedAttached(new UUID(3, 3), "Aircraft", false)),
                Event.of(new ApuFact.ApuRead(log.now())),
                Event.of(new ApuFact.ApuTold(new ApuEvent.MasterOn(log.now()))),
                Event.of(
                        new ApuFact.ApuTold(new ApuEvent.StartSelected(log.now().plusSeconds(8)))),
                Event.of(
                        new ApuFact.ApuTold(new ApuEvent.MilestoneSeen(log.now().plusSeconds(10), ApuMilestone.FUEL))));
        pass(11);
        assertThat(view().rungs().stream().filter(rung -> rung.at() != null).map(ApuView.ApuRung::label))
                .containsExactly("Master on", "Fuel at 9 %");
        assertThat(view().offers()).as("taps rest").isEmpty();
        assertThat(view().next()).isNull();
    }
}
