package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.ChargeRule;
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
    private static final MeasureSpec SPEC =
            new MeasureSpec("Charge current", "A", 0, 0, 400, null, null, null, null, "Havern 2A", null, RULE);
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
        assertThat(line.reading()).isNotNull();
        assertThat(line.reading().charge()).isNotNull();
        return line.reading().charge();
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
}
