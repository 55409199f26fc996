package org.skelda.formats.attempt;

import static org.skelda.formats.log.Fields.duration;
import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.maybeDuration;
import static org.skelda.formats.log.Fields.maybeNumber;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.seconds;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.whole;

import java.util.Set;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.start.Action;
import org.skelda.core.start.Finding;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Tap;
import org.skelda.core.watch.Subject;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Attempts to start, from what a feed or the crew told. Times of a start count from its starter on. */
public final class AttemptCodec implements FactCodec<AttemptEvent> {
    /** Their first version told the bare number of an engine. */
    private static final Set<String> OF_A_SUBJECT =
            Set.of("AttemptBegan", "MilestoneReached", "FindingRaised", "AttemptEnded", "TraceStored");

    @Override
    public void write(AttemptEvent fact, ObjectNode payload) {
        switch (fact) {
            case AttemptEvent.AttemptBegan e ->
                attempt(payload, e.of(), e.number())
                        .put("startedAt", e.startedAt().toString())
                        .put("watched", e.watched());
            case AttemptEvent.MilestoneReached e ->
                attempt(payload, e.of(), e.number())
                        .put("milestone", e.milestone().name())
                        .put("at_s", seconds(e.at()));
            case AttemptEvent.FindingRaised e ->
                attempt(payload, e.of(), e.number())
                        .put("id", e.finding().id().name())
                        .put("at_s", seconds(e.finding().at()))
                        .put("action", e.finding().action().name())
                        .put("reason", e.finding().reason());
            case AttemptEvent.AttemptEnded e -> summary(attempt(payload, e.of(), e.number()), e.summary());
            case AttemptEvent.TraceStored e ->
                attempt(payload, e.of(), e.number()).put("sha256", e.sha256()).put("samples", e.samples());
            case AttemptEvent.SightLost e ->
                attempt(payload, e.of(), e.number())
                        .put("from", e.from().toString())
                        .put("until", e.until().toString());
            case AttemptEvent.StartTapped e ->
                attempt(payload, e.engine(), e.number())
                        .put("tap", e.tap().name())
                        .put("tappedAt", e.tappedAt().toString())
                        .put("timed", e.timed());
            case AttemptEvent.StartTapUndone e ->
                put(attempt(payload, e.engine(), e.number()).put("tap", e.tap().name()), "reason", e.reason());
            case AttemptEvent.StartFiguresTyped e -> {
                ObjectNode figures = attempt(payload, e.engine(), e.number());
                put(figures, "peak_c", e.peak_c());
                put(figures, "dip_v", e.dip_v());
            }
        }
    }

    @Override
    public AttemptEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "AttemptBegan" ->
                new AttemptEvent.AttemptBegan(
                        of(payload), number(payload), instant(payload, "startedAt"), text(payload, "watched"));
            case "MilestoneReached" ->
                new AttemptEvent.MilestoneReached(
                        of(payload),
                        number(payload),
                        Milestone.valueOf(text(payload, "milestone")),
                        duration(payload, "at_s"));
            case "FindingRaised" ->
                new AttemptEvent.FindingRaised(
                        of(payload),
                        number(payload),
                        new Finding(
                                FindingId.valueOf(text(payload, "id")),
                                duration(payload, "at_s"),
                                Action.valueOf(text(payload, "action")),
                                text(payload, "reason")));
            case "AttemptEnded" -> new AttemptEvent.AttemptEnded(of(payload), number(payload), summary(payload));
            case "TraceStored" ->
                new AttemptEvent.TraceStored(
                        of(payload), number(payload), text(payload, "sha256"), whole(payload, "samples"));
            case "SightLost" ->
                new AttemptEvent.SightLost(
                        of(payload), number(payload), instant(payload, "from"), instant(payload, "until"));
            case "StartTapped" ->
                new AttemptEvent.StartTapped(
                        whole(payload, "engine"),
                        number(payload),
                        Tap.valueOf(text(payload, "tap")),
                        instant(payload, "tappedAt"),
                        payload.path("timed").booleanValue(true));
            case "StartTapUndone" ->
                new AttemptEvent.StartTapUndone(
                        whole(payload, "engine"),
                        number(payload),
                        Tap.valueOf(text(payload, "tap")),
                        maybeText(payload, "reason"));
            case "StartFiguresTyped" ->
                new AttemptEvent.StartFiguresTyped(
                        whole(payload, "engine"),
                        number(payload),
                        maybeNumber(payload, "peak_c"),
                        maybeNumber(payload, "dip_v"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to a start");
        };
    }

    @Override
    public int version(String type) {
        return OF_A_SUBJECT.contains(type) ? 2 : 1;
    }

    @Override
    public void upcast(String type, int from, ObjectNode payload) {
        payload.put("of", Subject.engine(whole(payload, "engine")).toString());
        payload.remove("engine");
    }

    private static ObjectNode attempt(ObjectNode node, int engine, int number) {
        return node.put("engine", engine).put("number", number);
    }

    private static ObjectNode attempt(ObjectNode node, Subject of, int number) {
        return node.put("of", of.toString()).put("number", number);
    }

    private static Subject of(JsonNode node) {
        return Subject.parse(text(node, "of"));
    }

    private static int number(JsonNode node) {
        return whole(node, "number");
    }

    /** What is remembered of an attempt, as events and records write it. @return the node */
    public static ObjectNode summary(ObjectNode node, AttemptSummary s) {
        node.put("outcome", s.outcome()).put("lasted_s", seconds(s.lasted()));
        put(node, "peak_c", s.peak_c());
        put(node, "timeToLightOff_s", s.timeToLightOff() == null ? null : (Double) seconds(s.timeToLightOff()));
        put(node, "timeToIdle_s", s.timeToIdle() == null ? null : (Double) seconds(s.timeToIdle()));
        put(node, "flowAtLightOff_kgph", s.flowAtLightOff_kgph());
        put(node, "dip_v", s.dip_v());
        put(node, "resistance_mohm", s.resistance_mohm());
        put(node, "motoring_pct", s.motoring_pct());
        return node.put("starterOn_s", seconds(s.starterOn()));
    }

    private static AttemptSummary summary(JsonNode node) {
        return new AttemptSummary(
                text(node, "outcome"),
                duration(node, "lasted_s"),
                maybeNumber(node, "peak_c"),
                maybeDuration(node, "timeToLightOff_s"),
                maybeDuration(node, "timeToIdle_s"),
                maybeNumber(node, "flowAtLightOff_kgph"),
                maybeNumber(node, "dip_v"),
                maybeNumber(node, "resistance_mohm"),
                maybeNumber(node, "motoring_pct"),
                duration(node, "starterOn_s"));
    }
}
