package org.skelda.formats.procedure;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.order.Feeds;
import org.skelda.core.taxi.OneEngineTaxi;
import org.skelda.formats.kind.KindReader;
import tools.jackson.databind.JsonNode;

/**
 * Turns what a type document that passed the schema tells of its engines' order, and of a taxi on one, into records.
 */
final class PackFeeds {
    private PackFeeds() {}

    /** @param states the type's; @throws IllegalArgumentException when it contradicts itself, or hangs on another */
    static Feeds feeds(JsonNode node, Set<String> states) {
        Feeds feeds = new Feeds(
                each(
                        node.path("engines"),
                        engine -> new Feeds.Engine(
                                engine.path("engine").intValue(),
                                side(engine),
                                words(engine.path("gives")),
                                optional(engine, "first"))),
                each(
                        node.path("helpers"),
                        helper -> new Feeds.Helper(
                                helper.path("name").asString(),
                                words(helper.path("gives")),
                                helper.path("needsAnEngine").booleanValue(false),
                                optional(helper, "note"))),
                each(
                        node.path("people"),
                        people -> new Feeds.People(people.path("who").asString(), side(people))),
                words(node.path("forTaxi")),
                node.path("source").asString());
        check(feeds.states(), states);
        return feeds;
    }

    /** @param states the type's; @throws IllegalArgumentException when it contradicts itself, or hangs on another */
    static OneEngineTaxi taxi(JsonNode node, Set<String> states) {
        OneEngineTaxi taxi = new OneEngineTaxi(
                node.path("onOne").asString(),
                Duration.ofSeconds(node.path("warmUp_s").longValue()),
                Duration.ofSeconds(node.path("lists_s").longValue()),
                node.path("source").asString());
        check(Stream.of(taxi.onOne()), states);
        return taxi;
    }

    private static void check(Stream<String> asked, Set<String> states) {
        asked.filter(state -> !states.contains(state)).findFirst().ifPresent(state -> {
            throw new IllegalArgumentException("it hangs on a state '" + state + "', which the type does not have");
        });
    }

    private static Feeds.Side side(JsonNode node) {
        return KindReader.word(Feeds.Side.class, node.path("side").asString());
    }

    private static List<String> words(JsonNode nodes) {
        return each(nodes, JsonNode::asString);
    }

    private static <T> List<T> each(JsonNode nodes, Function<JsonNode, T> read) {
        return nodes.values().stream().map(read).toList();
    }

    private static @Nullable String optional(JsonNode node, String key) {
        return node.has(key) ? node.path(key).asString() : null;
    }
}
