package org.skelda.formats.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * What a record may hold and nothing else: a field that nobody reads, or a number that two programs read differently,
 * proves nothing.
 */
final class RecordFields {
    private static final Set<String> RECORD =
            Set.of("schema", "document", "departureId", "packs", "headHash", "seal", "starts", "events");
    private static final Set<String> PACKS = Set.of("typeHash", "procedureHash");
    private static final Set<String> SEAL = Set.of("key", "signature");
    private static final Set<String> CHAIN = Set.of("prevHash", "hash");
    private static final long LARGEST_WHOLE = (1L << 53) - 1;

    private RecordFields() {}

    /** Fields of the record itself that no record has. */
    static List<String> unknown(JsonNode record) {
        List<String> found = new ArrayList<>();
        unknown("", record, RECORD, found);
        unknown("packs.", record.path("packs"), PACKS, found);
        unknown("seal.", record.path("seal"), SEAL, found);
        return found;
    }

    private static void unknown(String before, JsonNode node, Set<String> known, List<String> found) {
        node.propertyNames().stream().filter(name -> !known.contains(name)).forEach(name -> found.add(before + name));
    }

    /**
     * Fields of an event that it would not be written with. @param event as its newest version has it; @param rewritten
     * as this program writes it
     */
    static List<String> unknown(JsonNode event, JsonNode rewritten) {
        List<String> found = new ArrayList<>();
        beyond("", event, rewritten, found);
        found.removeAll(CHAIN);
        return found;
    }

    private static void beyond(String path, JsonNode given, JsonNode written, List<String> found) {
        if (given.isObject()) {
            for (Map.Entry<String, JsonNode> field : given.properties()) {
                String name = path + field.getKey();
                if (written.has(field.getKey())) {
                    beyond(name + ".", field.getValue(), written.get(field.getKey()), found);
                } else {
                    found.add(name);
                }
            }
        } else if (given.isArray()) {
            for (int i = 0; i < given.size(); i++) {
                beyond(path + i + ".", given.get(i), written.path(i), found);
            }
        }
    }

    /** Numbers that a double does not hold exactly, or not at all; they are hashed as something else than they say. */
    static List<String> outOfRange(JsonNode node) {
        List<String> found = new ArrayList<>();
        outOfRange(node, found);
        return found;
    }

    private static void outOfRange(JsonNode node, List<String> found) {
        boolean outside = node.isIntegralNumber()
                ? !node.canConvertToLong() || Math.abs(node.longValue()) > LARGEST_WHOLE
                : node.isNumber() && !Double.isFinite(node.doubleValue());
        if (outside) {
            found.add(node.toString());
        }
        node.forEach(child -> outOfRange(child, found));
    }
}
