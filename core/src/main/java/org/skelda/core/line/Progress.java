package org.skelda.core.line;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsOfLines;
import org.skelda.core.apu.Apu;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;

/**
 * A plan and what was worked of it: what is complete, what is open, what a line waits for, what is not needed today.
 * Made for one thread and one look at a state.
 */
public final class Progress implements Known {
    private final Plan plan;
    private final Lines lines;
    private final Set<Integer> idling;
    private final @Nullable ApuOfLines apu;
    private final @Nullable UnitsOfLines units;
    private final Known known;
    private final Readings readings;
    private final Needs needs;
    private final Gates gates;

    /**
     * @param idling engines that came to idle in their newest start
     * @param apu the APU as lines know it; null when the type has none
     * @param units the inertial units as lines know them; null when the type has none
     * @param known what is known of the day
     * @param readings of the feed, for lines that ask for them
     */
    public Progress(
            Plan plan,
            Lines lines,
            Set<Integer> idling,
            @Nullable ApuOfLines apu,
            @Nullable UnitsOfLines units,
            Known known,
            Readings readings) {
        this.plan = plan;
        this.lines = lines;
        this.idling = idling;
        this.apu = apu;
        this.units = units;
        this.known = known;
        this.readings = readings;
        this.needs = new Needs(plan, lines, idling, apu, known, readings);
        this.gates = new Gates(this, needs);
    }

    public Plan plan() {
        return plan;
    }

    public Lines lines() {
        return lines;
    }

    public Set<Integer> idling() {
        return idling;
    }

    public @Nullable ApuOfLines apu() {
        return apu;
    }

    public @Nullable UnitsOfLines units() {
        return units;
    }

    public Known known() {
        return known;
    }

    public Readings readings() {
        return readings;
    }

    /** The same, were this known. */
    public Progress knowing(Known other) {
        return new Progress(plan, lines, idling, apu, units, other, readings);
    }

    /**
     * Whether a line is needed. What can no longer become known, because the line that would tell was passed over or is
     * not needed itself, leaves it needed.
     */
    public Need need(LineRef ref) {
        return needs.need(ref);
    }

    /** What is known under a name: a reading, an answer, the tail's, or the day's. */
    @Override
    public Optional<Value> value(String name) {
        return needs.value(name);
    }

    @Override
    public Need holds(When when) {
        return needs.holds(when);
    }

    /**
     * What was read of a measure of the type, on whichever line reads it; empty when nobody has. @param measure its id
     */
    public Optional<Double> reading(String measure) {
        return needs.reading(measure);
    }

    /**
     * What was told of a state of the aircraft, whatever its instruments show; null when nothing was. @param id its own
     */
    public @Nullable Boolean toldOfState(String id) {
        return needs.toldOfState(id);
    }

    /** How the power stands; null when the type tells nothing of it. @param running the APU, as it is then */
    public @Nullable PowerNow power(@Nullable Apu running) {
        return needs.power(running);
    }

    /** Whether nothing more is to be done about a line: it is complete, or not needed. */
    public boolean settled(LineRef ref) {
        return needs.settled(ref);
    }

    /** Whether a line needs nothing more. @throws IllegalArgumentException when the plan has no such line */
    public boolean complete(LineRef ref) {
        return needs.complete(ref);
    }

    /** What a feed has shown of a charge current since its clock was started, oldest first. */
    public List<ChargeCurve.Point> charge(MeasureSpec spec) {
        return spec.charge() == null
                ? List.of()
                : readings.charge(spec, lines.clocks().get(spec.charge().after()));
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
                .anyMatch(summons ->
                        needs.choice(summons.decision()).equals(Optional.of(new Value.Word(summons.branch()))));
    }

    /** The lines that are done and that a change of the day undoes, in working order. */
    public List<LineRef> undoneBy(Change change) {
        return plan.reopenedBy(change).stream()
                .filter(lines.records()::containsKey)
                .toList();
    }

    /** Whether the aircraft moves, as far as lines tell: the last of them that is answered counts, in working order. */
    public boolean moves() {
        LineRef last = null;
        for (LineRef ref : plan.moving()) {
            if (lines.line(ref).answered() != null) {
                last = ref;
            }
        }
        return last != null && needs.known(last).head().marks().motion() == Marks.Motion.BEGINS;
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
        return gates.gate(ref, at);
    }

    /** The same. @param first the line before it that comes first by order; null when none does */
    GateState gate(LineRef ref, @Nullable LineRef first, Instant at) {
        return gates.gate(ref, first, at);
    }
}
