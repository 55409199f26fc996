package org.skelda.formats.record;

import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A departure as one JSON document: what it is, its packs' hashes, its engine starts in short, every event as it was
 * stored, and the head hash.
 */
public final class DepartureRecord {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    static final int SCHEMA = 1;

    private DepartureRecord() {}

    /**
     * @param events the sealed envelopes as stored, in order, at least one; the first is the opening
     * @param seal of the installation
     * @return the document, indented, ending with a new line
     * @throws IllegalArgumentException when there is no event
     */
    public static String write(List<String> events, RecordSeal seal) {
        if (events.isEmpty()) {
            throw new IllegalArgumentException("a record has at least its opening");
        }
        List<JsonNode> nodes = events.stream().map(JSON::readTree).toList();
        JsonNode opening = nodes.getFirst().path("payload");
        ObjectNode record = JSON.createObjectNode();
        record.put("schema", SCHEMA);
        record.put("document", "record");
        record.put("departureId", opening.path("departureId").asString());
        record.putObject("packs")
                .put("typeHash", opening.path("typeHash").asString())
                .put("procedureHash", opening.path("procedureHash").asString());
        record.put("headHash", nodes.getLast().path("hash").asString());
        seal.write(record, nodes.size());
        record.set("starts", StartsSection.of(nodes));
        record.putArray("events").addAll(nodes);
        return JSON.writeValueAsString(record) + "\n";
    }
}
