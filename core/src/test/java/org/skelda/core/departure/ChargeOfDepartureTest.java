package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.Gauge;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Check;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineView;
import org.skelda.core.line.LineView.LineState;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/** A charge current on its line: read against the clock of the battery's being on again, until it is proved to fall. */
class ChargeOfDepartureTest {
    private static final ChargeRule RULE = new ChargeRule("bleed", 45, Duration.ofSeconds(90), "Havern 2A");
    private static final MeasureSpec SPEC = new MeasureSpec(
            "Charge current",
            "A",
            0,
            0,
            400,
            null,
            null,
            null,
            null,
            "Havern 2A",
            null,
            RULE,
            new Gauge("battery-1", Gauge.Quantity.CURRENT));
    private static final LineRef CURRENT = LineRef.parse("power/current");
    private static final LineRef AFTER = LineRef.parse("power/after");
    private final TestLog log = TestLog.seated(Plan.of(
            TestPlans.type(TypeSheet.Pilots.TWO),
            List.of(new Procedure(
                    "power",
                    "Power",
                    Procedure.Style.FLOW,
                    null,
                    1,
                    "how",
                    false,
                    null,
                    List.of(
                            new Line(
                                    new LineHead("cycle", null, List.of(), null, null, List.of("bleed"), false, null),
                                    new Action("Battery", "OFF and back ON")),
                            new Line(
                                    new LineHead("current", null, List.of(), null, null, List.of(), false, null),
                                    new Measure(SPEC)),
                            new Line(
                                    new LineHead(
                                            "after",
                                            null,
                                            List.of(new Condition.WithinLimits(CURRENT)),
                                            null,
                                            null,
                                            List.of(),
                                            false,
                                            null),
                                    new Check("APU", "may be started"))),
                    Procedure.Occasion.ALWAYS,
                    null))));

    private LineView read(double current_A) {
        log.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.WorkLine(CURRENT, new Measure.Type(current_A, "A"))));
        return line();
    }

    private LineView line() {
        return Viewing.view(log.state(), log.now()).procedures().stream()
                .flatMap(procedure -> procedure.lines().stream())
                .filter(line -> line.ref().equals(CURRENT))
                .findFirst()
                .orElseThrow();
    }

    private static ChargeCurve charge(LineView line) {
        assertThat(line.charge()).isNotNull();
        return line.charge();
    }

    @Test
    void itIsReadUntilItIsUnderItsLimitAndFallsAndOnlyThenDoesAGateBehindItOpen() {
        log.accept(
                TestLog.CAPTAIN,
                Ask.of(new LineAsk.WorkLine(LineRef.parse("power/cycle"), new Doing.Answer(true, null))));
        assertThat(new Measure(SPEC).expects()).isEqualTo("under 45 A within 90 s, and falling");
        log.pass(Duration.ofSeconds(20));
        assertThat(read(80).state()).isEqualTo(LineState.BEGUN);
        log.pass(Duration.ofSeconds(20));
        LineView second = read(40);
        assertThat(second.state()).isEqualTo(LineState.DONE);
        assertThat(charge(second).points())
                .containsExactly(new ChargeCurve.Point(20, 80), new ChargeCurve.Point(40, 40));
        assertThat(charge(second).words()).isEqualTo("40 A and falling, under 45 A by 38 s, 53 s in hand.");
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void oneReadingUnderTheLimitDoesNotOpenTheGate() {
        log.accept(
                TestLog.CAPTAIN,
                Ask.of(new LineAsk.WorkLine(LineRef.parse("power/cycle"), new Doing.Answer(true, null))));
        log.pass(Duration.ofSeconds(20));
        assertThat(read(30).state()).isEqualTo(LineState.BEGUN);
        assertThat(log.refuse(TestLog.CAPTAIN, Ask.of(new LineAsk.WorkLine(AFTER, new Doing.Answer(true, null)))))
                .isInstanceOf(Refusal.GateClosed.class);
        log.pass(Duration.ofSeconds(100));
        assertThat(read(50).state()).isEqualTo(LineState.OUTSIDE);
        assertThat(charge(line()).verdict()).isEqualTo(ChargeCurve.Verdict.RISES);
    }

    @Test
    void withoutItsClockOneReadingIsNoProofEither() {
        assertThat(read(200).state()).isEqualTo(LineState.BEGUN);
        log.pass(Duration.ofSeconds(30));
        assertThat(read(40).state()).isEqualTo(LineState.DONE);
        assertThat(charge(line()).points())
                .containsExactly(new ChargeCurve.Point(0, 200), new ChargeCurve.Point(30, 40));
    }

    @Test
    void whatAFeedShowsIsTheCurveAndOneKeyTakesIt() {
        log.tell(Event.of(new FeedEvent.FeedAttached(UUID.randomUUID(), "Box", false)));
        log.accept(
                TestLog.CAPTAIN,
                Ask.of(new LineAsk.WorkLine(LineRef.parse("power/cycle"), new Doing.Answer(true, null))));
        for (double current_A : new double[] {80, 62, 50, 43, 41}) {
            log.pass(Duration.ofSeconds(10));
            log.tell(Event.of(new FeedEvent.CurrentShown("battery-1", current_A)));
            log.tell(Event.of(new FeedEvent.CurrentShown("battery-2", 200)));
        }
        assertThat(line().reading()).isNull();
        assertThat(line().state()).as("the crew takes it, nobody else").isEqualTo(LineState.OPEN);
        assertThat(charge(line()).verdict()).isEqualTo(ChargeCurve.Verdict.GOOD);
        assertThat(charge(line()).points()).hasSize(5).first().isEqualTo(new ChargeCurve.Point(10, 80));
        log.pass(Duration.ofSeconds(2));
        assertThat(read(40).state()).isEqualTo(LineState.DONE);
        assertThat(charge(line()).points()).hasSize(6);
        log.tell(Event.of(new FeedEvent.CurrentShown("battery-1", 90)));
        assertThat(charge(line()).points())
                .as("what comes later is no matter of the line's")
                .hasSize(6);
        assertThat(log.replayed()).isEqualTo(log.state());
    }

    @Test
    void aBatteryThatIsSwitchedOnOnceMoreBeginsItsCurveAnew() {
        log.tell(Event.of(new FeedEvent.FeedAttached(UUID.randomUUID(), "Box", false)));
        Ask cycle = Ask.of(new LineAsk.WorkLine(LineRef.parse("power/cycle"), new Doing.Answer(true, null)));
        log.accept(TestLog.CAPTAIN, cycle);
        for (double current_A : new double[] {130, 120, 115}) {
            log.pass(Duration.ofSeconds(40));
            log.tell(Event.of(new FeedEvent.CurrentShown("battery-1", current_A)));
        }
        assertThat(read(114).state()).isEqualTo(LineState.OUTSIDE);
        log.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.Undo(LineRef.parse("power/cycle"), "once more")));
        log.accept(TestLog.CAPTAIN, cycle);
        for (double current_A : new double[] {60, 40, 35}) {
            log.pass(Duration.ofSeconds(10));
            log.tell(Event.of(new FeedEvent.CurrentShown("battery-1", current_A)));
        }
        assertThat(charge(line()).verdict()).isEqualTo(ChargeCurve.Verdict.GOOD);
        assertThat(charge(line()).points()).hasSize(3);
    }
}
