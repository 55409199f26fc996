package org.skelda.formats.procedure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelda.core.indications.Expected;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.need.Conditions;
import org.skelda.core.need.InvalidCondition;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Reach;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Names;
import org.skelda.formats.kind.KindReader;
import tools.jackson.databind.JsonNode;

/** The tests of warnings of a type, and the groups of lights, messages and sounds that they look at. */
final class PackTests {
    private final Map<String, IndicationGroup> groups = new LinkedHashMap<>();
    private final Map<String, Kind> declared = new HashMap<>();
    private final Map<String, When> conditions = new LinkedHashMap<>();
    private final Conditions language;

    /**
     * @param type the type document
     * @param states its states, which a condition may name
     * @param modifications names of its modifications, which a condition may name
     */
    PackTests(JsonNode type, Set<String> states, Set<String> modifications, Conditions language) {
        this.language = language;
        states.forEach(id -> declared.put(Names.state(id), Kind.YES_NO));
        modifications.forEach(name -> declared.put(name, Kind.YES_NO));
        type.path("indications").properties().forEach(entry -> groups.put(entry.getKey(), group(entry)));
    }

    private static IndicationGroup group(Map.Entry<String, JsonNode> entry) {
        return new IndicationGroup(
                entry.getKey(),
                entry.getValue().path("label").asString(),
                entry.getValue().path("shows").properties().stream()
                        .map(one -> indication(one.getKey(), one.getValue()))
                        .toList());
    }

    /** Its label alone is a light; with its way, something else. */
    private static Indication indication(String id, JsonNode node) {
        return node.isString()
                ? new Indication(id, node.asString(), Indication.Way.LIGHT)
                : new Indication(
                        id,
                        node.path("label").asString(),
                        KindReader.word(Indication.Way.class, node.path("way").asString()));
    }

    /** @throws IllegalArgumentException when it names what there is not, or contradicts itself */
    IndicationTest test(String id, JsonNode node) {
        Set<String> ids = new HashSet<>();
        for (IndicationGroup group : groups.values()) {
            group.indications().stream()
                    .map(Indication::id)
                    .filter(one -> !ids.add(one))
                    .findFirst()
                    .ifPresent(one -> {
                        throw new IllegalArgumentException("two groups have an indication '" + one + "'");
                    });
        }
        return new IndicationTest(
                id,
                node.path("label").asString(),
                node.path("source").asString(),
                node.path("groups").values().stream()
                        .map(JsonNode::asString)
                        .map(this::known)
                        .toList(),
                phases(node.path("phases"), "/tests/" + id + "/phases"));
    }

    private List<TestPhase> phases(JsonNode nodes, String path) {
        List<TestPhase> phases = new ArrayList<>();
        for (int i = 0; i < nodes.size(); i++) {
            JsonNode node = nodes.get(i);
            phases.add(new TestPhase(
                    node.path("id").asString(),
                    node.path("label").asString(),
                    expected(node.path("expected"), path + "/" + i + "/expected")));
        }
        return phases;
    }

    private IndicationGroup known(String id) {
        IndicationGroup group = groups.get(id);
        if (group == null) {
            throw new IllegalArgumentException("there is no group of indications '" + id + "'");
        }
        return group;
    }

    /** An id alone is always expected. */
    private List<Expected> expected(JsonNode nodes, String path) {
        List<Expected> all = new ArrayList<>();
        for (int i = 0; i < nodes.size(); i++) {
            JsonNode node = nodes.get(i);
            all.add(
                    node.isString()
                            ? new Expected(node.asString(), null, null)
                            : new Expected(
                                    node.path("show").asString(),
                                    when(node, path + "/" + i + "/when"),
                                    node.path("otherwise").asString()));
        }
        return all;
    }

    private When when(JsonNode node, String path) {
        When when = language.compile(node.path("when").asString(), declared);
        conditions.put(path, when);
        return when;
    }

    /** Looks closely at every condition: what it names, and whether it can hold. */
    void examine(PackSource source, List<InvalidPack.Finding> wrong) {
        Map<String, Reach.Bounds> bounds = new HashMap<>();
        declared.keySet().forEach(name -> bounds.put(name, Reach.Bounds.YES_NO));
        conditions.forEach((path, when) -> {
            try {
                if (!Reach.canHold(when, bounds)) {
                    wrong.add(new InvalidPack.Finding(
                            path, source.line(path), "'" + when.text() + "' can never hold: it would never show"));
                }
            } catch (InvalidCondition e) {
                wrong.add(new InvalidPack.Finding(path, source.line(path), String.valueOf(e.getMessage())));
            }
        });
    }
}
