package org.skelda.formats.record;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.person;
import static org.skelda.formats.log.Fields.seat;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.time.DateTimeException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.departure.Event;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.line.LineEvent;
import org.skelda.core.log.Fact;
import org.skelda.core.log.LogEntry;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatEvent;
import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.formats.aligning.UnitsCodec;
import org.skelda.formats.apurun.ApuCodec;
import org.skelda.formats.attempt.AttemptCodec;
import org.skelda.formats.fact.FactsCodec;
import org.skelda.formats.feed.FeedCodec;
import org.skelda.formats.line.LineCodec;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import org.skelda.formats.seat.SeatCodec;
import org.skelda.formats.simulator.SimulatorCodec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The envelope of an event as JSON: id, seq, type, v, at, doneAt, actor, seat, commandId, subject, payload (and, once
 * sealed, prevHash and hash). Times are RFC 3339 in UTC. A newer version of a payload raises {@code v}; old ones stay
 * readable: what is read is made newer version by version before its room reads it.
 */
public final class EventCodec {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final FactCodec<RecordEvent> RECORD = new RecordCodec();
    private static final FactCodec<SeatEvent> SEAT = new SeatCodec();
    private static final FactCodec<LineEvent> LINE = new LineCodec();
    private static final FactCodec<AttemptEvent> ATTEMPT = new AttemptCodec();
    private static final FactCodec<ApuFact> APU = new ApuCodec();
    private static final FactCodec<UnitFact> UNITS = new UnitsCodec();
    private static final FactCodec<FeedEvent> FEED = new FeedCodec();
    private static final FactCodec<FactEvent> FACT = new FactsCodec();
    private static final FactCodec<SimulatorEvent> SIMULATOR = new SimulatorCodec();

    /** Every type of event, and the room that reads it. */
    private static final Map<String, Room<?>> ROOMS = new HashMap<>();

    static {
        new Room<>(RecordEvent.class, RECORD, Event::of).enter();
        new Room<>(SeatEvent.class, SEAT, Event::of).enter();
        new Room<>(LineEvent.class, LINE, Event::of).enter();
        new Room<>(AttemptEvent.class, ATTEMPT, Event::of).enter();
        new Room<>(ApuFact.class, APU, Event::of).enter();
        new Room<>(UnitFact.class, UNITS, Event::of).enter();
        new Room<>(FeedEvent.class, FEED, Event::of).enter();
        new Room<>(FactEvent.class, FACT, Event::of).enter();
        new Room<>(SimulatorEvent.class, SIMULATOR, Event::of).enter();
    }

    private EventCodec() {}

    private record Room<F extends Fact>(Class<F> facts, FactCodec<F> codec, Function<F, Event> event) {
        void enter() {
            codec.types(facts).forEach(type -> ROOMS.put(type, this));
        }

        Event read(String type, JsonNode payload) {
            return event.apply(codec.read(type, payload));
        }
    }

    /** @param entry a log entry @return its envelope, not yet sealed */
    public static ObjectNode write(LogEntry<Event> entry) {
        ObjectNode node = JSON.createObjectNode();
        String type = type(entry.event());
        node.put("id", entry.id().toString());
        node.put("seq", entry.seq());
        node.put("type", type);
        node.put("v", version(type));
        node.put("at", entry.at().toString());
        if (entry.doneAt() != null) {
            node.put("doneAt", entry.doneAt().toString());
        }
        person(node.putObject("actor"), entry.actor());
        if (entry.seat() != null) {
            node.put("seat", word(entry.seat()));
        }
        node.put("commandId", entry.commandId().toString());
        node.put("subject", entry.event().subject());
        write(entry.event(), node.putObject("payload"));
        return node;
    }

    /** The name of an event in the log. */
    public static String type(Event event) {
        return switch (event) {
            case Event.OfRecord(var fact) -> RECORD.type(fact);
            case Event.OfSeat(var fact) -> SEAT.type(fact);
            case Event.OfLine(var fact) -> LINE.type(fact);
            case Event.OfAttempt(var fact) -> ATTEMPT.type(fact);
            case Event.OfApu(var fact) -> APU.type(fact);
            case Event.OfUnits(var fact) -> UNITS.type(fact);
            case Event.OfFeed(var fact) -> FEED.type(fact);
            case Event.OfFact(var fact) -> FACT.type(fact);
            case Event.OfSimulator(var fact) -> SIMULATOR.type(fact);
        };
    }

    /** Every name that an event can have. */
    public static Set<String> types() {
        return Set.copyOf(ROOMS.keySet());
    }

    private static void write(Event event, ObjectNode payload) {
        switch (event) {
            case Event.OfRecord(var fact) -> RECORD.write(fact, payload);
            case Event.OfSeat(var fact) -> SEAT.write(fact, payload);
            case Event.OfLine(var fact) -> LINE.write(fact, payload);
            case Event.OfAttempt(var fact) -> ATTEMPT.write(fact, payload);
            case Event.OfApu(var fact) -> APU.write(fact, payload);
            case Event.OfUnits(var fact) -> UNITS.write(fact, payload);
            case Event.OfFeed(var fact) -> FEED.write(fact, payload);
            case Event.OfFact(var fact) -> FACT.write(fact, payload);
            case Event.OfSimulator(var fact) -> SIMULATOR.write(fact, payload);
        }
    }

    /** @param text an envelope as it was stored @throws InvalidEvent when it cannot be read */
    public static LogEntry<Event> read(String text) {
        return read(JSON.readTree(text));
    }

    /** @param node an envelope of any version @throws InvalidEvent when it cannot be read, naming the field */
    public static LogEntry<Event> read(JsonNode node) {
        try {
            String type = text(node, "type");
            Event event = room(type).read(type, newest(node).path("payload"));
            if (!event.subject().equals(text(node, "subject"))) {
                throw new InvalidEvent("subject '" + text(node, "subject") + "' does not fit its payload");
            }
            return new LogEntry<>(
                    UUID.fromString(text(node, "id")),
                    node.path("seq").longValue(0),
                    instant(node, "at"),
                    node.has("doneAt") ? instant(node, "doneAt") : null,
                    person(node.path("actor")),
                    node.has("seat") ? seat(node, "seat") : null,
                    UUID.fromString(text(node, "commandId")),
                    event);
        } catch (IllegalArgumentException | DateTimeException e) {
            throw new InvalidEvent(String.valueOf(e.getMessage()), e);
        }
    }

    /**
     * An envelope as the newest version would have written it; the one given stays as it is. @throws InvalidEvent for a
     * version that is not known
     */
    static JsonNode newest(JsonNode node) {
        String type = text(node, "type");
        int newest = version(type);
        int version = node.path("v").intValue(0);
        if (version < 1 || version > newest) {
            throw new InvalidEvent("event version " + version + " is not known; this program reads version "
                    + (newest == 1 ? "1" : "1 to " + newest));
        }
        if (version == newest || !(node.path("payload") instanceof ObjectNode)) {
            return node;
        }
        ObjectNode newer = (ObjectNode) node.deepCopy();
        for (int from = version; from < newest; from++) {
            room(type).codec().upcast(type, from, (ObjectNode) newer.path("payload"));
        }
        return newer.put("v", newest);
    }

    private static int version(String type) {
        return room(type).codec().version(type);
    }

    private static Room<?> room(String type) {
        Room<?> room = ROOMS.get(type);
        if (room == null) {
            throw new InvalidEvent("event type '" + type + "' is not known");
        }
        return room;
    }
}
