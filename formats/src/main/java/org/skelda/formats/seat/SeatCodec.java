package org.skelda.formats.seat;

import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.person;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.seat;
import static org.skelda.formats.log.Fields.word;

import org.skelda.core.crew.Role;
import org.skelda.core.seat.SeatEvent;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Seats: who took, left or handed over which, and in which role. */
public final class SeatCodec implements FactCodec<SeatEvent> {
    @Override
    public void write(SeatEvent fact, ObjectNode payload) {
        switch (fact) {
            case SeatEvent.SeatTaken e -> {
                payload.put("seat", word(e.seat())).put("role", word(e.role()));
                payload.set("person", person(payload.objectNode(), e.person()));
                if (e.tookOverFrom() != null) {
                    payload.set("tookOverFrom", person(payload.objectNode(), e.tookOverFrom()));
                }
                put(payload, "reason", e.reason());
            }
            case SeatEvent.SeatReleased e -> payload.put("seat", word(e.seat()));
            case SeatEvent.SeatHandedOver e -> {
                payload.put("seat", word(e.seat()));
                payload.set("from", person(payload.objectNode(), e.from()));
                payload.set("to", person(payload.objectNode(), e.to()));
            }
            case SeatEvent.HandOverConfirmed e -> payload.put("seat", word(e.seat()));
            case SeatEvent.RolesSwapped _ -> {}
        }
    }

    @Override
    public SeatEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "SeatTaken" ->
                new SeatEvent.SeatTaken(
                        seat(payload, "seat"),
                        word(Role.class, payload, "role"),
                        person(payload.path("person")),
                        payload.has("tookOverFrom") ? person(payload.path("tookOverFrom")) : null,
                        maybeText(payload, "reason"));
            case "SeatReleased" -> new SeatEvent.SeatReleased(seat(payload, "seat"));
            case "SeatHandedOver" ->
                new SeatEvent.SeatHandedOver(
                        seat(payload, "seat"), person(payload.path("from")), person(payload.path("to")));
            case "HandOverConfirmed" -> new SeatEvent.HandOverConfirmed(seat(payload, "seat"));
            case "RolesSwapped" -> new SeatEvent.RolesSwapped();
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to seats");
        };
    }
}
