package org.skelda.core.line;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;

/**
 * A plan and what was worked of it: what is complete, what is open, what a line waits for, what is not needed today.
 *
 * @param idling engines that came to idle in their newest start
 * @param known what is known of the day
 */
public record Progress(Plan plan, Lines lines, Set<Integer> idling, Known known) {

    /** The same, were this known. */
    public Progress knowing(Known other) {
        return new Progress(plan, lines, idling, other);
    }

    /** Whether a line is needed. The one place that tells. */
    public Need need(LineRef ref) {
        Need need = Need.NEEDED;
        for (When when : plan.conditions(ref)) {
            need = need.and(when.need(this::value));
        }
        return need;
    }

    /** What is known under a name: a reading, the tail's, or the day's. */
    public Optional<Value> value(String name) {
        LineRef measured = plan.reading(name);
        if (measured != null) {
            return Optional.ofNullable(lines.line(measured).reading())
                    .map(reading -> new Value.Number(reading.value()));
        }
        Boolean fitted = plan.type().fitted().get(name);
        return fitted != null ? Optional.of(new Value.YesNo(fitted)) : known.value(name);
    }

    /** Whether nothing more is to be done about a line: it is complete, or not needed. */
    public boolean settled(LineRef ref) {
        return complete(ref) || need(ref) instanceof Need.NotNeeded;
    }

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

    /** Whether nothing more is to be done about any of its lines. */
    public boolean settled(Procedure procedure) {
        for (LineRef ref : plan.refs(procedure)) {
            if (!settled(ref)) {
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
                .filter(ref -> !settled(ref))
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
        if (before != null && !settled(before)) {
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
        if (need(ref) instanceof Need.NotDecided(var names)) {
            names.forEach(name -> waits.add(new GateState.Wait.ForFact(name)));
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
                        .filter(procedure -> !settled(procedure))
                        .forEach(procedure -> waits.add(new GateState.Wait.ForProcedure(procedure.id())));
            case Condition.WithinLimits(LineRef measured) -> {
                LineRecord.Reading reading = lines.line(measured).reading();
                if (reading == null || !reading.withinLimits()) {
                    waits.add(new GateState.Wait.ForReading(measured));
                }
            }
            case Condition.LineDone(LineRef other) -> {
                if (!settled(other)) {
                    waits.add(new GateState.Wait.ForLine(other));
                }
            }
        }
    }
}
