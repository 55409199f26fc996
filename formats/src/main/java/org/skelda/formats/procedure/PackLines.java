package org.skelda.formats.procedure;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.When;
import org.skelda.core.procedure.ClockSpec;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.PanelMap;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import tools.jackson.databind.JsonNode;

/** Turns nodes that passed the schema into the core's values. */
final class PackLines {
    private static final double MILLIS_PER_SECOND = 1000;
    private static final double MILLIS_PER_MINUTE = 60_000;

    private PackLines() {}

    static ClockSpec clock(String id, JsonNode node) {
        JsonNode alignment = node.path("alignment");
        ClockSpec.Time time = alignment.isMissingNode()
                ? new ClockSpec.Time.Fixed(duration(node.path("duration_s").doubleValue() * MILLIS_PER_SECOND))
                : new ClockSpec.Time.Alignment(new AlignmentRule(
                        duration(alignment.path("atEquator_min").doubleValue() * MILLIS_PER_MINUTE),
                        duration(alignment.path("longest_min").doubleValue() * MILLIS_PER_MINUTE),
                        alignment.path("highestLatitude_deg").doubleValue()));
        return new ClockSpec(
                id, text(node, "label"), text(node, "releases"), optional(node, "note"), time, text(node, "source"));
    }

    private static Duration duration(double millis) {
        return Duration.ofMillis(Math.round(millis));
    }

    static MeasureSpec measure(JsonNode node) {
        return new MeasureSpec(
                text(node, "quantity"),
                text(node, "unit"),
                node.path("decimals").intValue(),
                node.path("possible").path(0).doubleValue(),
                node.path("possible").path(1).doubleValue(),
                number(node, "min"),
                number(node, "max"),
                number(node, "cautionBelow"),
                number(node, "cautionAbove"),
                text(node, "source"));
    }

    static PanelMap map(String id, JsonNode node) {
        List<PanelMap.Zone> zones = node.path("zones").values().stream()
                .map(zone -> new PanelMap.Zone(
                        text(zone, "id"),
                        text(zone, "label"),
                        optional(zone, "tag"),
                        text(zone, "outline"),
                        zone.path("at").path(0).doubleValue(),
                        zone.path("at").path(1).doubleValue()))
                .toList();
        return new PanelMap(
                id,
                text(node, "title"),
                node.path("width").intValue(),
                node.path("height").intValue(),
                zones);
    }

    static Procedure procedure(JsonNode node, TypeSheet sheet, PackConditions conditions) {
        Procedure.Style style = switch (text(node, "style")) {
            case "flow" -> Procedure.Style.FLOW;
            case "checklist" -> Procedure.Style.CHECKLIST;
            case "read-and-do" -> Procedure.Style.READ_AND_DO;
            default -> throw new IllegalArgumentException("there is no style '" + text(node, "style") + "'");
        };
        String seat = optional(node, "seat");
        List<Line> lines = node.path("lines").values().stream()
                .map(line -> line(line, sheet, conditions.of(line)))
                .toList();
        return new Procedure(
                text(node, "id"),
                text(node, "title"),
                style,
                seat == null ? null : seat.equals("left") ? Seat.LEFT : Seat.RIGHT,
                node.path("strand").intValue(1),
                text(node, "how"),
                node.path("inOrder").booleanValue(style != Procedure.Style.FLOW),
                optional(node, "map"),
                lines,
                node.path("abnormal").booleanValue(false),
                conditions.of(node));
    }

    private static Line line(JsonNode node, TypeSheet sheet, @Nullable When when) {
        LineHead head = head(node, when);
        return switch (text(node, "kind")) {
            case "action" -> new Line.Action(head, text(node, "label"), text(node, "setting"));
            case "check" -> new Line.Check(head, text(node, "label"), text(node, "shows"));
            case "measure" -> new Line.Measure(head, measureOf(node, sheet));
            case "challenge" ->
                new Line.Challenge(
                        head,
                        text(node, "label"),
                        text(node, "response"),
                        text(node, "responder").equals("flying") ? Role.FLYING : Role.MONITORING);
            case "read" -> new Line.Read(head, text(node, "label"), text(node, "does"));
            case "gate" ->
                new Line.Gate(
                        head,
                        text(node, "label"),
                        text(node, "said"),
                        node.path("splits").booleanValue(false));
            case "caution" -> new Line.Caution(head, text(node, "label"), text(node, "hazard"));
            case "start" ->
                new Line.Start(
                        head,
                        node.path("engine").intValue(),
                        text(node, "label"),
                        text(node, "does"),
                        today(node.path("today")));
            default -> throw new IllegalArgumentException("there is no line kind '" + text(node, "kind") + "'");
        };
    }

    private static MeasureSpec measureOf(JsonNode node, TypeSheet sheet) {
        MeasureSpec spec = sheet.measures().get(text(node, "measure"));
        if (spec == null) {
            throw new IllegalArgumentException(
                    "line '" + text(node, "id") + "': the type has no measure '" + text(node, "measure") + "'");
        }
        return spec;
    }

    private static Line.Start.Today today(JsonNode node) {
        return new Line.Start.Today(ref(node, "oat"), ref(node, "tailWind"), ref(node, "supply"));
    }

    private static @Nullable LineRef ref(JsonNode node, String key) {
        return node.has(key) ? LineRef.parse(text(node, key)) : null;
    }

    private static LineHead head(JsonNode node, @Nullable When when) {
        return new LineHead(
                text(node, "id"),
                optional(node, "zone"),
                node.path("gate").values().stream().map(PackLines::condition).toList(),
                optional(node, "guards"),
                optional(node, "hardToSee"),
                node.path("starts").values().stream().map(JsonNode::asString).toList(),
                node.path("marksOffBlock").booleanValue(false),
                when);
    }

    private static Condition condition(JsonNode node) {
        if (node.has("clock")) {
            return new Condition.ClockElapsed(text(node, "clock"));
        }
        if (node.has("procedures")) {
            return new Condition.ProceduresDone(node.path("procedures").values().stream()
                    .map(JsonNode::asString)
                    .toList());
        }
        return node.has("reading")
                ? new Condition.WithinLimits(LineRef.parse(text(node, "reading")))
                : new Condition.LineDone(LineRef.parse(text(node, "line")));
    }

    private static String text(JsonNode node, String key) {
        return node.path(key).asString();
    }

    private static @Nullable String optional(JsonNode node, String key) {
        return node.has(key) ? node.path(key).asString() : null;
    }

    private static @Nullable Double number(JsonNode node, String key) {
        return node.has(key) ? (Double) node.path(key).doubleValue() : null;
    }
}
