package org.skelda.formats.line;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.line;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineEvent;
import org.skelda.core.procedure.Change;
import org.skelda.formats.kind.WorkCodec;
import org.skelda.formats.log.FactCodec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Lines: what was answered, measured, confirmed, passed or taken back; procedures put aside; clocks. A clock's time is
 * in whole milliseconds.
 */
public final class LineCodec implements FactCodec<LineEvent> {
    private static final double MILLIS_PER_SECOND = 1000;

    @Override
    public void write(LineEvent fact, ObjectNode payload) {
        switch (fact) {
            case LineEvent.LineWorked e -> {
                payload.put("line", e.line().toString());
                WorkCodec.write(e.work(), payload);
            }
            case LineEvent.DeviationRecorded e -> {
                payload.put("line", e.line().toString()).put("reason", e.reason());
                put(payload, "overrides", e.overrides());
            }
            case LineEvent.Undone e -> {
                payload.put("line", e.line().toString());
                put(payload, "reason", e.reason());
                ArrayNode reopened = payload.putArray("reopened");
                e.reopened().forEach(line -> reopened.add(line.toString()));
            }
            case LineEvent.ProcedureHeld e -> {
                payload.put("procedure", e.procedure()).put("reason", e.reason());
                put(payload, "line", e.line() == null ? null : e.line().toString());
            }
            case LineEvent.ProcedureResumed e -> payload.put("procedure", e.procedure());
            case LineEvent.LinesTaken e -> {
                payload.put("procedure", e.procedure());
                put(payload, "by", e.by() == null ? null : word(e.by()));
            }
            case LineEvent.ClockStarted e ->
                payload.put("clock", e.clock())
                        .put("by", e.by().toString())
                        .put("startedAt", e.startedAt().toString())
                        .put("duration_s", e.duration().toMillis() / MILLIS_PER_SECOND);
            case LineEvent.ChangeReported e -> {
                payload.put("change", word(e.change())).put("words", e.words());
                ArrayNode reopened = payload.putArray("reopened");
                e.reopened().forEach(line -> reopened.add(line.toString()));
            }
            case LineEvent.ClockCancelled e -> payload.put("clock", e.clock()).put("by", e.by().toString());
        }
    }

    @Override
    public LineEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "DeviationRecorded" ->
                new LineEvent.DeviationRecorded(
                        line(payload, "line"), text(payload, "reason"), maybeText(payload, "overrides"));
            case "Undone" ->
                new LineEvent.Undone(line(payload, "line"), maybeText(payload, "reason"), lines(payload, "reopened"));
            case "ChangeReported" ->
                new LineEvent.ChangeReported(
                        word(Change.class, payload, "change"), text(payload, "words"), lines(payload, "reopened"));
            case "ProcedureHeld" ->
                new LineEvent.ProcedureHeld(
                        text(payload, "procedure"),
                        text(payload, "reason"),
                        payload.has("line") ? line(payload, "line") : null);
            case "LinesTaken" ->
                new LineEvent.LinesTaken(
                        text(payload, "procedure"), payload.has("by") ? word(Seat.class, payload, "by") : null);
            case "ProcedureResumed" -> new LineEvent.ProcedureResumed(text(payload, "procedure"));
            case "ClockStarted" ->
                new LineEvent.ClockStarted(
                        text(payload, "clock"),
                        line(payload, "by"),
                        instant(payload, "startedAt"),
                        Duration.ofMillis(Math.round(number(payload, "duration_s") * MILLIS_PER_SECOND)));
            case "ClockCancelled" -> new LineEvent.ClockCancelled(text(payload, "clock"), line(payload, "by"));
            default -> new LineEvent.LineWorked(line(payload, "line"), WorkCodec.read(type, payload));
        };
    }

    private static List<LineRef> lines(JsonNode payload, String key) {
        return payload.path(key).values().stream()
                .map(ref -> LineRef.parse(ref.asString("")))
                .toList();
    }

    /** A line that was worked bears the name of what was done on it. */
    @Override
    public String type(LineEvent fact) {
        return fact instanceof LineEvent.LineWorked worked ? WorkCodec.type(worked.work()) : FactCodec.super.type(fact);
    }

    @Override
    public List<String> types(Class<LineEvent> facts) {
        return Stream.concat(
                        FactCodec.super.types(facts).stream()
                                .filter(type -> !type.equals(LineEvent.LineWorked.class.getSimpleName())),
                        WorkCodec.TYPES.stream())
                .toList();
    }
}
