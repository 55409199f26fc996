package org.skelda.formats.line;

import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.line;
import static org.skelda.formats.log.Fields.maybeNumber;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;

import java.time.Duration;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineEvent;
import org.skelda.core.measure.Judgement;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
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
            case LineEvent.LineAnswered e -> payload.put("line", e.line().toString());
            case LineEvent.LineMeasured e -> {
                payload.put("line", e.line().toString()).put("value", e.value()).put("unit", e.unit());
                judgement(payload.putObject("judgement"), e.judgement());
            }
            case LineEvent.LineConfirmed e -> payload.put("line", e.line().toString());
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
            case LineEvent.ClockStarted e ->
                payload.put("clock", e.clock())
                        .put("by", e.by().toString())
                        .put("startedAt", e.startedAt().toString())
                        .put("duration_s", e.duration().toMillis() / MILLIS_PER_SECOND);
            case LineEvent.ClockCancelled e -> payload.put("clock", e.clock()).put("by", e.by().toString());
        }
    }

    @Override
    public LineEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "LineAnswered" -> new LineEvent.LineAnswered(line(payload, "line"));
            case "LineMeasured" ->
                new LineEvent.LineMeasured(
                        line(payload, "line"),
                        number(payload, "value"),
                        text(payload, "unit"),
                        judgement(payload.path("judgement")));
            case "LineConfirmed" -> new LineEvent.LineConfirmed(line(payload, "line"));
            case "DeviationRecorded" ->
                new LineEvent.DeviationRecorded(
                        line(payload, "line"), text(payload, "reason"), maybeText(payload, "overrides"));
            case "Undone" ->
                new LineEvent.Undone(
                        line(payload, "line"),
                        maybeText(payload, "reason"),
                        payload.path("reopened").values().stream()
                                .map(ref -> LineRef.parse(ref.asString("")))
                                .toList());
            case "ProcedureHeld" ->
                new LineEvent.ProcedureHeld(
                        text(payload, "procedure"),
                        text(payload, "reason"),
                        payload.has("line") ? line(payload, "line") : null);
            case "ProcedureResumed" -> new LineEvent.ProcedureResumed(text(payload, "procedure"));
            case "ClockStarted" ->
                new LineEvent.ClockStarted(
                        text(payload, "clock"),
                        line(payload, "by"),
                        instant(payload, "startedAt"),
                        Duration.ofMillis(Math.round(number(payload, "duration_s") * MILLIS_PER_SECOND)));
            case "ClockCancelled" -> new LineEvent.ClockCancelled(text(payload, "clock"), line(payload, "by"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to lines");
        };
    }

    private static void judgement(ObjectNode node, Judgement judgement) {
        node.put("verdict", word(judgement.verdict()));
        put(node, "limit", judgement.limit());
        put(node, "margin", judgement.margin());
        node.put("source", judgement.source());
    }

    private static Judgement judgement(JsonNode node) {
        return new Judgement(
                word(Judgement.Verdict.class, node, "verdict"),
                maybeNumber(node, "limit"),
                maybeNumber(node, "margin"),
                text(node, "source"));
    }
}
