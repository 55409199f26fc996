package org.skelda.formats.procedure;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network;
import org.skelda.formats.kind.KindReader;
import tools.jackson.databind.JsonNode;

/** Turns the electrics of a type document that passed the schema into its network of sources and buses. */
final class PackElectrics {
    private PackElectrics() {}

    /**
     * @param states of the type, which sources and ties may hang on
     * @throws IllegalArgumentException when it contradicts itself
     */
    static Network network(JsonNode node, Set<String> states) {
        Network network = new Network(
                each(node.path("sources"), PackElectrics::source),
                each(
                        node.path("ties"),
                        tie -> new Network.Tie(text(tie, "id"), text(tie, "name"), optional(tie, "closed"))),
                each(
                        node.path("buses"),
                        bus -> new Network.Bus(
                                text(bus, "id"),
                                text(bus, "name"),
                                each(bus.path("from"), PackElectrics::way),
                                text(bus, "carries"))),
                text(node, "source"));
        network.states().filter(state -> !states.contains(state)).findFirst().ifPresent(state -> {
            throw new IllegalArgumentException("it hangs on a state '" + state + "', which the type does not have");
        });
        return network;
    }

    private static Network.Source source(JsonNode node) {
        return new Network.Source(
                text(node, "id"),
                text(node, "name"),
                KindReader.word(Network.Kind.class, text(node, "kind")),
                node.has("engine") ? (Integer) node.path("engine").intValue() : null,
                optional(node, "there"),
                optional(node, "on"));
    }

    /** Its name alone, or with the tie that it goes through. */
    private static Network.Way way(JsonNode node) {
        return node.isString()
                ? new Network.Way(node.asString(), null)
                : new Network.Way(text(node, "from"), optional(node, "through"));
    }

    private static <T> List<T> each(JsonNode nodes, java.util.function.Function<JsonNode, T> read) {
        return nodes.values().stream().map(read).toList();
    }

    private static String text(JsonNode node, String key) {
        return node.path(key).asString();
    }

    private static @Nullable String optional(JsonNode node, String key) {
        return node.has(key) ? node.path(key).asString() : null;
    }
}
