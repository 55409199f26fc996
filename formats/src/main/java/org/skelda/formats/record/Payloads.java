package org.skelda.formats.record;

import static org.skelda.formats.record.EventCodec.text;
import static org.skelda.formats.record.EventCodec.word;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.Opening;
import org.skelda.core.departure.Person;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The payload of each event type as JSON; {@link Versions} tells which version is written. An opening of version 1 told no kind: it is a line departure. Units are in the names of its fields. */
final class Payloads {
    private static final double MILLIS_PER_SECOND = 1000;

    private Payloads() {}

    static ObjectNode write(ObjectNode node, Event event) {
        switch (event) {
            case Event.Opened e -> opening(node, e.opening());
            case Event.SeatTaken e -> {
                node.put("seat", word(e.seat())).put("role", word(e.role()));
                node.set("person", person(node.objectNode(), e.person()));
                if (e.tookOverFrom() != null) {
                    node.set("tookOverFrom", person(node.objectNode(), e.tookOverFrom()));
                }
                put(node, "reason", e.reason());
            }
            case Event.SeatReleased e -> node.put("seat", word(e.seat()));
            case Event.SeatHandedOver e -> {
                node.put("seat", word(e.seat()));
                node.set("from", person(node.objectNode(), e.from()));
                node.set("to", person(node.objectNode(), e.to()));
            }
            case Event.RolesSwapped _, Event.Signed _ -> { }
            case Event.LineAnswered e -> node.put("line", e.line().toString());
            case Event.LineMeasured e -> {
                node.put("line", e.line().toString()).put("value", e.value()).put("unit", e.unit());
                node.set("judgement", judgement(node.objectNode(), e.judgement()));
            }
            case Event.LineConfirmed e -> node.put("line", e.line().toString());
            case Event.DeviationRecorded e -> {
                node.put("line", e.line().toString()).put("reason", e.reason());
                put(node, "overrides", e.overrides());
            }
            case Event.ProcedureHeld e -> {
                node.put("procedure", e.procedure()).put("reason", e.reason());
                put(node, "line", e.line() == null ? null : e.line().toString());
            }
            case Event.ProcedureResumed e -> node.put("procedure", e.procedure());
            case Event.ClockStarted e -> node.put("clock", e.clock()).put("by", e.by().toString())
                    .put("startedAt", e.startedAt().toString()).put("duration_s", e.duration().toMillis() / MILLIS_PER_SECOND);
            case Event.ClockCancelled e -> node.put("clock", e.clock()).put("by", e.by().toString());
            case Event.Undone e -> {
                node.put("line", e.line().toString());
                put(node, "reason", e.reason());
                var reopened = node.putArray("reopened");
                e.reopened().forEach(line -> reopened.add(line.toString()));
            }
            case Event.Amended e -> node.put("text", e.text());
            case Event.Abandoned e -> node.put("reason", e.reason());
            case Event.FeedAttached _, Event.FeedLost _, Event.ControlTapped _, Event.AttemptBegan _, Event.MilestoneReached _,
                 Event.FindingRaised _, Event.AttemptEnded _, Event.TraceStored _, Event.SightLost _, Event.StartTapped _, Event.StartTapUndone _,
                 Event.StartFiguresTyped _ -> StartPayloads.write(node, event);
        }
        return node;
    }

    static Event read(String type, JsonNode node) {
        return switch (type) {
            case "Opened" -> new Event.Opened(opening(node));
            case "SeatTaken" -> new Event.SeatTaken(seat(node), Role.valueOf(text(node, "role").toUpperCase(Locale.ROOT)),
                    person(node.path("person")), node.has("tookOverFrom") ? person(node.path("tookOverFrom")) : null, maybe(node, "reason"));
            case "SeatReleased" -> new Event.SeatReleased(seat(node));
            case "SeatHandedOver" -> new Event.SeatHandedOver(seat(node), person(node.path("from")), person(node.path("to")));
            case "RolesSwapped" -> new Event.RolesSwapped();
            case "LineAnswered" -> new Event.LineAnswered(line(node, "line"));
            case "LineMeasured" ->
                new Event.LineMeasured(line(node, "line"), number(node, "value"), text(node, "unit"), judgement(node.path("judgement")));
            case "LineConfirmed" -> new Event.LineConfirmed(line(node, "line"));
            case "DeviationRecorded" -> new Event.DeviationRecorded(line(node, "line"), text(node, "reason"), maybe(node, "overrides"));
            case "ProcedureHeld" -> new Event.ProcedureHeld(text(node, "procedure"), text(node, "reason"),
                    node.has("line") ? line(node, "line") : null);
            case "ProcedureResumed" -> new Event.ProcedureResumed(text(node, "procedure"));
            case "ClockStarted" -> new Event.ClockStarted(text(node, "clock"), line(node, "by"), Instant.parse(text(node, "startedAt")),
                    Duration.ofMillis(Math.round(number(node, "duration_s") * MILLIS_PER_SECOND)));
            case "ClockCancelled" -> new Event.ClockCancelled(text(node, "clock"), line(node, "by"));
            case "Undone" -> new Event.Undone(line(node, "line"), maybe(node, "reason"),
                    node.path("reopened").values().stream().map(ref -> LineRef.parse(ref.asString(""))).toList());
            case "Signed" -> new Event.Signed();
            case "Amended" -> new Event.Amended(text(node, "text"));
            case "Abandoned" -> new Event.Abandoned(text(node, "reason"));
            default -> StartPayloads.read(type, node);
        };
    }

    private static void opening(ObjectNode node, Opening opening) {
        node.put("departureId", opening.departureId().toString()).put("kind", word(opening.kind())).put("operatorId", opening.operatorId())
                .put("tail", opening.tail()).put("typeId", opening.typeId()).put("flight", opening.flight())
                .put("from", opening.from()).put("to", opening.to()).put("stand", opening.stand())
                .put("latitude_deg", opening.latitude_deg()).put("longitude_deg", opening.longitude_deg())
                .put("elevation_ft", opening.elevation_ft())
                .put("offBlock", opening.offBlock().toString())
                .put("typeHash", opening.typeHash()).put("procedureHash", opening.procedureHash());
        var modifications = node.putArray("modifications");
        opening.modifications().forEach(modifications::add);
    }

    private static Opening opening(JsonNode node) {
        Opening.Kind kind = node.has("kind") ? Opening.Kind.valueOf(text(node, "kind").toUpperCase(Locale.ROOT)) : Opening.Kind.LINE;
        return new Opening(UUID.fromString(text(node, "departureId")), kind, text(node, "operatorId"), text(node, "tail"), text(node, "typeId"),
                text(node, "flight"), text(node, "from"), text(node, "to"), text(node, "stand"),
                number(node, "latitude_deg"), number(node, "longitude_deg"), node.path("elevation_ft").doubleValue(0), Instant.parse(text(node, "offBlock")),
                text(node, "typeHash"), text(node, "procedureHash"),
                node.path("modifications").values().stream().map(m -> m.asString("")).toList());
    }

    private static ObjectNode judgement(ObjectNode node, Judgement judgement) {
        node.put("verdict", word(judgement.verdict()));
        if (judgement.limit() != null) {
            node.put("limit", judgement.limit());
        }
        if (judgement.margin() != null) {
            node.put("margin", judgement.margin());
        }
        return node.put("source", judgement.source());
    }

    private static Judgement judgement(JsonNode node) {
        return new Judgement(Judgement.Verdict.valueOf(text(node, "verdict").toUpperCase(Locale.ROOT)),
                node.has("limit") ? (Double) number(node, "limit") : null,
                node.has("margin") ? (Double) number(node, "margin") : null, text(node, "source"));
    }

    static ObjectNode person(ObjectNode node, Person person) {
        return node.put("id", person.id()).put("name", person.name());
    }

    private static Person person(JsonNode node) {
        return new Person(text(node, "id"), text(node, "name"));
    }

    private static Seat seat(JsonNode node) {
        return EventCodec.seat(text(node, "seat"));
    }

    private static LineRef line(JsonNode node, String key) {
        return LineRef.parse(text(node, key));
    }

    static double number(JsonNode node, String key) {
        if (!node.path(key).isNumber()) {
            throw new InvalidEvent("'" + key + "' is missing or is not a number");
        }
        return node.path(key).doubleValue();
    }

    private static @Nullable String maybe(JsonNode node, String key) {
        return node.has(key) ? text(node, key) : null;
    }

    private static void put(ObjectNode node, String key, @Nullable String value) {
        if (value != null) {
            node.put(key, value);
        }
    }
}
