package org.skelda.formats.procedure;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.bleed.AirNetwork.Taking;
import org.skelda.core.bleed.Delivery;
import org.skelda.formats.kind.KindReader;
import tools.jackson.databind.JsonNode;

/** Turns the air of a type document that passed the schema into its network of sources, ducts and valves. */
final class PackAir {
    private PackAir() {}

    /** @throws IllegalArgumentException when it contradicts itself */
    static AirNetwork network(JsonNode node) {
        return new AirNetwork(
                each(node.path("sources"), PackAir::source),
                each(
                        node.path("ducts"),
                        duct -> new AirNetwork.Duct(
                                text(duct, "id"),
                                text(duct, "name"),
                                duct.path("starters").values().stream()
                                        .map(JsonNode::intValue)
                                        .collect(Collectors.toSet()))),
                each(
                        node.path("valves"),
                        valve -> new AirNetwork.Valve(
                                text(valve, "id"),
                                text(valve, "name"),
                                valve.path("between").path(0).asString(),
                                valve.path("between").path(1).asString(),
                                optional(valve, "open"))),
                Stream.of(
                                each(node.path("packs"), pack -> taker(pack, Taking.PACK)),
                                each(node.path("antiIce"), ice -> taker(ice, Taking.ANTI_ICE)))
                        .flatMap(List::stream)
                        .toList(),
                node.path("starterSwallows").doubleValue(),
                text(node, "source"));
    }

    /** The same, when every state that it hangs on is one of the type's. @throws IllegalArgumentException else */
    static AirNetwork network(JsonNode node, Set<String> states) {
        AirNetwork network = network(node);
        network.states().filter(state -> !states.contains(state)).findFirst().ifPresent(state -> {
            throw new IllegalArgumentException("it hangs on a state '" + state + "', which the type does not have");
        });
        return network;
    }

    private static AirNetwork.Taker taker(JsonNode node, Taking what) {
        return new AirNetwork.Taker(
                text(node, "id"),
                text(node, "name"),
                what,
                text(node, "duct"),
                node.path("takes").doubleValue(),
                optional(node, "on"));
    }

    private static AirNetwork.Source source(JsonNode node) {
        JsonNode delivers = node.path("delivers");
        return new AirNetwork.Source(
                text(node, "id"),
                text(node, "name"),
                KindReader.word(AirNetwork.Kind.class, text(node, "kind")),
                node.has("engine") ? (Integer) node.path("engine").intValue() : null,
                text(node, "duct"),
                optional(node, "there"),
                optional(node, "on"),
                new Delivery(
                        delivers.path("rated_kpa").doubleValue(),
                        delivers.path("byPressure").doubleValue(),
                        delivers.path("perDegree").doubleValue(),
                        each(
                                delivers.path("byFan"),
                                point -> new Delivery.ByFan(
                                        point.path("n1_pct").doubleValue(),
                                        point.path("part").doubleValue()))));
    }

    private static <T> List<T> each(JsonNode nodes, Function<JsonNode, T> read) {
        return nodes.values().stream().map(read).toList();
    }

    private static String text(JsonNode node, String key) {
        return node.path(key).asString();
    }

    private static @Nullable String optional(JsonNode node, String key) {
        return node.has(key) ? node.path(key).asString() : null;
    }
}
