package org.skelda.core.line;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;

/**
 * A plan and what was worked of it: what is complete, what is open, what a line waits for.
 *
 * @param idling engines that came to idle in their newest start
 */
public record Progress(Plan plan, Lines lines, Set<Integer> idling) {

    /** Whether a line needs nothing more. @throws IllegalArgumentException when the plan has no such line */
    public boolean complete(LineRef ref) {
        return lines.line(ref).completes(known(ref));
    }

    private Line known(LineRef ref) {
        Line line = plan.lines().get(ref);
        if (line == null) {
            throw new IllegalArgumentException("no line " + ref);
        }
        return line;
    }

    public boolean complete(Procedure procedure) {
        for (LineRef ref : plan.refs(procedure)) {
            if (!complete(ref)) {
                return false;
            }
        }
        return true;
    }

    /** Whether a procedure must be worked to its end: an abnormal one only once somebody has begun it. */
    public boolean isNeeded(Procedure procedure) {
        return !procedure.abnormal() || plan.refs(procedure).stream().anyMatch(lines.records()::containsKey);
    }

    public List<LineRef> open() {
        return plan.procedures().stream()
                .filter(this::isNeeded)
                .flatMap(procedure -> plan.refs(procedure).stream())
                .filter(ref -> !complete(ref))
                .toList();
    }

    /** Whether a line with which the aircraft leaves its stand is complete. */
    public boolean hasLeft() {
        return lines.records().entrySet().stream()
                .anyMatch(record -> plan.line(record.getKey())
                        .filter(line ->
                                line.head().marksOffBlock() && record.getValue().completes(line))
                        .isPresent());
    }

    /** What a line waits for. @param ref a line of the plan; @param at the time asked about */
    public GateState gate(LineRef ref, Instant at) {
        Line line = known(ref);
        List<GateState.Wait> waits = new ArrayList<>();
        String guards = null;
        LineRef before = plan.gateBefore(ref);
        if (before != null && !complete(before)) {
            waits.add(new GateState.Wait.ForLine(before));
            guards = known(before).head().guards();
        }
        int own = waits.size();
        for (Condition condition : line.head().gate()) {
            addUnmet(condition, at, waits);
        }
        if (line instanceof Line.Start start && !idling.contains(start.engine())) {
            waits.add(new GateState.Wait.ForIdle(start.engine()));
        }
        if (waits.size() > own && line.head().guards() != null) {
            guards = line.head().guards();
        }
        return new GateState(waits, guards);
    }

    private void addUnmet(Condition condition, Instant at, List<GateState.Wait> waits) {
        switch (condition) {
            case Condition.ClockElapsed(String clock) -> {
                RunningClock running = lines.clocks().get(clock);
                if (running == null) {
                    waits.add(new GateState.Wait.ForClockStart(clock));
                } else if (!running.elapsedAt(at)) {
                    waits.add(new GateState.Wait.ForClock(clock, running.opensAt()));
                }
            }
            case Condition.ProceduresDone(List<String> procedures) ->
                procedures.stream()
                        .flatMap(id -> plan.procedure(id).stream())
                        .filter(procedure -> !complete(procedure))
                        .forEach(procedure -> waits.add(new GateState.Wait.ForProcedure(procedure.id())));
            case Condition.WithinLimits(LineRef measured) -> {
                LineRecord.Reading reading = lines.line(measured).reading();
                if (reading == null || !reading.withinLimits()) {
                    waits.add(new GateState.Wait.ForReading(measured));
                }
            }
            case Condition.LineDone(LineRef other) -> {
                if (!complete(other)) {
                    waits.add(new GateState.Wait.ForLine(other));
                }
            }
        }
    }
}
