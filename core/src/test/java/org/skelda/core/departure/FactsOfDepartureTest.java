package org.skelda.core.departure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.skelda.core.departure.TestLog.CAPTAIN;
import static org.skelda.core.departure.TestLog.STRANGER;
import static org.skelda.core.departure.TestPlans.CHARGE;
import static org.skelda.core.departure.TestPlans.COVERS;
import static org.skelda.core.departure.TestPlans.FLUID;
import static org.skelda.core.departure.TestPlans.POWER;
import static org.skelda.core.departure.TestPlans.VOLTS;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.fact.FactView;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.line.LineAsk;
import org.skelda.core.line.LineView;
import org.skelda.core.line.LineView.LineState;
import org.skelda.core.line.LineView.WaitKind;
import org.skelda.core.line.ProcedureView;
import org.skelda.core.log.Refusal;
import org.skelda.core.need.Value;

/** What is known of the day decides which lines are needed. */
class FactsOfDepartureTest {
    private final TestLog log = TestLog.seated();

    private static Ask oat(double value_c) {
        return Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(value_c), "degC"));
    }

    private static Ask icing(boolean yes) {
        return Ask.of(new FactAsk.GiveFact("icing", new Value.YesNo(yes), ""));
    }

    private LineView line(LineRef ref) {
        return procedure(ref.procedure()).lines().stream()
                .filter(line -> line.ref().equals(ref))
                .findFirst()
                .orElseThrow();
    }

    private ProcedureView procedure(String id) {
        return Viewing.view(log.state(), log.now()).procedures().stream()
                .filter(procedure -> procedure.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatIsNotKnownIsNotDecidedAndSaysWhatItWaitsFor() {
        LineView fluid = line(FLUID);
        assertThat(fluid.state()).isEqualTo(LineState.OPEN);
        assertThat(fluid.gate().waits()).extracting(LineView.WaitView::kind).containsOnly(WaitKind.FACT);
        assertThat(fluid.gate().waits())
                .extracting(LineView.WaitView::name)
                .containsExactly("Icing conditions", "Outside air");
        assertThat(log.refuse(CAPTAIN, Ask.of(new LineAsk.WorkLine(FLUID, Doing.Answer.PLAIN))))
                .isInstanceOf(Refusal.GateClosed.class);
        assertThat(log.state().openLines()).contains(COVERS, FLUID);
    }

    @Test
    void oneNoIsEnoughWhateverElseIsNotKnown() {
        log.accept(CAPTAIN, oat(12));
        assertThat(line(FLUID).state()).isEqualTo(LineState.NOT_NEEDED);
        assertThat(line(FLUID).because())
                .containsExactly(
                        new LineView.Ground("Icing conditions", null, null, null, null),
                        new LineView.Ground("Outside air", "12", "degC", null, null));
        assertThat(log.state().openLines()).doesNotContain(COVERS, FLUID);
        assertThat(procedure("ice").total()).isEqualTo(2);
    }

    @Test
    void theEventNamesTheLinesThatItChangesAndNoOthers() {
        assertThat(log.accept(CAPTAIN, oat(2)))
                .singleElement()
                .satisfies(event -> assertThat(((FactEvent.FactGiven) event).changed())
                        .containsExactly(new FactEvent.Change(COVERS, FactEvent.Becomes.NEEDED)));
        assertThat(log.accept(CAPTAIN, icing(true)))
                .singleElement()
                .satisfies(event -> assertThat(((FactEvent.FactGiven) event).changed())
                        .containsExactly(new FactEvent.Change(FLUID, FactEvent.Becomes.NEEDED)));
        assertThat(Viewing.view(log.state(), log.now()).factChange())
                .isEqualTo(new FactView.ChangeView(log.state().seq(), "Icing conditions", List.of(FLUID)));
        assertThat(log.accept(CAPTAIN, oat(3)))
                .singleElement()
                .satisfies(event ->
                        assertThat(((FactEvent.FactGiven) event).changed()).isEmpty());
    }

    @Test
    void whatWasDoneStaysDoneWhenItIsNoLongerNeeded() {
        log.accept(CAPTAIN, oat(2));
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(COVERS, Doing.Answer.PLAIN)));
        log.accept(CAPTAIN, oat(12));
        assertThat(line(COVERS).state()).isEqualTo(LineState.DONE);
        log.accept(CAPTAIN, Ask.of(new LineAsk.Undo(COVERS, null)));
        assertThat(line(COVERS).state()).isEqualTo(LineState.NOT_NEEDED);
    }

    @Test
    void aReadingDecidesToo() {
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(POWER, Doing.Answer.PLAIN)));
        assertThat(line(CHARGE).gate().waits())
                .extracting(LineView.WaitView::name)
                .containsExactly("Battery volts");
        log.accept(CAPTAIN, Ask.of(new LineAsk.WorkLine(VOLTS, new Measure.Type(24.1, "V"))));
        assertThat(line(CHARGE).state()).isEqualTo(LineState.NOT_NEEDED);
        assertThat(line(CHARGE).because())
                .containsExactly(new LineView.Ground("Battery volts", "24.1", "V", null, null));
    }

    @Test
    void theScheduleTellsTheElevationUntilTheCrewKnowsBetter() {
        assertThat(log.state().progress().value("elevation_ft")).contains(new Value.Number(112));
        log.accept(CAPTAIN, Ask.of(new FactAsk.GiveFact("elevation_ft", new Value.Number(140), "ft")));
        assertThat(log.state().progress().value("elevation_ft")).contains(new Value.Number(140));
    }

    @Test
    void aFactThatIsNoneOrImpossibleOrInAnotherUnitIsRefused() {
        assertThat(log.refuse(CAPTAIN, Ask.of(new FactAsk.GiveFact("moon", new Value.YesNo(true), ""))))
                .isEqualTo(new Refusal.UnknownFact("moon"));
        assertThat(log.refuse(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.Number(40), "degF"))))
                .isEqualTo(new Refusal.UnknownUnit("degF", "degC"));
        assertThat(log.refuse(CAPTAIN, Ask.of(new FactAsk.GiveFact("oat_c", new Value.YesNo(true), ""))))
                .isInstanceOf(Refusal.UnknownUnit.class);
        assertThat(log.refuse(CAPTAIN, oat(150))).isInstanceOf(Refusal.ImpossibleValue.class);
        assertThat(log.refuse(CAPTAIN, oat(Double.NaN))).isInstanceOf(Refusal.ImpossibleValue.class);
        assertThat(log.refuse(STRANGER, oat(12))).isEqualTo(new Refusal.NotSeated());
    }
}
