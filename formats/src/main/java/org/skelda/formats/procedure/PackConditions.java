package org.skelda.formats.procedure;

import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.fact.DayFact;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.InvalidCondition;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Reach;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.TypeSheet;
import tools.jackson.databind.JsonNode;

/** The conditions of an operator's procedures, and what they may name. */
final class PackConditions {
    private final Conditions language;
    private final Map<String, Reach.Bounds> bounds = new LinkedHashMap<>();
    private final Map<JsonNode, When> found = new IdentityHashMap<>();

    private PackConditions(TypeSheet sheet, JsonNode procedures, Conditions language) {
        this.language = language;
        for (DayFact fact : DayFact.values()) {
            bounds.put(fact.id(), fact.bounds());
        }
        sheet.fitted().keySet().forEach(name -> bounds.put(name, Reach.Bounds.YES_NO));
        for (JsonNode procedure : procedures.values()) {
            for (JsonNode line : procedure.path("lines").values()) {
                MeasureSpec spec = sheet.measures().get(line.path("measure").asString(""));
                if (spec != null) {
                    bounds.put(
                            Names.reading(new LineRef(
                                    procedure.path("id").asString(),
                                    line.path("id").asString())),
                            Reach.Bounds.number(spec.possibleMin(), spec.possibleMax()));
                }
            }
        }
    }

    /** Reads those of a document. */
    static PackConditions of(TypeSheet sheet, JsonNode procedures, Conditions language) {
        PackConditions conditions = new PackConditions(sheet, procedures, language);
        Map<String, Kind> declared = new LinkedHashMap<>();
        conditions.bounds.forEach((name, bounds) -> declared.put(name, bounds.kind()));
        for (JsonNode procedure : procedures.values()) {
            conditions.read(procedure, declared);
            procedure.path("lines").values().forEach(line -> conditions.read(line, declared));
        }
        return conditions;
    }

    private void read(JsonNode owner, Map<String, Kind> declared) {
        if (owner.has("when")) {
            found.put(owner, language.compile(owner.path("when").asString(), declared));
        }
    }

    /** The condition of a procedure or a line; null when it has none. */
    @Nullable
    When of(JsonNode owner) {
        return found.get(owner);
    }

    /** Looks closely at every one: what it names, what it says, and whether it can hold. */
    void examine(PackSource source, List<InvalidPack.Finding> wrong) {
        JsonNode procedures = source.tree().path("procedures");
        for (int p = 0; p < procedures.size(); p++) {
            examine(source, "/procedures/" + p, procedures.get(p), wrong);
            JsonNode lines = procedures.get(p).path("lines");
            for (int l = 0; l < lines.size(); l++) {
                examine(source, "/procedures/" + p + "/lines/" + l, lines.get(l), wrong);
            }
        }
    }

    private void examine(PackSource source, String path, JsonNode owner, List<InvalidPack.Finding> wrong) {
        When when = found.get(owner);
        if (when == null) {
            return;
        }
        String place = path + "/when";
        try {
            when.names();
            if (!Reach.canHold(when, bounds)) {
                wrong.add(new InvalidPack.Finding(
                        place, source.line(place), "'" + when.text() + "' can never hold: nothing would ever need it"));
            }
        } catch (InvalidCondition e) {
            wrong.add(new InvalidPack.Finding(place, source.line(place), String.valueOf(e.getMessage())));
        }
    }
}
