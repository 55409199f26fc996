package org.skelda.core.procedure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.skelda.core.kind.LineRef;

/** Finds what is wrong in a plan: names that lead nowhere, ids used twice, gates that can never open. */
final class PlanChecks {
    private final Plan plan;
    private final List<String> findings = new ArrayList<>();

    private PlanChecks(Plan plan) {
        this.plan = plan;
    }

    static List<String> findings(Plan plan) {
        PlanChecks checks = new PlanChecks(plan);
        checks.uniqueIds();
        plan.procedures().forEach(checks::namesLeadSomewhere);
        if (checks.findings.isEmpty()) {
            checks.everyGateCanOpen();
        }
        return checks.findings;
    }

    private void uniqueIds() {
        Set<String> seen = new HashSet<>();
        for (Procedure procedure : plan.procedures()) {
            if (!seen.add(procedure.id())) {
                findings.add(procedure.id() + ": this procedure id is used twice");
            }
            Set<String> lines = new HashSet<>();
            for (Line line : procedure.lines()) {
                if (!lines.add(line.id())) {
                    findings.add(procedure.ref(line) + ": this line id is used twice");
                }
            }
        }
    }

    private void namesLeadSomewhere(Procedure procedure) {
        PanelMap map = procedure.map() == null ? null : plan.type().maps().get(procedure.map());
        if (procedure.map() != null && map == null) {
            findings.add(procedure.id() + ": there is no panel map '" + procedure.map() + "'");
        }
        for (Line line : procedure.lines()) {
            LineRef ref = procedure.ref(line);
            String zone = line.head().zone();
            if (zone != null && (map == null || map.zones().stream().noneMatch(z -> z.id().equals(zone)))) {
                findings.add(ref + ": there is no zone '" + zone + "' on its panel map");
            }
            line.head().starts().stream()
                    .filter(clock -> !plan.type().clocks().containsKey(clock))
                    .forEach(clock -> findings.add(ref + ": there is no clock '" + clock + "'"));
            line.head().gate().forEach(condition -> conditionLeadsSomewhere(ref, condition));
            if (line instanceof Line.Start start) {
                start.today().lines().stream()
                        .filter(read -> !(plan.lines().get(read) instanceof Line.Measure))
                        .forEach(read -> findings.add(
                                ref + ": it expects its start by a measure '" + read + "', which does not exist"));
            }
        }
    }

    private void conditionLeadsSomewhere(LineRef ref, Condition condition) {
        switch (condition) {
            case Condition.ClockElapsed(String clock) -> {
                if (plan.lines().values().stream()
                        .noneMatch(line -> line.head().starts().contains(clock))) {
                    findings.add(ref + ": its gate waits for clock '" + clock + "', which no line starts");
                }
            }
            case Condition.ProceduresDone(List<String> procedures) ->
                procedures.stream()
                        .filter(id -> plan.procedure(id).isEmpty())
                        .forEach(id -> findings.add(
                                ref + ": its gate waits for procedure '" + id + "', which does not exist"));
            case Condition.WithinLimits(LineRef line) -> {
                if (!(plan.lines().get(line) instanceof Line.Measure)) {
                    findings.add(ref + ": its gate waits for a measure '" + line + "', which does not exist");
                }
            }
            case Condition.LineDone(LineRef line) -> {
                if (!plan.lines().containsKey(line)) {
                    findings.add(ref + ": its gate waits for line '" + line + "', which does not exist");
                }
            }
        }
    }

    /** Completes what can be completed until nothing more can; what is left waits for itself. */
    private void everyGateCanOpen() {
        Set<LineRef> done = new HashSet<>();
        Set<String> clocks = new HashSet<>();
        boolean moved = true;
        while (moved) {
            moved = false;
            for (var entry : plan.lines().entrySet()) {
                if (!done.contains(entry.getKey()) && canBeDone(entry.getKey(), entry.getValue(), done, clocks)) {
                    done.add(entry.getKey());
                    clocks.addAll(entry.getValue().head().starts());
                    moved = true;
                }
            }
        }
        plan.lines().keySet().stream()
                .filter(ref -> !done.contains(ref))
                .forEach(ref -> findings.add(ref + ": its gate waits for itself and can never open"));
    }

    private boolean canBeDone(LineRef ref, Line line, Set<LineRef> done, Set<String> clocks) {
        LineRef before = plan.gateBefore(ref);
        return (before == null || done.contains(before))
                && line.head().gate().stream().allMatch(condition -> switch (condition) {
                    case Condition.ClockElapsed(String clock) -> clocks.contains(clock);
                    case Condition.ProceduresDone(List<String> procedures) ->
                        procedures.stream()
                                .flatMap(id -> plan.procedure(id).stream())
                                .allMatch(p -> p.lines().stream().allMatch(l -> done.contains(p.ref(l))));
                    case Condition.WithinLimits(LineRef measured) -> done.contains(measured);
                    case Condition.LineDone(LineRef other) -> done.contains(other);
                });
    }
}
