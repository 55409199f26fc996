package org.skelda.formats.record;

import static org.skelda.formats.record.EventCodec.text;
import static org.skelda.formats.record.Payloads.number;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.AttemptSummary;
import org.skelda.core.departure.Event;
import org.skelda.core.start.Action;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Tap;
import org.skelda.core.watch.Subject;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The payloads of what a feed or the crew told of a start, and of the simulator's controls. Times of a start count from its starter on. */
final class StartPayloads {
    private static final double NANOS_PER_SECOND = 1e9;

    private StartPayloads() {}

    static ObjectNode write(ObjectNode node, Event event) {
        return switch (event) {
            case Event.FeedAttached e -> node.put("feed", e.feed().toString()).put("label", e.label()).put("simulated", e.simulated());
            case Event.FeedLost e -> node.put("feed", e.feed().toString()).put("lastHeard", e.lastHeard().toString());
            case Event.ControlTapped e -> node.put("control", e.control()).put("position", e.position());
            case Event.AttemptBegan e -> attempt(node, e.of(), e.number()).put("startedAt", e.startedAt().toString()).put("watched", e.watched());
            case Event.MilestoneReached e -> attempt(node, e.of(), e.number()).put("milestone", e.milestone().name()).put("at_s", seconds(e.at()));
            case Event.FindingRaised e -> attempt(node, e.of(), e.number()).put("id", e.finding().id().name())
                    .put("at_s", seconds(e.finding().at())).put("action", e.finding().action().name()).put("reason", e.finding().reason());
            case Event.AttemptEnded e -> summary(attempt(node, e.of(), e.number()), e.summary());
            case Event.TraceStored e -> attempt(node, e.of(), e.number()).put("sha256", e.sha256()).put("samples", e.samples());
            case Event.SightLost e -> attempt(node, e.of(), e.number()).put("from", e.from().toString()).put("until", e.until().toString());
            case Event.StartTapped e -> attempt(node, e.engine(), e.number()).put("tap", e.tap().name()).put("tappedAt", e.tappedAt().toString())
                    .put("timed", e.timed());
            case Event.StartTapUndone e -> {
                ObjectNode undone = attempt(node, e.engine(), e.number()).put("tap", e.tap().name());
                yield e.reason() == null ? undone : undone.put("reason", e.reason());
            }
            case Event.StartFiguresTyped e -> {
                ObjectNode figures = attempt(node, e.engine(), e.number());
                put(figures, "peak_c", e.peak_c());
                put(figures, "dip_v", e.dip_v());
                yield figures;
            }
            default -> throw new IllegalArgumentException(event.getClass().getSimpleName() + " is not written here");
        };
    }

    static Event read(String type, JsonNode node) {
        return switch (type) {
            case "FeedAttached" -> new Event.FeedAttached(UUID.fromString(text(node, "feed")), text(node, "label"), node.path("simulated").booleanValue(false));
            case "FeedLost" -> new Event.FeedLost(UUID.fromString(text(node, "feed")), Instant.parse(text(node, "lastHeard")));
            case "ControlTapped" -> new Event.ControlTapped(text(node, "control"), text(node, "position"));
            case "AttemptBegan" -> new Event.AttemptBegan(of(node), whole(node, "number"), Instant.parse(text(node, "startedAt")), text(node, "watched"));
            case "MilestoneReached" -> new Event.MilestoneReached(of(node), whole(node, "number"),
                    Milestone.valueOf(text(node, "milestone")), duration(node, "at_s"));
            case "FindingRaised" -> new Event.FindingRaised(of(node), whole(node, "number"), new Finding(FindingId.valueOf(text(node, "id")),
                    duration(node, "at_s"), Action.valueOf(text(node, "action")), text(node, "reason")));
            case "AttemptEnded" -> new Event.AttemptEnded(of(node), whole(node, "number"), summary(node));
            case "TraceStored" -> new Event.TraceStored(of(node), whole(node, "number"), text(node, "sha256"), whole(node, "samples"));
            case "SightLost" -> new Event.SightLost(of(node), whole(node, "number"), Instant.parse(text(node, "from")), Instant.parse(text(node, "until")));
            case "StartTapped" -> new Event.StartTapped(whole(node, "engine"), whole(node, "number"), Tap.valueOf(text(node, "tap")),
                    Instant.parse(text(node, "tappedAt")), node.path("timed").booleanValue(true));
            case "StartTapUndone" -> new Event.StartTapUndone(whole(node, "engine"), whole(node, "number"), Tap.valueOf(text(node, "tap")),
                    node.has("reason") ? text(node, "reason") : null);
            case "StartFiguresTyped" -> new Event.StartFiguresTyped(whole(node, "engine"), whole(node, "number"), maybe(node, "peak_c"), maybe(node, "dip_v"));
            default -> throw new InvalidEvent("event type '" + type + "' is not known");
        };
    }

    private static ObjectNode attempt(ObjectNode node, int engine, int number) {
        return node.put("engine", engine).put("number", number);
    }

    private static ObjectNode attempt(ObjectNode node, Subject of, int number) {
        return node.put("of", of.toString()).put("number", number);
    }

    /** Version 1 told the bare number of an engine. */
    private static Subject of(JsonNode node) {
        return node.has("of") ? Subject.parse(text(node, "of")) : Subject.engine(whole(node, "engine"));
    }

    static ObjectNode summary(ObjectNode node, AttemptSummary s) {
        node.put("outcome", s.outcome()).put("lasted_s", seconds(s.lasted()));
        put(node, "peak_c", s.peak_c());
        put(node, "timeToLightOff_s", s.timeToLightOff() == null ? null : (Double) seconds(s.timeToLightOff()));
        put(node, "timeToIdle_s", s.timeToIdle() == null ? null : (Double) seconds(s.timeToIdle()));
        put(node, "flowAtLightOff_kgph", s.flowAtLightOff_kgph());
        put(node, "dip_v", s.dip_v());
        put(node, "motoring_pct", s.motoring_pct());
        return node.put("starterOn_s", seconds(s.starterOn()));
    }

    private static AttemptSummary summary(JsonNode node) {
        return new AttemptSummary(text(node, "outcome"), duration(node, "lasted_s"), maybe(node, "peak_c"), time(node, "timeToLightOff_s"),
                time(node, "timeToIdle_s"), maybe(node, "flowAtLightOff_kgph"), maybe(node, "dip_v"), maybe(node, "motoring_pct"), duration(node, "starterOn_s"));
    }

    private static void put(ObjectNode node, String key, @Nullable Double value) {
        if (value != null) {
            node.put(key, value);
        }
    }

    private static @Nullable Double maybe(JsonNode node, String key) {
        return node.has(key) ? (Double) number(node, key) : null;
    }

    private static @Nullable Duration time(JsonNode node, String key) {
        return node.has(key) ? duration(node, key) : null;
    }

    private static int whole(JsonNode node, String key) {
        return (int) number(node, key);
    }

    static double seconds(Duration duration) {
        return duration.toNanos() / NANOS_PER_SECOND;
    }

    private static Duration duration(JsonNode node, String key) {
        return Duration.ofNanos(Math.round(number(node, key) * NANOS_PER_SECOND));
    }
}
