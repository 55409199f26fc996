package org.skelda.formats.feed;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.yes;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.feed.FeedEvent;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Feeds in a departure's log: that one was attached, or lost. */
public final class FeedCodec implements FactCodec<FeedEvent> {
    @Override
    public void write(FeedEvent fact, ObjectNode payload) {
        switch (fact) {
            case FeedEvent.FeedAttached e ->
                payload.put("feed", e.feed().toString()).put("label", e.label()).put("simulated", e.simulated());
            case FeedEvent.FeedLost e ->
                payload.put("feed", e.feed().toString())
                        .put("lastHeard", e.lastHeard().toString());
            case FeedEvent.LightsSeen(List<String> lights) -> {
                ArrayNode array = payload.putArray("lights");
                lights.forEach(array::add);
            }
            case FeedEvent.PowerShown(PowerSeen power) -> {
                yesNo(payload, "there", power.there());
                yesNo(payload, "on", power.on());
                yesNo(payload, "closed", power.closed());
                yesNo(payload, "powered", power.powered());
            }
            case FeedEvent.CurrentShown e -> payload.put("source", e.source()).put("current_a", e.current_A());
        }
    }

    @Override
    public FeedEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "FeedAttached" ->
                new FeedEvent.FeedAttached(
                        UUID.fromString(text(payload, "feed")),
                        text(payload, "label"),
                        payload.path("simulated").booleanValue(false));
            case "FeedLost" ->
                new FeedEvent.FeedLost(UUID.fromString(text(payload, "feed")), instant(payload, "lastHeard"));
            case "LightsSeen" ->
                new FeedEvent.LightsSeen(payload.path("lights").values().stream()
                        .map(JsonNode::asString)
                        .toList());
            case "PowerShown" ->
                new FeedEvent.PowerShown(new PowerSeen(
                        yesNo(payload, "there"),
                        yesNo(payload, "on"),
                        yesNo(payload, "closed"),
                        yesNo(payload, "powered")));
            case "CurrentShown" -> new FeedEvent.CurrentShown(text(payload, "source"), number(payload, "current_a"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to feeds");
        };
    }

    private static void yesNo(ObjectNode payload, String key, Map<String, Boolean> all) {
        ObjectNode node = payload.putObject(key);
        new TreeMap<>(all).forEach(node::put);
    }

    private static Map<String, Boolean> yesNo(JsonNode payload, String key) {
        Map<String, Boolean> all = new TreeMap<>();
        payload.path(key)
                .properties()
                .forEach(entry -> all.put(entry.getKey(), yes(payload.path(key), entry.getKey())));
        return all;
    }
}
