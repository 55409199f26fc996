package org.skelda.core.line;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsOfLines;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Start;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;

/**
 * A plan and what was worked of it: what is complete, what is open, what a line waits for, what is not needed today.
 *
 * @param idling engines that came to idle in their newest start
 * @param apu the APU as lines know it; null when the type has none
 * @param units the inertial units as lines know them; null when the type has none
 * @param known what is known of the day
 * @param readings of the feed, for lines that ask for them
 */
public record Progress(
        Plan plan,
        Lines lines,
        Set<Integer> idling,
        @Nullable ApuOfLines apu,
        @Nullable UnitsOfLines units,
        Known known,
        Readings readings) {
    private static final Value NO_ANSWER = new Value.Word("");

    /** The same, were this known. */
    public Progress knowing(Known other) {
        return new Progress(plan, lines, idling, apu, units, other, readings);
    }

    /**
     * Whether a line is needed. The one place that tells. What can no longer become known, because the line that would
     * tell was passed over or is not needed itself, leaves it needed.
     */
    public Need need(LineRef ref) {
        Need need = Need.NEEDED;
        for (When when : plan.conditions(ref)) {
            need = need.and(when.need(this::value));
        }
        return need instanceof Need.NotDecided(var names) && names.stream().allMatch(this::isLost) ? Need.NEEDED : need;
    }

    /** Whether nobody will read what a name stands for. */
    private boolean isLost(String name) {
        LineRef measured = plan.reading(name);
        return measured != null && settled(measured);
    }

    /** What is known under a name: a reading, an answer, the tail's, or the day's. */
    public Optional<Value> value(String name) {
        LineRef measured = plan.reading(name);
        if (measured != null) {
            return Optional.ofNullable(lines.line(measured).reading())
                    .map(reading -> new Value.Number(reading.work().value()));
        }
        LineRef decision = plan.choice(name);
        if (decision != null) {
            return choice(decision);
        }
        Optional<Value> state = state(name);
        if (state.isPresent()) {
            return state;
        }
        TypeSheet.Modification modification = plan.type().fitted().get(name);
        return modification != null ? Optional.of(new Value.YesNo(modification.fitted())) : known.value(name);
    }

    /**
     * What was read of a measure of the type, on whichever line reads it; empty when nobody has. @param measure its id
     */
    public Optional<Double> reading(String measure) {
        MeasureSpec spec = plan.type().measures().get(measure);
        return plan.lines().entrySet().stream()
                .filter(entry -> entry.getValue().kind() instanceof Measure read
                        && read.spec().equals(spec))
                .flatMap(entry -> Optional.ofNullable(lines.line(entry.getKey()).reading()).stream())
                .map(read -> read.work().value())
                .findFirst();
    }

    /** What a feed has shown of a charge current since its clock was started, oldest first. */
    public List<ChargeCurve.Point> charge(MeasureSpec spec) {
        return spec.charge() == null
                ? List.of()
                : readings.charge(spec, lines.clocks().get(spec.charge().after()));
    }

    /** What is known of the aircraft's state: what its instruments show, and what was told where they show nothing. */
    private Optional<Value> state(String name) {
        Network network = plan.type().electrics();
        String id = network == null ? null : Names.stateOf(name);
        Boolean shown = network == null || id == null ? null : readings.power().state(network, id);
        return shown == null ? told(name) : Optional.of(new Value.YesNo(shown));
    }

    /** What was told of a state: by lines that are complete, engines that run, and what both tell. */
    private Optional<Value> told(String name) {
        LineRef done = plan.done(name);
        if (done != null) {
            return Optional.of(new Value.YesNo(complete(done)));
        }
        Integer engine = plan.running(name);
        if (engine != null) {
            return Optional.of(new Value.YesNo(idling.contains(engine)));
        }
        String bus = plan.bus(name);
        if (bus != null) {
            return Optional.ofNullable(power(apu == null ? null : apu.history().apu()))
                    .map(now -> now.isPowered(bus))
                    .map(Value.YesNo::new);
        }
        When state = plan.state(name);
        return state == null
                ? Optional.empty()
                : switch (state.need(this::value)) {
                    case Need.Needed _ -> Optional.of(new Value.YesNo(true));
                    case Need.NotNeeded _ -> Optional.of(new Value.YesNo(false));
                    case Need.NotDecided _ -> Optional.empty();
                };
    }

    /**
     * What was told of a state of the aircraft, whatever its instruments show; null when nothing was. @param id its own
     */
    public @Nullable Boolean toldOfState(String id) {
        return told(Names.state(id)).orElse(null) instanceof Value.YesNo(boolean is) ? (Boolean) is : null;
    }

    /** How the power stands; null when the type tells nothing of it. @param running the APU, as it is then */
    public @Nullable PowerNow power(@Nullable Apu running) {
        Network network = plan.type().electrics();
        return network == null
                ? null
                : new PowerNow(
                        network,
                        this::toldOfState,
                        idling,
                        running == null
                                ? null
                                : new PowerNow.ApuPower(
                                        running.phase() == Apu.Phase.AVAILABLE || running.phase() == Apu.Phase.COOLING,
                                        running.run().generator()),
                        readings.power());
    }

    /** What was chosen; no answer at all once the question is passed over, or is not asked today. */
    private Optional<Value> choice(LineRef decision) {
        Optional<Value> chosen = lines.line(decision)
                .history()
                .last(Choice.Chosen.class)
                .map(one -> new Value.Word(one.work().branch()));
        return chosen.isEmpty() && settled(decision) ? Optional.of(NO_ANSWER) : chosen;
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

    /**
     * Whether a procedure must be worked to its end: an abnormal one only once somebody has begun it or a decision has
     * led to it, those after the flight once one of them is begun.
     */
    public boolean isNeeded(Procedure procedure) {
        return switch (procedure.occasion()) {
            case ALWAYS -> true;
            case ABNORMAL -> isBegun(procedure) || isSummoned(procedure);
            case ARRIVAL ->
                plan.procedures().stream()
                        .filter(other -> other.occasion() == Procedure.Occasion.ARRIVAL)
                        .anyMatch(this::isBegun);
        };
    }

    private boolean isBegun(Procedure procedure) {
        for (LineRef ref : plan.refs(procedure)) {
            if (lines.records().containsKey(ref)) {
                return true;
            }
        }
        return false;
    }

    private boolean isSummoned(Procedure procedure) {
        return plan.summons(procedure.id()).stream()
                .anyMatch(summons -> choice(summons.decision()).equals(Optional.of(new Value.Word(summons.branch()))));
    }

    /** The lines that are done and that a change of the day undoes, in working order. */
    public List<LineRef> undoneBy(Change change) {
        return plan.reopenedBy(change).stream()
                .filter(lines.records()::containsKey)
                .toList();
    }

    /** Whether the aircraft moves, as far as lines tell. */
    public boolean moves() {
        LineRef newest = null;
        Mark told = null;
        for (LineRef ref : plan.moving()) {
            Mark mark = lines.line(ref).answered();
            if (mark != null && (told == null || !mark.doneAt().isBefore(told.doneAt()))) {
                newest = ref;
                told = mark;
            }
        }
        return newest != null && known(newest).head().marks().motion() == Marks.Motion.BEGINS;
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
        LineRef first = null;
        for (LineRef before : plan.before(ref)) {
            if (!settled(before)) {
                first = before;
                break;
            }
        }
        return gate(ref, first, at);
    }

    /** The same. @param first the line before it that comes first by order; null when none does */
    GateState gate(LineRef ref, @Nullable LineRef first, Instant at) {
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
            addUnmet(ref, condition, at, waits);
        }
        if (line.kind() instanceof Start start && !idling.contains(start.engine())) {
            waits.add(new GateState.Wait.ForIdle(start.engine()));
        }
        ApuTap tells = line.head().marks().apu();
        if (apu != null && tells != null && !(line.kind() instanceof Memory) && !waitsForApu(waits)) {
            add(apu.untold(tells, at), waits);
        }
        UnitTap ofUnits = line.head().marks().inertial();
        if (units != null && ofUnits != null && waits.stream().noneMatch(GateState.Wait.ForUnits.class::isInstance)) {
            add(units.untold(ofUnits, at), waits);
        }
        if (line.head().marks().stationary() && moves()) {
            waits.add(new GateState.Wait.ForStandstill());
        }
        if (need(ref) instanceof Need.NotDecided(var names)) {
            names.forEach(name -> waits.add(unknown(name)));
        }
        for (String name : line.kind().awaits(this::value)) {
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
        if (state != null && state.need(this::value) instanceof Need.NotDecided(var names)) {
            names.forEach(one -> addUnknown(one, waits));
        } else if (!isLost(name)) {
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
                        .filter(procedure -> !settled(procedure))
                        .forEach(procedure -> waits.add(new GateState.Wait.ForProcedure(procedure.id())));
            case Condition.StrandsJoined() -> {
                List<String> open = plan.joining(ref).stream()
                        .filter(procedure -> !settled(procedure))
                        .map(Procedure::id)
                        .toList();
                if (!open.isEmpty()) {
                    waits.add(new GateState.Wait.ForStrands(open));
                }
            }
            case Condition.WithinLimits(LineRef measured) -> {
                History.Of<Measure.Read> reading = lines.line(measured).reading();
                if (reading == null || !reading.work().withinLimits() || !complete(measured)) {
                    waits.add(new GateState.Wait.ForReading(measured));
                }
            }
            case Condition.ApuAt(var goal) -> {
                if (apu != null) {
                    add(apu.behind(goal, at), waits);
                }
            }
            case Condition.UnitsAt(var goal) -> {
                if (units != null) {
                    add(units.behind(goal, at), waits);
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
