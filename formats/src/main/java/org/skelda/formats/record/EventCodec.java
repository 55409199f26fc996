package org.skelda.formats.record;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.LogEntry;
import org.skelda.core.departure.Person;
import org.skelda.core.procedure.Seat;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The envelope of an event as JSON: id, seq, type, v, at, doneAt, actor, seat, commandId, subject, payload (and, once
 * sealed, prevHash and hash). Times are RFC 3339 in UTC. A newer version of a payload raises {@code v}; old ones stay readable.
 */
public final class EventCodec {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private EventCodec() {}

    /** @param entry a log entry @return its envelope, not yet sealed */
    public static ObjectNode write(LogEntry entry) {
        ObjectNode node = JSON.createObjectNode();
        node.put("id", entry.id().toString());
        node.put("seq", entry.seq());
        node.put("type", entry.event().getClass().getSimpleName());
        node.put("v", Versions.of(entry.event().getClass().getSimpleName()));
        node.put("at", entry.at().toString());
        if (entry.doneAt() != null) {
            node.put("doneAt", entry.doneAt().toString());
        }
        node.set("actor", Payloads.person(JSON.createObjectNode(), entry.actor()));
        if (entry.seat() != null) {
            node.put("seat", word(entry.seat()));
        }
        node.put("commandId", entry.commandId().toString());
        node.put("subject", entry.event().subject());
        node.set("payload", Payloads.write(JSON.createObjectNode(), entry.event()));
        return node;
    }

    /** @param text an envelope as it was stored @throws InvalidEvent when it cannot be read */
    public static LogEntry read(String text) {
        return read(JSON.readTree(text));
    }

    /** @param node an envelope @throws InvalidEvent when it cannot be read, naming the field */
    public static LogEntry read(JsonNode node) {
        int version = node.path("v").intValue(0);
        int newest = Versions.of(node.path("type").asString(""));
        if (version < 1 || version > newest) {
            throw new InvalidEvent("event version " + version + " is not known; this program reads version " + (newest == 1 ? "1" : "1 to " + newest));
        }
        try {
            JsonNode payload = node.path("payload");
            Event event = Payloads.read(text(node, "type"), payload);
            if (!event.subject().equals(text(node, "subject"))) {
                throw new InvalidEvent("subject '" + text(node, "subject") + "' does not fit its payload");
            }
            return new LogEntry(UUID.fromString(text(node, "id")), node.path("seq").longValue(0), Instant.parse(text(node, "at")),
                    node.has("doneAt") ? Instant.parse(text(node, "doneAt")) : null,
                    new Person(text(node.path("actor"), "id"), text(node.path("actor"), "name")),
                    node.has("seat") ? seat(text(node, "seat")) : null,
                    UUID.fromString(text(node, "commandId")), event);
        } catch (IllegalArgumentException | DateTimeException e) {
            throw new InvalidEvent(String.valueOf(e.getMessage()), e);
        }
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    static Seat seat(String word) {
        return Seat.valueOf(word.toUpperCase(Locale.ROOT));
    }

    static String text(JsonNode node, String key) {
        JsonNode value = node.path(key);
        if (!value.isString()) {
            throw new InvalidEvent("'" + key + "' is missing or is not text");
        }
        return value.asString();
    }
}
