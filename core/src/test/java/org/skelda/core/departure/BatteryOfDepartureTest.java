package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.BatteryAdvice;
import org.skelda.core.electrics.BatteryRule;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineView;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/** A battery's volts, read on a line, are judged by what it must do in the air of the day. */
class BatteryOfDepartureTest {
    private static final LineRef VOLTS = LineRef.parse("power/volts");
    // source: the fleet's table, Lomvi T1
    private static final BatteryRule RULE = new BatteryRule(
            BatteryRule.Task.ENGINE_START,
            23.9,
            null,
            new BatteryRule.Dip(7.9, 0.009, 25.9, 900, 16.8, 14.8),
            null,
            "Lomvi T1");
    private static final MeasureSpec SPEC =
            new MeasureSpec("Battery volts", "V", 1, 0, 40, 23.9, null, null, null, "Lomvi T1", RULE, null, null);
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
                    List.of(new Line(
                            new LineHead("volts", null, List.of(), null, null, List.of(), false, null),
                            new Measure(SPEC))),
                    Procedure.Occasion.ALWAYS,
                    null))));

    private LineView.ReadingView reading() {
        return Viewing.view(log.state(), log.now()).procedures().getFirst().lines().stream()
                .filter(line -> line.ref().equals(VOLTS))
                .findFirst()
                .orElseThrow()
                .reading();
    }

    private void air(double oat_c) {
        log.accept(TestLog.CAPTAIN, Ask.of(new FactAsk.GiveFact(DayFact.OAT_C.id(), new Value.Number(oat_c), "degC")));
    }

    @Test
    void theAirOfTheDayDecidesAndANewReportJudgesAnew() {
        log.accept(TestLog.CAPTAIN, Ask.of(new LineAsk.WorkLine(VOLTS, new Measure.Type(24.6, "V"))));
        assertThat(reading().battery().kind())
                .as("how cold it is, is not known")
                .isEqualTo(BatteryAdvice.Kind.NOT_DECIDED);
        air(20);
        assertThat(reading().battery().kind()).isEqualTo(BatteryAdvice.Kind.USE);
        air(-22);
        assertThat(reading().battery().kind()).isEqualTo(BatteryAdvice.Kind.WARM);
        assertThat(reading().battery().numbers()).hasSize(3);
        assertThat(log.replayed()).isEqualTo(log.state());
    }
}
