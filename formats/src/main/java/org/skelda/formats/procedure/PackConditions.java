package org.skelda.formats.procedure;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.fact.DayFact;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.InvalidCondition;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Reach;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.TypeSheet;
import tools.jackson.databind.JsonNode;

/** The conditions of an operator's procedures, and what they may name. */
final class PackConditions {
    private final Conditions language;
    private final Map<String, Reach.Bounds> bounds = new LinkedHashMap<>();
    private final Map<JsonNode, Found> found = new IdentityHashMap<>();
    private final Map<String, When> states = new LinkedHashMap<>();

    private PackConditions(
            TypeSheet sheet, Collection<Option> options, List<List<PlacedLine>> placed, Conditions language) {
        this.language = language;
        for (DayFact fact : DayFact.values()) {
            bounds.put(fact.id(), fact.bounds());
        }
        sheet.fitted().keySet().forEach(name -> bounds.put(name, Reach.Bounds.YES_NO));
        options.forEach(option -> bounds.put(Names.option(option.id()), Reach.Bounds.few(option.values())));
        placed.stream().flatMap(List::stream).forEach(line -> bound(line, sheet));
    }

    private void bound(PlacedLine line, TypeSheet sheet) {
        String kind = line.node().path("kind").asString();
        MeasureSpec spec = sheet.measures().get(line.node().path("measure").asString(""));
        if (kind.equals("measure") && spec != null) {
            bounds.put(Names.reading(line.ref()), Reach.Bounds.number(spec.possibleMin(), spec.possibleMax()));
        }
        if (kind.equals("decision")) {
            bounds.put(
                    Names.choice(line.ref()),
                    Reach.Bounds.few(line.node().path("choices").values().stream()
                            .<Value>map(
                                    choice -> new Value.Word(choice.path("id").asString()))
                            .toList()));
        }
    }

    /** Reads those of a document. @param document of the procedures */
    static PackConditions of(
            TypeSheet sheet,
            Collection<Option> options,
            JsonNode document,
            List<List<PlacedLine>> placed,
            Conditions language) {
        PackConditions conditions = new PackConditions(sheet, options, placed, language);
        Map<String, Kind> declared = new LinkedHashMap<>();
        conditions.bounds.forEach((name, bounds) -> declared.put(name, bounds.kind()));
        JsonNode procedures = document.path("procedures");
        for (int i = 0; i < procedures.size(); i++) {
            conditions.read(procedures.get(i), "/procedures/" + i, "when", declared);
            placed.get(i).forEach(line -> conditions.read(line, declared));
        }
        Map<String, Kind> ofStates = new LinkedHashMap<>(declared);
        placed.stream().flatMap(List::stream).forEach(line -> conditions.tells(line, ofStates));
        document.path("states").properties().forEach(entry -> {
            String path = "/states/" + entry.getKey();
            When when = language.compile(entry.getValue().asString(), ofStates);
            conditions.found.put(entry.getValue(), new Found(path, when));
            conditions.states.put(entry.getKey(), when);
        });
        return conditions;
    }

    /** What a line tells of the aircraft's state: that it is done, and of a start, that its engine runs. */
    private void tells(PlacedLine line, Map<String, Kind> declared) {
        List<String> names = new ArrayList<>(List.of(Names.done(line.ref())));
        if (line.node().path("kind").asString().equals("start")) {
            names.add(Names.running(line.node().path("engine").intValue()));
        }
        names.forEach(name -> {
            declared.put(name, Kind.YES_NO);
            bounds.put(name, Reach.Bounds.YES_NO);
        });
    }

    /** How the states of the type are told, by their ids. */
    Map<String, When> states() {
        return states;
    }

    private void read(PlacedLine line, Map<String, Kind> declared) {
        read(line.node(), line.path(), "when", declared);
        JsonNode limits = line.node().path("limits");
        for (int i = 0; i < limits.size(); i++) {
            read(limits.get(i), line.path() + "/limits/" + i, "when", declared);
        }
        JsonNode choices = line.node().path("choices");
        for (int i = 0; i < choices.size(); i++) {
            read(choices.get(i), line.path() + "/choices/" + i, "offered", declared);
        }
    }

    private void read(JsonNode owner, String path, String key, Map<String, Kind> declared) {
        if (owner.has(key)) {
            found.put(
                    owner,
                    new Found(path + "/" + key, language.compile(owner.path(key).asString(), declared)));
        }
    }

    /** A condition. @param path where it stands */
    private record Found(String path, When when) {}

    /** The condition of a procedure, a line, a limit or an answer; null when it has none. */
    @Nullable
    When of(JsonNode owner) {
        Found one = found.get(owner);
        return one == null ? null : one.when();
    }

    /** Looks closely at every one: what it names, what it says, and whether it can hold. */
    void examine(PackSource source, List<InvalidPack.Finding> wrong) {
        found.values().stream()
                .sorted(Comparator.comparingInt(one -> source.line(one.path())))
                .forEach(one -> examine(source, one, wrong));
    }

    private void examine(PackSource source, Found one, List<InvalidPack.Finding> wrong) {
        try {
            one.when().names();
            if (!Reach.canHold(one.when(), bounds)) {
                wrong.add(new InvalidPack.Finding(
                        one.path(),
                        source.line(one.path()),
                        "'" + one.when().text() + "' can never hold: nothing would ever need it"));
            }
        } catch (InvalidCondition e) {
            wrong.add(new InvalidPack.Finding(one.path(), source.line(one.path()), String.valueOf(e.getMessage())));
        }
    }
}
