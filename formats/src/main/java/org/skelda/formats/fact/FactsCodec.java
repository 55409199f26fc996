package org.skelda.formats.fact;

import static org.skelda.formats.log.Fields.line;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.util.List;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Value;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The facts of the day: a number with its unit, or a yes or no; and the lines that it changed. */
public final class FactsCodec implements FactCodec<FactEvent> {
    @Override
    public void write(FactEvent fact, ObjectNode payload) {
        switch (fact) {
            case FactEvent.FactGiven e -> {
                payload.put("fact", e.fact().id()).put("source", word(e.source()));
                switch (e.value()) {
                    case Value.Number(double value) ->
                        payload.put("value", value).put("unit", e.fact().unit());
                    case Value.YesNo(boolean value) -> payload.put("value", value);
                    case Value.Word(String value) -> payload.put("value", value);
                }
                ArrayNode changed = payload.putArray("changed");
                e.changed()
                        .forEach(change -> changed.addObject()
                                .put("line", change.line().toString())
                                .put("becomes", word(change.becomes())));
            }
        }
    }

    @Override
    public FactEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "FactGiven" -> {
                String id = text(payload, "fact");
                DayFact fact = DayFact.named(id).orElseThrow(() -> new InvalidEvent("there is no fact '" + id + "'"));
                List<FactEvent.Change> changed = payload.path("changed").values().stream()
                        .map(node -> new FactEvent.Change(
                                line(node, "line"), word(FactEvent.Becomes.class, node, "becomes")))
                        .toList();
                yield new FactEvent.FactGiven(
                        fact, value(fact, payload), word(FactEvent.Source.class, payload, "source"), changed);
            }
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to facts of the day");
        };
    }

    private static Value value(DayFact fact, JsonNode payload) {
        if (fact.kind() == Kind.NUMBER) {
            if (!text(payload, "unit").equals(fact.unit())) {
                throw new InvalidEvent("'" + fact.id() + "' is told in " + fact.unit());
            }
            return new Value.Number(number(payload, "value"));
        }
        if (!payload.path("value").isBoolean()) {
            throw new InvalidEvent("'value' is missing or is not a yes or no");
        }
        return new Value.YesNo(payload.path("value").booleanValue());
    }
}
