package org.skelda.core.line;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsOfLines;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Start;
import org.skelda.core.need.Need;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;

/** What a line waits for. */
final class Gates {
    private final Progress progress;
    private final Plan plan;
    private final Lines lines;
    private final Needs needs;

    Gates(Progress progress, Needs needs) {
        this.progress = progress;
        this.plan = progress.plan();
        this.lines = progress.lines();
        this.needs = needs;
    }

    /** What a line waits for. @param ref a line of the plan; @param at the time asked about */
    GateState gate(LineRef ref, Instant at) {
        LineRef first = null;
        for (LineRef before : plan.before(ref)) {
            if (!needs.settled(before)) {
                first = before;
                break;
            }
        }
        return gate(ref, first, at);
    }

    /** The same. @param first the line before it that comes first by order; null when none does */
    GateState gate(LineRef ref, @Nullable LineRef first, Instant at) {
        Line line = needs.known(ref);
        List<GateState.Wait> waits = new ArrayList<>();
        String guards = null;
        LineRef before = plan.gateBefore(ref);
        if (before != null && !needs.settled(before)) {
            waits.add(new GateState.Wait.ForLine(before));
            guards = needs.known(before).head().guards();
        }
        int own = waits.size();
        for (Condition condition : line.head().gate()) {
            addUnmet(ref, condition, at, waits);
        }
        if (line.kind() instanceof Start start && !progress.idling().contains(start.engine())) {
            waits.add(new GateState.Wait.ForIdle(start.engine()));
        }
        ApuOfLines apu = progress.apu();
        ApuTap tells = line.head().marks().apu();
        if (apu != null && tells != null && !(line.kind() instanceof Memory) && !waitsForApu(waits)) {
            add(apu.untold(tells, at), waits);
        }
        UnitsOfLines units = progress.units();
        UnitTap ofUnits = line.head().marks().inertial();
        if (units != null && ofUnits != null && waits.stream().noneMatch(GateState.Wait.ForUnits.class::isInstance)) {
            add(units.untold(ofUnits, at), waits);
        }
        if (line.head().marks().stationary() && progress.moves()) {
            waits.add(new GateState.Wait.ForStandstill());
        }
        if (needs.need(ref) instanceof Need.NotDecided(var names)) {
            names.forEach(name -> waits.add(unknown(name)));
        }
        for (String name : line.kind().awaits(needs)) {
            addUnknown(name, waits);
        }
        if (waits.size() > own && line.head().guards() != null) {
            guards = line.head().guards();
        }
        if (first != null && !first.equals(before)) {
            waits.add(new GateState.Wait.InOrder(first));
        }
        return new GateState(waits, guards);
    }

    private static boolean waitsForApu(List<GateState.Wait> waits) {
        return waits.stream().anyMatch(GateState.Wait.ForApu.class::isInstance);
    }

    private static void add(GateState.@Nullable Wait wait, List<GateState.Wait> waits) {
        if (wait != null) {
            waits.add(wait);
        }
    }

    /** What a state hangs on is waited for in its place. */
    private void addUnknown(String name, List<GateState.Wait> waits) {
        When state = plan.state(name);
        if (state != null && needs.holds(state) instanceof Need.NotDecided(var names)) {
            names.forEach(one -> addUnknown(one, waits));
        } else if (!needs.isLost(name)) {
            GateState.Wait wait = unknown(name);
            if (!waits.contains(wait)) {
                waits.add(wait);
            }
        }
    }

    /** An answer or a reading comes by its line; a fact of the day is told. */
    private GateState.Wait unknown(String name) {
        LineRef line = plan.choice(name) != null ? plan.choice(name) : plan.reading(name);
        return line == null ? new GateState.Wait.ForFact(name) : new GateState.Wait.ForLine(line);
    }

    private void addUnmet(LineRef ref, Condition condition, Instant at, List<GateState.Wait> waits) {
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
                        .filter(procedure -> !progress.settled(procedure))
                        .forEach(procedure -> waits.add(new GateState.Wait.ForProcedure(procedure.id())));
            case Condition.StrandsJoined() -> {
                List<String> open = plan.joining(ref).stream()
                        .filter(procedure -> !progress.settled(procedure))
                        .map(Procedure::id)
                        .toList();
                if (!open.isEmpty()) {
                    waits.add(new GateState.Wait.ForStrands(open));
                }
            }
            case Condition.WithinLimits(LineRef measured) -> {
                History.Of<Measure.Read> reading = lines.line(measured).reading();
                if (reading == null || !reading.work().withinLimits() || !needs.complete(measured)) {
                    waits.add(new GateState.Wait.ForReading(measured));
                }
            }
            case Condition.ApuAt(var goal) -> {
                if (progress.apu() != null) {
                    add(progress.apu().behind(goal, at), waits);
                }
            }
            case Condition.UnitsAt(var goal) -> {
                if (progress.units() != null) {
                    add(progress.units().behind(goal, at), waits);
                }
            }
            case Condition.LineDone(LineRef other) -> {
                if (!needs.settled(other)) {
                    waits.add(new GateState.Wait.ForLine(other));
                }
            }
        }
    }
}
