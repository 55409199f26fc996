package org.skelda.core.procedure;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.crew.Seat;
import org.skelda.core.electrics.Gauge;
import org.skelda.core.electrics.Network;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Start;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.need.WordIs;

/** Finds what is wrong in a plan: names that lead nowhere, ids used twice, gates that can never open. */
final class PlanChecks {
    /** What a line can tell of all inertial units at once. */
    private static final Set<UnitTap> OF_LINES =
            EnumSet.of(UnitTap.ON, UnitTap.POSITION, UnitTap.NAVIGATION, UnitTap.QUICK, UnitTap.OFF);

    private final Plan plan;
    private final List<String> findings = new ArrayList<>();

    private final boolean closely;
    private final Set<String> day;

    private PlanChecks(Plan plan, boolean closely, Set<String> day) {
        this.plan = plan;
        this.closely = closely;
        this.day = day;
    }

    /**
     * What a pack from outside is refused for beside that, and one that was taken long ago is not: care that it lacks,
     * and lines that nobody can reach with all that the conditions ask for.
     *
     * @param day names of the day that are yes or no
     */
    static List<String> closeFindings(Plan plan, Set<String> day) {
        PlanChecks checks = new PlanChecks(plan, true, day);
        for (Procedure procedure : plan.procedures()) {
            checks.seatExists(procedure);
            procedure.lines().forEach(line -> {
                checks.care(procedure, procedure.ref(line), line);
                checks.statesAreTold(procedure.ref(line), line);
            });
        }
        checks.statesOfTheTypeAreTold();
        checks.everyGateCanOpen();
        return checks.findings;
    }

    static List<String> findings(Plan plan) {
        PlanChecks checks = new PlanChecks(plan, false, Set.of());
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
            kindLeadsSomewhere(ref, line);
            if (line.kind() instanceof Measure measure) {
                measure.bounds().stream()
                        .flatMap(bound -> Optional.ofNullable(bound.from()).stream())
                        .filter(name -> plan.lines().keySet().stream()
                                .noneMatch(read ->
                                        isMeasure(read) && Names.reading(read).equals(name)))
                        .forEach(name -> findings.add(
                                ref + ": its limit counts from " + name + ", which no measured line reads"));
            }
            apuExists(ref, line);
            unitsExist(ref, line);
            if (line.kind() instanceof Start start) {
                start.today().lines().stream()
                        .filter(read -> !(isMeasure(read)))
                        .forEach(read -> findings.add(
                                ref + ": it expects its start by a measure '" + read + "', which does not exist"));
            }
        }
    }

    private boolean isMeasure(LineRef ref) {
        Line line = plan.lines().get(ref);
        return line != null && line.kind() instanceof Measure;
    }

    /** What begins something dangerous has its caution before it; what cannot be undone is agreed on. */
    private void care(Procedure procedure, LineRef ref, Line line) {
        Control control = line.head().marks().control();
        if (control != null && control.irreversible() && !line.head().marks().agree()) {
            findings.add(ref + ": '" + control.label() + "' cannot be undone; the line must be marked 'agree'");
        }
        Hazard hazard = line.kind() instanceof Start ? Hazard.ENGINE : control == null ? null : control.hazard();
        if (hazard == null || line.kind() instanceof Memory) {
            return;
        }
        boolean covered = procedure.lines().stream()
                .takeWhile(before -> !before.id().equals(line.id()))
                .anyMatch(before -> before.kind() instanceof Caution caution
                        && caution.about().contains(hazard));
        if (!covered) {
            String word = hazard.name().toLowerCase(Locale.ROOT).replace('_', '-');
            findings.add(ref + ": it has no caution before it in its procedure; one 'about: [" + word + "]' is needed");
        }
    }

    /** Every state that a test of warnings hangs on. */
    private void statesAreTold(LineRef ref, Line line) {
        if (line.kind() instanceof Indications indications) {
            indications.test().phases().stream()
                    .flatMap(phase -> phase.expected().stream())
                    .flatMap(expected -> expected.when() == null ? Stream.empty() : expected.when().names().stream())
                    .filter(name -> plan.type().states().keySet().stream()
                            .anyMatch(state -> Names.state(state).equals(name)))
                    .filter(name -> plan.state(name) == null && plan.bus(name) == null)
                    .distinct()
                    .forEach(name -> findings.add(
                            ref + ": what its test shows hangs on " + name + ", which these procedures do not tell"));
        }
    }

    /** Every state that the sources and ties, the order of starts and the taxi hang on. */
    private void statesOfTheTypeAreTold() {
        TypeSheet type = plan.type();
        if (type.electrics() != null) {
            told("electrics: which source is on", type.electrics().states());
        }
        if (type.feeds() != null) {
            told("feeds: which engine goes first", type.feeds().states());
        }
        if (type.taxi() != null) {
            told("taxi: whether it is on one engine", Stream.of(type.taxi().onOne()));
        }
    }

    private void told(String what, Stream<String> states) {
        states.map(Names::state)
                .filter(name -> plan.state(name) == null)
                .distinct()
                .forEach(name -> findings.add(what + " hangs on " + name + ", which these procedures do not tell"));
    }

    /** An instrument is of a source that the type has; a wind has a caution. */
    private void measuresAreWhole() {
        Network network = plan.type().electrics();
        plan.type().measures().forEach((id, measure) -> {
            Gauge gauge = measure.gauge();
            if (gauge != null && !gauge.isOf(network)) {
                findings.add("measures/" + id + ": the type has no " + gauge.source() + " with such an instrument");
            }
            String wind = measure.battery() == null ? null : measure.battery().wind();
            MeasureSpec read = wind == null ? null : plan.type().measures().get(wind);
            if (wind != null && (read == null || read.cautionAbove() == null)) {
                findings.add("measures/" + id + ": there is no measure '" + wind + "' with a 'cautionAbove'");
            }
        });
    }

    private void kindLeadsSomewhere(LineRef ref, Line line) {
        if (line.kind() instanceof Measure measure
                && measure.spec().charge() != null
                && plan.starting(measure.spec().charge().after()).isEmpty()) {
            findings.add(ref + ": it is read against the clock '"
                    + measure.spec().charge().after() + "', which no line starts");
        }
        if (line.kind() instanceof Measure measure && measure.outside() != null) {
            listExists(ref, measure.outside());
        }
        if (line.kind() instanceof Choice choice) {
            choice.branches().stream()
                    .map(Choice.Branch::list)
                    .filter(Objects::nonNull)
                    .forEach(list -> listExists(ref, list));
        }
    }

    private void listExists(LineRef ref, String list) {
        if (plan.procedure(list).filter(Procedure::abnormal).isEmpty()) {
            findings.add(ref + ": it leads to the list '" + list + "', which is no abnormal list here");
        }
    }

    private void apuExists(LineRef ref, Line line) {
        if (line.head().marks().apu() == null) {
            return;
        }
        if (plan.type().apu() == null) {
            findings.add(ref + ": it tells something of the APU, and the type has none");
        }
        if (line.head().marks().apu() == ApuTap.STOPPED_ITSELF) {
            findings.add(ref + ": that the APU stopped itself is told with its reason, not by a line");
        }
    }

    private void unitsExist(LineRef ref, Line line) {
        UnitTap tap = line.head().marks().inertial();
        if (tap == null) {
            return;
        }
        if (plan.type().inertial() == null) {
            findings.add(ref + ": it tells something of the inertial units, and the type has none");
        }
        if (!OF_LINES.contains(tap)) {
            findings.add(ref + ": '" + tap.words() + "' is told of one inertial unit, not by a line");
        }
    }

    private void seatExists(Procedure procedure) {
        if (plan.type().pilots().max() == 1 && procedure.seat() == Seat.RIGHT) {
            findings.add(procedure.id() + ": nobody sits on the right of a type that is flown by one pilot");
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
            case Condition.StrandsJoined() -> {
                if (plan.joining(ref).isEmpty()) {
                    findings.add(ref + ": the strands are to come together at its gate, and nothing stands before it");
                }
            }
            case Condition.ProceduresDone(List<String> procedures) ->
                procedures.stream()
                        .filter(id -> plan.procedure(id).isEmpty())
                        .forEach(id -> findings.add(
                                ref + ": its gate waits for procedure '" + id + "', which does not exist"));
            case Condition.WithinLimits(LineRef line) -> {
                if (!(isMeasure(line))) {
                    findings.add(ref + ": its gate waits for a measure '" + line + "', which does not exist");
                }
            }
            case Condition.ApuAt(var goal) -> {
                if (plan.type().apu() == null) {
                    findings.add(ref + ": its gate waits for '" + goal.words() + "', and the type has no APU");
                }
            }
            case Condition.UnitsAt(var goal) -> {
                if (plan.type().inertial() == null) {
                    findings.add(
                            ref + ": its gate waits for '" + goal.words() + "', and the type has no inertial units");
                }
            }
            case Condition.LineDone(LineRef line) -> {
                if (!plan.lines().containsKey(line)) {
                    findings.add(ref + ": its gate waits for line '" + line + "', which does not exist");
                }
            }
        }
    }

    /**
     * Completes what can be completed until nothing more can; what is left waits for itself. A line with a condition is
     * taken as done where the condition is not looked at; closely looked at, it is tried under every school of every
     * option, the others as they are set. What the day decides is taken as needed; where that leaves a line waiting for
     * itself, the day is tried both ways, and every answer to a question.
     */
    private void everyGateCanOpen() {
        if (!closely) {
            tell(waitingForThemselves(Map.of()));
            return;
        }
        everyGateCanOpen(plan.schools(Map.of()));
        for (Option option : plan.options().values()) {
            for (Option.School school : option.schools()) {
                if (findings.isEmpty() && !school.id().equals(option.set())) {
                    everyGateCanOpen(plan.schools(Map.of(option.id(), school.id())));
                }
            }
        }
    }

    private void everyGateCanOpen(Map<String, Value> known) {
        tell(stuck(known));
    }

    private void tell(List<LineRef> waiting) {
        waiting.forEach(ref -> findings.add(ref + ": it waits for itself and can never be reached"));
    }

    /** What waits for itself on every day, or on the first day that is found where something does. */
    private List<LineRef> stuck(Map<String, Value> known) {
        List<LineRef> waiting = waitingForThemselves(known);
        if (waiting.isEmpty() || known.keySet().stream().anyMatch(name -> isAnsweredUnasked(name, known))) {
            return List.of();
        }
        Optional<String> open = undecided(waiting, known);
        if (open.isEmpty()) {
            return waiting;
        }
        for (Value value : tried(open.get())) {
            Map<String, Value> one = new HashMap<>(known);
            one.put(open.get(), value);
            List<LineRef> found = stuck(one);
            if (!found.isEmpty()) {
                return found;
            }
        }
        return List.of();
    }

    /** Whether a name stands for the answer to a question that is not asked on such a day: there is no such day. */
    private boolean isAnsweredUnasked(String name, Map<String, Value> known) {
        LineRef decision = plan.choice(name);
        return decision != null
                && !Names.NO_ANSWER.equals(known.get(name))
                && plan.conditions(decision).stream()
                        .anyMatch(when ->
                                when.need(one -> Optional.ofNullable(known.get(one))) instanceof Need.NotNeeded);
    }

    /** What a name can stand for. */
    private List<Value> tried(String name) {
        LineRef decision = plan.choice(name);
        if (decision == null
                || !(Objects.requireNonNull(plan.lines().get(decision)).kind() instanceof Choice choice)) {
            return List.of(new Value.YesNo(true), new Value.YesNo(false));
        }
        return Stream.concat(choice.ids().stream().map(Value.Word::new), Stream.of(Names.NO_ANSWER))
                .map(Value.class::cast)
                .toList();
    }

    /** A name of the day, or an answer, on which it hangs whether one of these lines is needed. */
    private Optional<String> undecided(List<LineRef> waiting, Map<String, Value> known) {
        return waiting.stream()
                .flatMap(ref -> plan.conditions(ref).stream())
                .filter(when -> when.need(name -> Optional.ofNullable(known.get(name))) instanceof Need.NotDecided)
                .flatMap(when -> when.names().stream().sorted())
                .filter(name -> (day.contains(name) || plan.choice(name) != null) && !known.containsKey(name))
                .findFirst();
    }

    /** Completes what can be completed; what is left, in working order. */
    private List<LineRef> waitingForThemselves(Map<String, Value> schools) {
        Set<LineRef> done = new HashSet<>();
        Set<String> clocks = new HashSet<>();
        boolean moved = true;
        while (moved) {
            moved = false;
            for (var entry : plan.lines().entrySet()) {
                LineRef ref = entry.getKey();
                if (!done.contains(ref) && (isSpared(ref, schools) || canBeDone(ref, entry.getValue(), done, clocks))) {
                    done.add(ref);
                    clocks.addAll(entry.getValue().head().starts());
                    moved = true;
                }
            }
        }
        return plan.lines().keySet().stream().filter(ref -> !done.contains(ref)).toList();
    }

    /** Whether a line is not needed under these schools, or its condition is not looked at. */
    private boolean isSpared(LineRef ref, Map<String, Value> schools) {
        return plan.conditions(ref).stream()
                .filter(when -> !(when instanceof WordIs))
                .anyMatch(when -> !closely
                        || when.need(name -> Optional.ofNullable(schools.get(name))) instanceof Need.NotNeeded);
    }

    private boolean canBeDone(LineRef ref, Line line, Set<LineRef> done, Set<String> clocks) {
        LineRef before = plan.gateBefore(ref);
        return (before == null || done.contains(before))
                && done.containsAll(plan.before(ref))
                && conditionsCanBeTold(ref, done)
                && line.head().gate().stream().allMatch(condition -> switch (condition) {
                    case Condition.ClockElapsed(String clock) -> clocks.contains(clock);
                    case Condition.ProceduresDone(List<String> procedures) ->
                        areDone(
                                procedures.stream()
                                        .flatMap(id -> plan.procedure(id).stream())
                                        .toList(),
                                done);
                    case Condition.StrandsJoined() -> areDone(plan.joining(ref), done);
                    case Condition.WithinLimits(LineRef measured) -> done.contains(measured);
                    case Condition.ApuAt _, Condition.UnitsAt _ -> true;
                    case Condition.LineDone(LineRef other) -> done.contains(other);
                });
    }

    private static boolean areDone(List<Procedure> procedures, Set<LineRef> done) {
        return procedures.stream()
                .allMatch(procedure -> procedure.lines().stream().allMatch(line -> done.contains(procedure.ref(line))));
    }

    /** A condition on an answer or a reading is told once that line is done. */
    private boolean conditionsCanBeTold(LineRef ref, Set<LineRef> done) {
        return asked(ref).allMatch(done::contains);
    }

    private Stream<LineRef> asked(LineRef ref) {
        return plan.conditions(ref).stream()
                .filter(when -> closely || when instanceof WordIs)
                .flatMap(when -> when.names().stream())
                .map(name -> plan.choice(name) == null ? plan.reading(name) : plan.choice(name))
                .filter(Objects::nonNull);
    }
}
