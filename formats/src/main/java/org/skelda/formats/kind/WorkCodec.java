package org.skelda.formats.kind;

import static org.skelda.formats.log.Fields.maybeNumber;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.person;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.whole;
import static org.skelda.formats.log.Fields.word;
import static org.skelda.formats.log.Fields.yes;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crosscheck.Slip;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Walk;
import org.skelda.core.kind.Work;
import org.skelda.core.measure.Judgement;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What happened on a line, as the payload of its event beside the line's name. Each kind has types of its own. */
public final class WorkCodec {
    private static final double MILLIS_PER_SECOND = 1000;
    /** Every type of event by which a line is worked. */
    public static final List<String> TYPES = List.of(
            "LineAnswered",
            "LineConfirmed",
            "LineAgreed",
            "LineMeasured",
            "LineCompared",
            "LineSaid",
            "LineChosen",
            "LineHeard",
            "LinePositionSeen",
            "LineFound",
            "LineSettled",
            "LineGroupSeen",
            "LineIndicationSeen",
            "LineIndicationDecided",
            "LineTestBegunAnew");

    private WorkCodec() {}

    /** The type of the event. */
    public static String type(Work work) {
        return switch (work) {
            case Work.Answered _ -> "LineAnswered";
            case Work.Confirmed _ -> "LineConfirmed";
            case Work.Agreed _ -> "LineAgreed";
            case Measure.Read _ -> "LineMeasured";
            case Compare.Compared _ -> "LineCompared";
            case Challenge.Said _ -> "LineSaid";
            case Choice.Chosen _ -> "LineChosen";
            case Communication.Heard _ -> "LineHeard";
            case ControlCheck.PositionSeen _ -> "LinePositionSeen";
            case Walk.Found _ -> "LineFound";
            case Walk.Settled _ -> "LineSettled";
            case Indications.GroupSeen _ -> "LineGroupSeen";
            case Indications.OneSeen _ -> "LineIndicationSeen";
            case Indications.Decided _ -> "LineIndicationDecided";
            case Indications.BegunAnew _ -> "LineTestBegunAnew";
        };
    }

    public static void write(Work work, ObjectNode payload) {
        switch (work) {
            case Work.Answered(boolean alone, Work.Agreement agreed) -> {
                alone(payload, alone);
                if (agreed != null) {
                    agreement(payload.putObject("agreed"), agreed);
                }
            }
            case Work.Confirmed _ -> {}
            case Work.Agreed(String named) -> put(payload, "named", named);
            case Measure.Read read -> {
                payload.put("value", read.value()).put("unit", read.unit());
                judgement(payload.putObject("judgement"), read.judgement());
                if (!read.others().isEmpty()) {
                    ArrayNode others = payload.putArray("others");
                    read.others().forEach(one -> judgement(others.addObject(), one));
                }
                if (read.since() != null) {
                    payload.put("since_s", read.since().toMillis() / MILLIS_PER_SECOND);
                }
                if (!read.shown().isEmpty()) {
                    ArrayNode shown = payload.putArray("shown");
                    read.shown()
                            .forEach(point ->
                                    shown.addObject().put("at_s", point.at_s()).put("current_a", point.current_A()));
                }
            }
            case Compare.Compared compared -> compared(payload, compared);
            case Challenge.Said said -> {
                payload.put("value", said.value()).put("unit", said.unit()).put("matches", said.matches());
                put(payload, "expected", said.expected());
                slip(payload, said.slip());
                alone(payload, said.alone());
            }
            case Choice.Chosen(String branch, String offered) -> {
                payload.put("choice", branch);
                put(payload, "offered", offered);
            }
            case Communication.Heard(Map<String, String> values, boolean alone) -> {
                ObjectNode node = payload.putObject("values");
                values.forEach(node::put);
                alone(payload, alone);
            }
            case ControlCheck.PositionSeen(String axis, String position, boolean right) ->
                payload.put("axis", axis).put("position", position).put("right", right);
            case Walk.Found(Walk.Sort what, String words, Walk.Severity severity) ->
                payload.put("what", word(what)).put("words", words).put("severity", word(severity));
            case Walk.Settled(int finding, Walk.Verdict verdict, String reason) -> {
                payload.put("finding", finding).put("verdict", word(verdict));
                put(payload, "reason", reason);
            }
            case Indications.GroupSeen seen -> {
                payload.put("phase", seen.phase()).put("group", seen.group());
                texts(payload, "expected", seen.expected());
                if (!seen.dark().isEmpty()) {
                    texts(payload, "dark", seen.dark());
                }
                if (!seen.extra().isEmpty()) {
                    texts(payload, "extra", seen.extra());
                }
            }
            case Indications.OneSeen(String phase, String indication, boolean lit, List<String> expected) -> {
                payload.put("phase", phase).put("indication", indication).put("lit", lit);
                texts(payload, "expected", expected);
            }
            case Indications.Decided(String phase, String indication, Indications.Verdict verdict, String reason) -> {
                payload.put("phase", phase).put("indication", indication).put("verdict", word(verdict));
                put(payload, "reason", reason);
            }
            case Indications.BegunAnew _ -> {}
        }
    }

    /** @throws InvalidEvent when a field is missing or impossible */
    public static Work read(String type, JsonNode payload) {
        return switch (type) {
            case "LineAnswered" ->
                new Work.Answered(
                        yes(payload, "alone"), payload.has("agreed") ? agreement(payload.path("agreed")) : null);
            case "LineConfirmed" -> new Work.Confirmed();
            case "LineAgreed" -> new Work.Agreed(maybeText(payload, "named"));
            case "LineMeasured" ->
                new Measure.Read(
                        number(payload, "value"),
                        text(payload, "unit"),
                        judgement(payload.path("judgement")),
                        payload.path("others").values().stream()
                                .map(WorkCodec::judgement)
                                .toList(),
                        payload.has("since_s")
                                ? Duration.ofMillis(Math.round(number(payload, "since_s") * MILLIS_PER_SECOND))
                                : null,
                        payload.path("shown").values().stream()
                                .map(point -> new ChargeCurve.Point(number(point, "at_s"), number(point, "current_a")))
                                .toList());
            case "LineCompared" -> compared(payload);
            case "LineSaid" ->
                new Challenge.Said(
                        number(payload, "value"),
                        text(payload, "unit"),
                        maybeNumber(payload, "expected"),
                        yes(payload, "matches"),
                        slip(payload),
                        yes(payload, "alone"));
            case "LineChosen" -> new Choice.Chosen(text(payload, "choice"), maybeText(payload, "offered"));
            case "LineHeard" -> {
                Map<String, String> values = new LinkedHashMap<>();
                payload.path("values").propertyNames().forEach(id -> values.put(id, text(payload.path("values"), id)));
                yield new Communication.Heard(values, yes(payload, "alone"));
            }
            case "LinePositionSeen" ->
                new ControlCheck.PositionSeen(text(payload, "axis"), text(payload, "position"), yes(payload, "right"));
            case "LineFound" ->
                new Walk.Found(
                        word(Walk.Sort.class, payload, "what"),
                        text(payload, "words"),
                        word(Walk.Severity.class, payload, "severity"));
            case "LineSettled" ->
                new Walk.Settled(
                        whole(payload, "finding"),
                        word(Walk.Verdict.class, payload, "verdict"),
                        maybeText(payload, "reason"));
            case "LineGroupSeen" ->
                new Indications.GroupSeen(
                        text(payload, "phase"),
                        text(payload, "group"),
                        texts(payload, "expected"),
                        texts(payload, "dark"),
                        texts(payload, "extra"));
            case "LineIndicationSeen" ->
                new Indications.OneSeen(
                        text(payload, "phase"),
                        text(payload, "indication"),
                        yes(payload, "lit"),
                        texts(payload, "expected"));
            case "LineIndicationDecided" ->
                new Indications.Decided(
                        text(payload, "phase"),
                        text(payload, "indication"),
                        word(Indications.Verdict.class, payload, "verdict"),
                        maybeText(payload, "reason"));
            case "LineTestBegunAnew" -> new Indications.BegunAnew();
            default -> throw new InvalidEvent("'" + type + "' is nothing by which a line is worked");
        };
    }

    private static void texts(ObjectNode payload, String key, List<String> texts) {
        ArrayNode array = payload.putArray(key);
        texts.forEach(array::add);
    }

    private static List<String> texts(JsonNode payload, String key) {
        return payload.path(key).values().stream().map(JsonNode::asString).toList();
    }

    private static void alone(ObjectNode payload, boolean alone) {
        if (alone) {
            payload.put("alone", true);
        }
    }

    private static void agreement(ObjectNode node, Work.Agreement agreed) {
        if (agreed.with() != null) {
            person(node.putObject("with"), agreed.with());
        }
        put(node, "named", agreed.named());
    }

    private static Work.Agreement agreement(JsonNode node) {
        return new Work.Agreement(node.has("with") ? person(node.path("with")) : null, maybeText(node, "named"));
    }

    private static void compared(ObjectNode payload, Compare.Compared compared) {
        ArrayNode values = payload.putArray("values");
        compared.values().forEach(values::add);
        payload.put("unit", compared.unit()).put("agree", compared.agree()).put("spread", compared.spread());
        put(payload, "reference", compared.reference());
        if (compared.odd() != null) {
            payload.put("odd", (int) compared.odd());
        }
        slip(payload, compared.slip());
    }

    private static Compare.Compared compared(JsonNode payload) {
        return new Compare.Compared(
                payload.path("values").values().stream()
                        .map(JsonNode::doubleValue)
                        .toList(),
                text(payload, "unit"),
                yes(payload, "agree"),
                number(payload, "spread"),
                maybeNumber(payload, "reference"),
                payload.has("odd") ? (Integer) whole(payload, "odd") : null,
                slip(payload));
    }

    private static void slip(ObjectNode payload, @Nullable Slip slip) {
        if (slip != null) {
            payload.putObject("slip").put("kind", word(slip.kind())).put("detail", slip.detail());
        }
    }

    private static @Nullable Slip slip(JsonNode payload) {
        JsonNode node = payload.path("slip");
        return payload.has("slip") ? new Slip(word(Slip.Kind.class, node, "kind"), text(node, "detail")) : null;
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
