package org.skelda.core.line;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.TypeSheet;

/**
 * What is known under the names that conditions use, and what by it is needed and complete. Each thing is worked out
 * once: for one thread and one look at a state.
 */
final class Needs implements Known {
    private final Plan plan;
    private final Lines lines;
    private final Set<Integer> idling;
    private final @Nullable ApuOfLines apu;
    private final Known known;
    private final Readings readings;
    private final Map<LineRef, Need> needs = new HashMap<>();
    private final Map<When, Need> holding = new HashMap<>();
    private final Map<String, Optional<Value>> values = new HashMap<>();
    private final Map<String, Optional<Value>> told = new HashMap<>();
    private final Map<LineRef, Boolean> complete = new HashMap<>();
    private @Nullable PowerNow toldPower;

    /** What is asked of it is answered as {@link Progress} tells. */
    Needs(Plan plan, Lines lines, Set<Integer> idling, @Nullable ApuOfLines apu, Known known, Readings readings) {
        this.plan = plan;
        this.lines = lines;
        this.idling = idling;
        this.apu = apu;
        this.known = known;
        this.readings = readings;
    }

    /**
     * Whether a line is needed. The one place that tells. What can no longer become known, because the line that would
     * tell was passed over or is not needed itself, leaves it needed.
     */
    Need need(LineRef ref) {
        return once(needs, ref, this::decide);
    }

    private Need decide(LineRef ref) {
        Need need = Need.NEEDED;
        for (When when : plan.conditions(ref)) {
            need = need.and(holds(when));
        }
        return need instanceof Need.NotDecided(var names) && names.stream().allMatch(this::isLost) ? Need.NEEDED : need;
    }

    /** What is found once; finding one thing may ask for others, which a map's own computing does not bear. */
    private static <K, V> V once(Map<K, V> found, K key, Function<K, V> find) {
        V before = found.get(key);
        if (before != null) {
            return before;
        }
        V now = find.apply(key);
        found.put(key, now);
        return now;
    }

    /** Whether a condition holds; many lines have the same. */
    @Override
    public Need holds(When when) {
        return once(holding, when, asked -> asked.need(this));
    }

    /** Whether nobody will read what a name stands for. */
    boolean isLost(String name) {
        LineRef measured = plan.reading(name);
        return measured != null && settled(measured);
    }

    /** What is known under a name: a reading, an answer, the tail's, or the day's. */
    @Override
    public Optional<Value> value(String name) {
        return once(values, name, this::find);
    }

    private Optional<Value> find(String name) {
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
    Optional<Double> reading(String measure) {
        MeasureSpec spec = plan.type().measures().get(measure);
        return plan.measuring(spec).stream()
                .flatMap(ref -> Optional.ofNullable(lines.line(ref).reading()).stream())
                .map(read -> read.work().value())
                .findFirst();
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
        return once(told, name, this::tell);
    }

    private Optional<Value> tell(String name) {
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
            return Optional.ofNullable(toldPower())
                    .map(now -> now.isPowered(bus))
                    .map(Value.YesNo::new);
        }
        When state = plan.state(name);
        return state == null
                ? Optional.empty()
                : switch (holds(state)) {
                    case Need.Needed _ -> Optional.of(new Value.YesNo(true));
                    case Need.NotNeeded _ -> Optional.of(new Value.YesNo(false));
                    case Need.NotDecided _ -> Optional.empty();
                };
    }

    /**
     * What was told of a state of the aircraft, whatever its instruments show; null when nothing was. @param id its own
     */
    @Nullable
    Boolean toldOfState(String id) {
        return told(Names.state(id)).orElse(null) instanceof Value.YesNo(boolean is) ? (Boolean) is : null;
    }

    private @Nullable PowerNow toldPower() {
        if (toldPower == null) {
            toldPower = power(apu == null ? null : apu.history().apu());
        }
        return toldPower;
    }

    /** How the power stands; null when the type tells nothing of it. @param running the APU, as it is then */
    @Nullable
    PowerNow power(@Nullable Apu running) {
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
    Optional<Value> choice(LineRef decision) {
        Optional<Value> chosen = lines.line(decision)
                .history()
                .last(Choice.Chosen.class)
                .map(one -> new Value.Word(one.work().branch()));
        return chosen.isEmpty() && settled(decision) ? Optional.of(Names.NO_ANSWER) : chosen;
    }

    /** Whether nothing more is to be done about a line: it is complete, or not needed. */
    boolean settled(LineRef ref) {
        return complete(ref) || need(ref) instanceof Need.NotNeeded;
    }

    /** Whether a line needs nothing more. @throws IllegalArgumentException when the plan has no such line */
    boolean complete(LineRef ref) {
        return once(complete, ref, one -> lines.line(one).completes(known(one)));
    }

    /** The line itself. @throws IllegalArgumentException when the plan has no such line */
    Line known(LineRef ref) {
        Line line = plan.lines().get(ref);
        if (line == null) {
            throw new IllegalArgumentException("no line " + ref);
        }
        return line;
    }
}
