package org.skelda.core.procedure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Gate;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Start;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;

/**
 * The procedures of one operator for one tail, in working order, joined with the type's sheet and checked against it.
 */
public final class Plan {
    private final TypeSheet type;
    private final List<Procedure> procedures;
    private final Map<LineRef, Line> lines = new LinkedHashMap<>();
    private final Map<String, Procedure> byId = new LinkedHashMap<>();
    // Asked for of every line at every view.
    private final Map<String, List<LineRef>> refs = new HashMap<>();
    private final Map<LineRef, LineRef> gatesBefore = new HashMap<>();
    private final Map<LineRef, List<When>> conditions = new LinkedHashMap<>();
    // Made when it is asked for: until then no condition has to be understood.
    private volatile @Nullable Map<String, List<LineRef>> asking;
    /** The same. */
    private final Map<LineRef, List<String>> hangsOn = new ConcurrentHashMap<>();
    /** By what the options say; an operator sets few. */
    private final Map<Map<String, Value>, Map<String, Integer>> deciding = new ConcurrentHashMap<>();

    private final Map<String, LineRef> readings = new HashMap<>();
    private final Map<MeasureSpec, List<LineRef>> measuring = new HashMap<>();
    private final Map<String, LineRef> choices = new HashMap<>();
    private final Map<String, List<Summons>> summons = new HashMap<>();
    private final Set<String> testing = new HashSet<>();
    private final Set<String> lights;
    private final List<LineRef> moving = new ArrayList<>();
    private final Map<String, List<LineRef>> starting = new HashMap<>();
    private final Set<Integer> engines = new LinkedHashSet<>();

    private final Map<String, Option> options = new LinkedHashMap<>();
    private final Map<String, Option> optionNames = new HashMap<>();
    private final Map<String, When> states = new HashMap<>();
    private final Map<String, String> buses = new HashMap<>();
    private final Map<String, LineRef> done = new HashMap<>();
    private final Map<String, Integer> running = new HashMap<>();

    private Plan(TypeSheet type, List<Option> options, Map<String, When> states, List<Procedure> procedures) {
        this.type = type;
        states.forEach((id, when) -> this.states.put(Names.state(id), when));
        if (type.electrics() != null) {
            type.electrics().buses().forEach(bus -> buses.put(Names.state(bus.id()), bus.id()));
        }
        this.lights = IndicationTest.lookedAt(type.tests().values());
        for (Option option : options) {
            this.options.put(option.id(), option);
            optionNames.put(Names.option(option.id()), option);
        }
        this.procedures = List.copyOf(procedures);
        for (Procedure procedure : procedures) {
            byId.put(procedure.id(), procedure);
            place(procedure);
        }
    }

    private void place(Procedure procedure) {
        refs.put(procedure.id(), procedure.lines().stream().map(procedure::ref).toList());
        LineRef gate = null;
        for (Line line : procedure.lines()) {
            LineRef ref = procedure.ref(line);
            lines.put(ref, line);
            done.put(Names.done(ref), ref);
            if (gate != null) {
                gatesBefore.put(ref, gate);
            }
            line.head()
                    .starts()
                    .forEach(clock -> starting.computeIfAbsent(clock, _ -> new ArrayList<>())
                            .add(ref));
            place(ref, procedure, line);
            if (line.kind() instanceof Gate) {
                gate = ref;
            }
            if (line.kind() instanceof Start start) {
                engines.add(start.engine());
                running.put(Names.running(start.engine()), start.engine());
            }
            if (line.head().marks().motion() != null) {
                moving.add(ref);
            }
        }
    }

    private void place(LineRef ref, Procedure procedure, Line line) {
        List<When> needed = new ArrayList<>(line.head().when());
        if (procedure.when() != null) {
            needed.addFirst(procedure.when());
        }
        if (!needed.isEmpty()) {
            conditions.put(ref, needed);
        }
        if (line.kind() instanceof Measure measure) {
            readings.put(Names.reading(ref), ref);
            measuring.computeIfAbsent(measure.spec(), _ -> new ArrayList<>()).add(ref);
        }
        if (line.kind() instanceof Indications) {
            testing.add(procedure.id());
        }
        if (line.kind() instanceof Choice choice) {
            choices.put(Names.choice(ref), ref);
            choice.branches().stream()
                    .filter(branch -> branch.list() != null)
                    .forEach(branch -> summons.computeIfAbsent(branch.list(), _ -> new ArrayList<>())
                            .add(new Summons(ref, branch.id())));
        }
    }

    /**
     * @param type the type's sheet with the tail's modifications
     * @param options of the operator
     * @param states how the aircraft's states are told, by the type's ids
     * @param procedures in working order
     * @throws InvalidPlan when they contradict each other, with everything that is wrong
     */
    public static Plan of(TypeSheet type, List<Option> options, Map<String, When> states, List<Procedure> procedures) {
        Plan plan = new Plan(type, options, states, procedures);
        refuse(PlanChecks.findings(plan));
        return plan;
    }

    /** The same without states. */
    public static Plan of(TypeSheet type, List<Option> options, List<Procedure> procedures) {
        return of(type, options, Map.of(), procedures);
    }

    /** The same without options. */
    public static Plan of(TypeSheet type, List<Procedure> procedures) {
        return of(type, List.of(), procedures);
    }

    /**
     * Looks closely as well at what its conditions ask for.
     *
     * @param day names of the day that are yes or no
     * @throws InvalidPlan with everything that is wrong
     */
    public Plan examined(Set<String> day) {
        refuse(PlanChecks.closeFindings(this, day));
        return this;
    }

    private static void refuse(List<String> wrong) {
        if (!wrong.isEmpty()) {
            throw new InvalidPlan(wrong);
        }
    }

    /** What the operator decides once for all, by id. */
    public Map<String, Option> options() {
        return options;
    }

    public TypeSheet type() {
        return type;
    }

    public List<Procedure> procedures() {
        return procedures;
    }

    public Map<LineRef, Line> lines() {
        return lines;
    }

    /** Every engine that the plan starts, in the order of their first starts. */
    public Set<Integer> engines() {
        return engines;
    }

    /** How the crew calls an engine: by its number where the plan starts more than one. */
    public String engine(int number) {
        return engines.size() > 1 ? "Engine " + number : "Engine";
    }

    public Optional<Line> line(LineRef ref) {
        return Optional.ofNullable(lines.get(ref));
    }

    public Optional<Procedure> procedure(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    private Procedure known(LineRef ref) {
        return Objects.requireNonNull(byId.get(ref.procedure()), ref.procedure());
    }

    /** All of what must hold for a line to be needed; empty when it always is. */
    public List<When> conditions(LineRef ref) {
        return conditions.getOrDefault(ref, List.of());
    }

    /** Every name that the need of a line may ask for, in order; empty when it is always needed. */
    public List<String> hangsOn(LineRef ref) {
        List<String> known = hangsOn.get(ref);
        if (known == null) {
            known = conditions(ref).stream()
                    .flatMap(when -> when.names().stream())
                    .distinct()
                    .sorted()
                    .toList();
            hangsOn.put(ref, known);
        }
        return known;
    }

    /** The lines whose need depends on a name, in working order. */
    public List<LineRef> asking(String name) {
        Map<String, List<LineRef>> made = asking;
        if (made == null) {
            made = new HashMap<>();
            for (Map.Entry<LineRef, List<When>> entry : conditions.entrySet()) {
                for (When when : entry.getValue()) {
                    for (String asked : when.names()) {
                        List<LineRef> refs = made.computeIfAbsent(asked, _ -> new ArrayList<>());
                        if (!refs.contains(entry.getKey())) {
                            refs.add(entry.getKey());
                        }
                    }
                }
            }
            asking = made;
        }
        return made.getOrDefault(name, List.of());
    }

    /**
     * How many lines a name can still decide, as the operator's schools and the tail are.
     *
     * @param schools what each option says, by its name in conditions
     */
    public int decides(String name, Map<String, Value> schools) {
        return deciding.computeIfAbsent(Map.copyOf(schools), this::countDeciding)
                .getOrDefault(name, 0);
    }

    private Map<String, Integer> countDeciding(Map<String, Value> schools) {
        Known known = name -> {
            TypeSheet.Modification modification = type.fitted().get(name);
            return modification != null
                    ? Optional.of(new Value.YesNo(modification.fitted()))
                    : Optional.ofNullable(schools.get(name));
        };
        Map<String, Integer> counted = new HashMap<>();
        for (List<When> whens : conditions.values()) {
            Need need = Need.NEEDED;
            for (When when : whens) {
                need = need.and(when.need(known));
            }
            if (need instanceof Need.NotDecided(var names)) {
                names.forEach(name -> counted.merge(name, 1, Integer::sum));
            }
        }
        return Map.copyOf(counted);
    }

    /** Every condition, with the line that it decides. */
    public Map<LineRef, List<When>> conditions() {
        return conditions;
    }

    /** The measured line that a name in a condition stands for; null when it stands for something else. */
    public @Nullable LineRef reading(String name) {
        return readings.get(name);
    }

    /** The lines that read a measure, in working order. */
    public List<LineRef> measuring(@Nullable MeasureSpec spec) {
        return spec == null ? List.of() : measuring.getOrDefault(spec, List.of());
    }

    /** The decision that a name in a condition stands for; null when it stands for something else. */
    public @Nullable LineRef choice(String name) {
        return choices.get(name);
    }

    /** The bus whose power a name stands for; null when it stands for something else, or is told by the procedures. */
    public @Nullable String bus(String name) {
        return states.containsKey(name) ? null : buses.get(name);
    }

    /** What tells the state that a name stands for; null when it stands for something else. */
    public @Nullable When state(String name) {
        return states.get(name);
    }

    /** The line whose being complete a name stands for; null when it stands for something else. */
    public @Nullable LineRef done(String name) {
        return done.get(name);
    }

    /** The engine whose running a name stands for; null when it stands for something else. */
    public @Nullable Integer running(String name) {
        return running.get(name);
    }

    /** An answer of a decision that leads to a list. */
    public record Summons(LineRef decision, String branch) {}

    /** The answers that lead to a list. */
    public List<Summons> summons(String procedure) {
        return summons.getOrDefault(procedure, List.of());
    }

    /** The lines that tell that the aircraft moves, or stands again. */
    public List<LineRef> moving() {
        return moving;
    }

    /** The lines before one that come first, where its procedure is worked in order; else none. */
    public List<LineRef> before(LineRef ref) {
        Procedure procedure = known(ref);
        List<LineRef> all = refs(procedure);
        return procedure.inOrder() ? all.subList(0, all.indexOf(ref)) : List.of();
    }

    /** The procedures of every departure that stand before a line's own, on each strand. */
    public List<Procedure> joining(LineRef ref) {
        return procedures.subList(0, procedures.indexOf(known(ref))).stream()
                .filter(procedure -> procedure.occasion() == Procedure.Occasion.ALWAYS)
                .toList();
    }

    /** The lines that a change of the day undoes, in working order. */
    public List<LineRef> reopenedBy(Change change) {
        return lines.entrySet().stream()
                .filter(entry -> entry.getValue().head().marks().reopenOn().contains(change))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The option that a name in a condition stands for; null when it stands for something else. */
    public @Nullable Option option(String name) {
        return optionNames.get(name);
    }

    /**
     * What conditions know of the operator's options.
     *
     * @param set the school of each, by the option's id; one that is missing stands as its document sets it
     */
    public Map<String, Value> schools(Map<String, String> set) {
        Map<String, Value> schools = new HashMap<>();
        options.forEach((id, option) -> schools.put(
                Names.option(id),
                option.school(set.getOrDefault(id, option.set()))
                        .orElseGet(option::ofDocument)
                        .value()));
        return schools;
    }

    /** The lines of one of its procedures, in working order. */
    public List<LineRef> refs(Procedure procedure) {
        return Objects.requireNonNull(refs.get(procedure.id()), procedure.id());
    }

    /**
     * The gate line that stands before this one in its procedure and holds it back, the nearest; null when none does.
     */
    public @Nullable LineRef gateBefore(LineRef ref) {
        return gatesBefore.get(ref);
    }

    /** Whether some line of a procedure looks at what the aircraft's lights show; no other line asks for them. */
    public boolean looksAtLights(Procedure procedure) {
        return testing.contains(procedure.id());
    }

    /** Every indication that some test of the type looks at, by its id. */
    public Set<String> lights() {
        return lights;
    }

    /** The lines that start a clock when they are done. */
    public List<LineRef> starting(String clock) {
        return starting.getOrDefault(clock, List.of());
    }

    /** The lines that stand behind a gate line in its procedure. */
    public List<LineRef> behind(LineRef gate) {
        List<LineRef> behind = new ArrayList<>();
        boolean past = false;
        for (Line line : known(gate).lines()) {
            if (past) {
                behind.add(new LineRef(gate.procedure(), line.id()));
            }
            past = past || line.id().equals(gate.line());
        }
        return behind;
    }

    /** A plan that contradicts itself. Holds one sentence for each thing that is wrong. */
    public static final class InvalidPlan extends RuntimeException {
        private final List<String> findings;

        public InvalidPlan(List<String> findings) {
            super(String.join("; ", findings));
            this.findings = List.copyOf(findings);
        }

        public List<String> findings() {
            return findings;
        }
    }
}
