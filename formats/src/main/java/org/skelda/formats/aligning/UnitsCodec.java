package org.skelda.formats.aligning;

import static org.skelda.formats.log.Fields.duration;
import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.seconds;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The inertial units in a departure's log. */
public final class UnitsCodec implements FactCodec<UnitFact> {

    @Override
    public void write(UnitFact fact, ObjectNode payload) {
        switch (fact) {
            case UnitFact.UnitsTold told -> {
                ArrayNode units = payload.putArray("units");
                told.units().forEach(units::add);
                ArrayNode events = payload.putArray("events");
                told.events().forEach(event -> write(event, events.addObject()));
            }
            case UnitFact.UnitsUntold(var reason) -> put(payload, "reason", reason);
            case UnitFact.UnitsRead(var since) -> payload.put("since", since.toString());
        }
    }

    private static void write(UnitEvent event, ObjectNode node) {
        node.put("at", event.at().toString());
        switch (event) {
            case UnitEvent.SwitchedOn on -> node.put("what", "on").put("latitude_deg", on.latitude_deg());
            case UnitEvent.PositionEntered typed -> write(node.put("what", "position"), typed.position());
            case UnitEvent.Moved _ -> node.put("what", "moved");
            case UnitEvent.CodeShown shown -> node.put("what", "code").put("code", shown.code());
            case UnitEvent.CodeCleared _ -> node.put("what", "code-cleared");
            case UnitEvent.NavigationSelected _ -> node.put("what", "navigation");
            case UnitEvent.SwitchedOff off -> write(node.put("what", "off"), off.where());
            case UnitEvent.AsksAgain _ -> node.put("what", "asks-again");
            case UnitEvent.Found found ->
                write(
                        node.put("what", "found")
                                .put("phase", word(found.phase()))
                                .put("left_s", seconds(found.left())),
                        found.position());
            case UnitEvent.PowerGone _ -> node.put("what", "power-gone");
        }
    }

    private static void write(ObjectNode node, @Nullable Position position) {
        if (position != null) {
            node.putObject("position")
                    .put("latitude_deg", position.latitude_deg())
                    .put("longitude_deg", position.longitude_deg());
        }
    }

    @Override
    public UnitFact read(String type, JsonNode payload) {
        return switch (type) {
            case "UnitsTold" ->
                new UnitFact.UnitsTold(
                        payload.path("units").values().stream()
                                .map(JsonNode::intValue)
                                .toList(),
                        payload.path("events").values().stream()
                                .map(UnitsCodec::event)
                                .toList());
            case "UnitsUntold" -> new UnitFact.UnitsUntold(maybeText(payload, "reason"));
            case "UnitsRead" -> new UnitFact.UnitsRead(instant(payload, "since"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to inertial units");
        };
    }

    private static UnitEvent event(JsonNode node) {
        Instant at = instant(node, "at");
        String what = text(node, "what");
        return switch (what) {
            case "on" -> new UnitEvent.SwitchedOn(at, number(node, "latitude_deg"));
            case "position" -> new UnitEvent.PositionEntered(at, needed(node));
            case "moved" -> new UnitEvent.Moved(at);
            case "code" -> new UnitEvent.CodeShown(at, text(node, "code"));
            case "code-cleared" -> new UnitEvent.CodeCleared(at);
            case "navigation" -> new UnitEvent.NavigationSelected(at);
            case "off" -> new UnitEvent.SwitchedOff(at, needed(node));
            case "asks-again" -> new UnitEvent.AsksAgain(at);
            case "found" ->
                new UnitEvent.Found(
                        at,
                        word(InertialUnit.Phase.class, node, "phase"),
                        node.has("position") ? needed(node) : null,
                        duration(node, "left_s"));
            case "power-gone" -> new UnitEvent.PowerGone(at);
            default -> throw new InvalidEvent("'" + what + "' is nothing that happens to an inertial unit");
        };
    }

    private static Position needed(JsonNode node) {
        JsonNode position = node.path("position");
        return new Position(number(position, "latitude_deg"), number(position, "longitude_deg"));
    }
}
