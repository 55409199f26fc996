package org.skelda.core.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Check;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.Need;
import org.skelda.core.need.TestWhen;
import org.skelda.core.need.Value;

class PlanChecksTest {
    private static final TypeSheet TYPE = new TypeSheet(
            "T",
            "T",
            List.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            null,
            null,
            null,
            null,
            null,
            null,
            TypeSheet.Pilots.TWO);

    private static Procedure procedure(String id, Line... lines) {
        return new Procedure(
                id,
                id,
                Procedure.Style.FLOW,
                null,
                1,
                "how",
                false,
                null,
                List.of(lines),
                Procedure.Occasion.ALWAYS,
                null);
    }

    private static Line line(String id, Condition... gate) {
        return new Line(new LineHead(id, null, List.of(gate), null, null, List.of(), false, null), new Check(id, "on"));
    }

    private static List<String> findings(Procedure... procedures) {
        List<String> found = new java.util.ArrayList<>();
        assertThatThrownBy(() -> Plan.of(TYPE, List.of(procedures)))
                .isInstanceOfSatisfying(Plan.InvalidPlan.class, e -> found.addAll(e.findings()));
        return found;
    }

    @Test
    void saysEveryNameThatLeadsNowhereAtOnce() {
        Line lost = new Line(
                new LineHead(
                        "a",
                        "zone",
                        List.of(
                                new Condition.ClockElapsed("c"), new Condition.ProceduresDone(List.of("q")),
                                new Condition.WithinLimits(LineRef.parse("p/b")),
                                        new Condition.LineDone(LineRef.parse("p/none"))),
                        null,
                        null,
                        List.of("d"),
                        false,
                        null),
                new Action("a", "on"));
        assertThat(findings(procedure("p", lost, line("b"))))
                .hasSize(6)
                .allMatch(finding -> finding.startsWith("p/a: "))
                .anyMatch(finding -> finding.contains("clock 'd'"))
                .anyMatch(finding -> finding.contains("procedure 'q'"));
    }

    @Test
    void findsIdsUsedTwice() {
        assertThat(findings(procedure("p", line("a"), line("a")), procedure("p", line("b"))))
                .anyMatch(finding -> finding.startsWith("p/a:"))
                .anyMatch(finding -> finding.startsWith("p: this procedure id"));
    }

    @Test
    void findsGatesThatWaitForThemselves() {
        assertThat(findings(
                        procedure("p", line("a", new Condition.ProceduresDone(List.of("q")))),
                        procedure("q", line("b", new Condition.LineDone(LineRef.parse("p/a"))))))
                .containsExactlyInAnyOrder(
                        "p/a: it waits for itself and can never be reached",
                        "q/b: it waits for itself and can never be reached");
    }

    @Test
    void strandsComeTogetherBehindWhatStandsBefore() {
        Procedure before = procedure("p", line("a"));
        Line joined = line("b", new Condition.StrandsJoined());
        Plan plan = Plan.of(TYPE, List.of(before, procedure("q", joined)));
        assertThat(plan.joining(LineRef.parse("q/b"))).containsExactly(before);
        assertThat(findings(procedure("q", joined)))
                .containsExactly("q/b: the strands are to come together at its gate, and nothing stands before it");
        assertThat(findings(
                        procedure("p", line("a", new Condition.LineDone(LineRef.parse("q/b")))),
                        procedure("q", joined)))
                .contains("q/b: it waits for itself and can never be reached");
    }

    @Test
    void anOptionSaysOneKindOfValueAndEachOnce() {
        Option.School ninety = new Option.School("below-90", "Below 90", "Fuel.", "Air.", new Value.Number(90));
        Option.School sixty = new Option.School("below-60", "Below 60", "Air.", "Fuel.", new Value.Number(60));
        Option option = new Option("low-flow", "Low flow", List.of(ninety, sixty), "below-60");
        assertThat(option.saying(new Value.Number(90))).contains(ninety);
        Plan plan = Plan.of(TYPE, List.of(option), List.of(procedure("p", line("a"))));
        assertThat(plan.schools(Map.of())).containsEntry("option('low-flow')", new Value.Number(60));
        assertThat(plan.schools(Map.of("low-flow", "below-90")))
                .containsEntry("option('low-flow')", new Value.Number(90));
        Option.School word = new Option.School("any", "Any", "None.", "None.");
        assertThatThrownBy(() -> new Option("low-flow", "Low flow", List.of(ninety, word), "any"))
                .hasMessage("its choices say values of different kinds");
        assertThatThrownBy(() -> new Option(
                        "low-flow",
                        "Low flow",
                        List.of(ninety, new Option.School("more", "More", "So.", "So.", ninety.value())),
                        "more"))
                .hasMessage("two of its choices say the same");
    }

    private static final TestWhen NIGHT = TestWhen.yes("night");
    private static final TestWhen DAY = new TestWhen(
            NIGHT.names(),
            Set.of(),
            known -> known.value("night")
                    .map(value -> value.equals(new Value.YesNo(false)) ? Need.NEEDED : Need.NOT_NEEDED)
                    .orElseGet(() -> NIGHT.need(known)));

    private static Line second(TestWhen when, String waitsFor) {
        List<Condition> gate = List.of(new Condition.LineDone(LineRef.parse(waitsFor)));
        return new Line(
                new LineHead("second", null, gate, null, null, List.of(), false, when), new Check("second", "on"));
    }

    /** Two procedures, either of which is the second by night or by day. */
    private static Plan inTurns(TestWhen secondIsP, TestWhen secondIsQ) {
        return Plan.of(
                TYPE,
                List.of(
                        procedure(
                                "p",
                                second(secondIsP, "q/work"),
                                line("work", new Condition.LineDone(LineRef.parse("p/second")))),
                        procedure(
                                "q",
                                second(secondIsQ, "p/work"),
                                line("work", new Condition.LineDone(LineRef.parse("q/second"))))));
    }

    @Test
    void eitherMayComeFirstWhereTheDayDecides() {
        Plan plan = inTurns(NIGHT, DAY);
        assertThat(plan.examined(Set.of("night"))).isSameAs(plan);
    }

    @Test
    void aDayOnWhichEachWaitsForTheOtherIsRefused() {
        for (TestWhen both : List.of(NIGHT, DAY)) {
            assertThatThrownBy(() -> inTurns(both, both).examined(Set.of("night")))
                    .isInstanceOfSatisfying(
                            Plan.InvalidPlan.class,
                            e -> assertThat(e.findings())
                                    .contains("p/second: it waits for itself and can never be reached"));
        }
    }
}
