package org.skelda.formats.record;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The departure as a whole: opened, signed, amended, abandoned. */
public final class RecordCodec implements FactCodec<RecordEvent> {
    @Override
    public void write(RecordEvent fact, ObjectNode payload) {
        switch (fact) {
            case RecordEvent.Opened e -> opening(payload, e.opening());
            case RecordEvent.Signed _ -> {}
            case RecordEvent.Amended e -> payload.put("text", e.text());
            case RecordEvent.Abandoned e -> payload.put("reason", e.reason());
        }
    }

    @Override
    public RecordEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "Opened" -> new RecordEvent.Opened(opening(payload));
            case "Signed" -> new RecordEvent.Signed();
            case "Amended" -> new RecordEvent.Amended(text(payload, "text"));
            case "Abandoned" -> new RecordEvent.Abandoned(text(payload, "reason"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to a departure");
        };
    }

    @Override
    public int version(String type) {
        return type.equals("Opened") ? 2 : 1;
    }

    /** An opening of version 1 told no kind: it is a line departure. The first of them told no elevation either. */
    @Override
    public void upcast(String type, int from, ObjectNode payload) {
        payload.put("kind", word(Opening.Kind.LINE));
        if (!payload.has("elevation_ft")) {
            payload.put("elevation_ft", 0.0);
        }
    }

    private static void opening(ObjectNode node, Opening opening) {
        node.put("departureId", opening.departureId().toString())
                .put("kind", word(opening.kind()))
                .put("operatorId", opening.operatorId())
                .put("tail", opening.tail())
                .put("typeId", opening.typeId())
                .put("flight", opening.flight())
                .put("from", opening.from())
                .put("to", opening.to())
                .put("stand", opening.stand())
                .put("latitude_deg", opening.latitude_deg())
                .put("longitude_deg", opening.longitude_deg())
                .put("elevation_ft", opening.elevation_ft())
                .put("offBlock", opening.offBlock().toString())
                .put("typeHash", opening.typeHash())
                .put("procedureHash", opening.procedureHash());
        ArrayNode modifications = node.putArray("modifications");
        opening.modifications().forEach(modifications::add);
        if (!opening.options().isEmpty()) {
            ObjectNode options = node.putObject("options");
            new TreeMap<>(opening.options()).forEach(options::put);
        }
    }

    private static Opening opening(JsonNode node) {
        return new Opening(
                UUID.fromString(text(node, "departureId")),
                word(Opening.Kind.class, node, "kind"),
                text(node, "operatorId"),
                text(node, "tail"),
                text(node, "typeId"),
                text(node, "flight"),
                text(node, "from"),
                text(node, "to"),
                text(node, "stand"),
                number(node, "latitude_deg"),
                number(node, "longitude_deg"),
                number(node, "elevation_ft"),
                instant(node, "offBlock"),
                text(node, "typeHash"),
                text(node, "procedureHash"),
                node.path("modifications").values().stream()
                        .map(m -> m.asString(""))
                        .toList(),
                options(node.path("options")));
    }

    private static Map<String, String> options(JsonNode node) {
        Map<String, String> options = new TreeMap<>();
        node.propertyNames().forEach(id -> options.put(id, text(node, id)));
        return options;
    }
}
