package org.skelda.formats.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The fields that payloads are made of. Reading is strict: a field that is missing, or of another kind, is an
 * {@link InvalidEvent}.
 */
public final class Fields {
    private static final double NANOS_PER_SECOND = 1e9;

    private Fields() {}

    public static String text(JsonNode node, String key) {
        JsonNode value = node.path(key);
        if (!value.isString()) {
            throw new InvalidEvent("'" + key + "' is missing or is not text");
        }
        return value.asString();
    }

    public static @Nullable String maybeText(JsonNode node, String key) {
        return node.has(key) ? text(node, key) : null;
    }

    public static double number(JsonNode node, String key) {
        if (!node.path(key).isNumber()) {
            throw new InvalidEvent("'" + key + "' is missing or is not a number");
        }
        return node.path(key).doubleValue();
    }

    public static @Nullable Double maybeNumber(JsonNode node, String key) {
        return node.has(key) ? (Double) number(node, key) : null;
    }

    /** A yes; no where it is missing. */
    public static boolean yes(JsonNode node, String key) {
        JsonNode value = node.path(key);
        if (!value.isMissingNode() && !value.isBoolean()) {
            throw new InvalidEvent("'" + key + "' is neither yes nor no");
        }
        return value.booleanValue(false);
    }

    public static int whole(JsonNode node, String key) {
        return (int) number(node, key);
    }

    /** RFC 3339, in UTC. */
    public static Instant instant(JsonNode node, String key) {
        return Instant.parse(text(node, key));
    }

    public static @Nullable Instant maybeInstant(JsonNode node, String key) {
        return node.has(key) ? instant(node, key) : null;
    }

    /** A time in seconds, to the nanosecond. */
    public static Duration duration(JsonNode node, String key) {
        return Duration.ofNanos(Math.round(number(node, key) * NANOS_PER_SECOND));
    }

    public static @Nullable Duration maybeDuration(JsonNode node, String key) {
        return node.has(key) ? duration(node, key) : null;
    }

    public static double seconds(Duration duration) {
        return duration.toNanos() / NANOS_PER_SECOND;
    }

    public static LineRef line(JsonNode node, String key) {
        return LineRef.parse(text(node, key));
    }

    public static Person person(JsonNode node) {
        return new Person(text(node, "id"), text(node, "name"));
    }

    public static ObjectNode person(ObjectNode node, Person person) {
        return node.put("id", person.id()).put("name", person.name());
    }

    /** A seat's word. */
    public static Seat seat(JsonNode node, String key) {
        return word(Seat.class, node, key);
    }

    /** One of a few words, in lower case. */
    public static <T extends Enum<T>> T word(Class<T> words, JsonNode node, String key) {
        return Enum.valueOf(words, text(node, key).toUpperCase(Locale.ROOT));
    }

    public static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    /** Writes a field where there is a value. */
    public static void put(ObjectNode node, String key, @Nullable String value) {
        if (value != null) {
            node.put(key, value);
        }
    }

    /** Writes a field where there is a value. */
    public static void put(ObjectNode node, String key, @Nullable Double value) {
        if (value != null) {
            node.put(key, value);
        }
    }
}
