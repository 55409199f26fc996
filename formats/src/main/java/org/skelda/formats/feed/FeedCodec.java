package org.skelda.formats.feed;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.text;

import java.util.List;
import java.util.UUID;
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
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to feeds");
        };
    }
}
