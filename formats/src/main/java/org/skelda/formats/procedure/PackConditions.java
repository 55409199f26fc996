package org.skelda.formats.procedure;

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

    /** Reads those of a document. */
    static PackConditions of(
            TypeSheet sheet,
            Collection<Option> options,
            JsonNode procedures,
            List<List<PlacedLine>> placed,
            Conditions language) {
        PackConditions conditions = new PackConditions(sheet, options, placed, language);
        Map<String, Kind> declared = new LinkedHashMap<>();
        conditions.bounds.forEach((name, bounds) -> declared.put(name, bounds.kind()));
        for (int i = 0; i < procedures.size(); i++) {
            conditions.read(procedures.get(i), "/procedures/" + i, "when", declared);
            placed.get(i).forEach(line -> conditions.read(line, declared));
        }
        return conditions;
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
