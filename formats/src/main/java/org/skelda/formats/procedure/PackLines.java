package org.skelda.formats.procedure;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.UnitGoal;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuGoal;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Control;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineHead;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.PanelMap;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.formats.kind.KindReader;
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

    /** @param start of the same document, for a battery that starts an engine; missing when it has none */
    static MeasureSpec measure(JsonNode node, JsonNode start) {
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
                text(node, "source"),
                node.has("battery") ? PackBattery.rule(node, start) : null,
                node.has("falls") ? PackBattery.charge(node) : null,
                node.has("gauge") ? PackBattery.gauge(node) : null);
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

    static Control control(String id, JsonNode node) {
        return new Control(
                id,
                text(node, "label"),
                node.path("irreversible").booleanValue(false),
                node.has("hazard") ? KindReader.word(Hazard.class, text(node, "hazard")) : null);
    }

    static Option option(String id, JsonNode node) {
        return new Option(
                id,
                text(node, "label"),
                node.path("choices").values().stream()
                        .map(choice -> new Option.School(
                                text(choice, "id"),
                                text(choice, "label"),
                                text(choice, "because"),
                                text(choice, "against"),
                                value(choice)))
                        .toList(),
                text(node, "set"));
    }

    /** What a choice says to conditions: its number, its yes or no, else its id. */
    private static Value value(JsonNode choice) {
        JsonNode value = choice.path("value");
        if (value.isNumber()) {
            return new Value.Number(value.doubleValue());
        }
        return value.isBoolean() ? new Value.YesNo(value.booleanValue()) : new Value.Word(text(choice, "id"));
    }

    static Procedure procedure(JsonNode node, List<PlacedLine> placed, TypeSheet sheet, PackConditions conditions) {
        Procedure.Style style = KindReader.word(Procedure.Style.class, text(node, "style"));
        KindReader kinds = new KindReader(sheet, conditions::of);
        List<Line> lines = placed.stream()
                .map(line -> line(line, sheet, kinds, conditions))
                .toList();
        return new Procedure(
                text(node, "id"),
                text(node, "title"),
                style,
                node.has("seat") ? KindReader.word(Seat.class, text(node, "seat")) : null,
                node.path("strand").intValue(1),
                text(node, "how"),
                node.path("inOrder").booleanValue(style != Procedure.Style.FLOW),
                optional(node, "map"),
                lines,
                occasion(node),
                conditions.of(node));
    }

    private static Procedure.Occasion occasion(JsonNode node) {
        if (node.path("abnormal").booleanValue(false)) {
            return Procedure.Occasion.ABNORMAL;
        }
        return node.path("arrival").booleanValue(false) ? Procedure.Occasion.ARRIVAL : Procedure.Occasion.ALWAYS;
    }

    private static Line line(PlacedLine placed, TypeSheet sheet, KindReader kinds, PackConditions conditions) {
        List<When> when = new ArrayList<>(placed.under());
        When own = conditions.of(placed.node());
        if (own != null) {
            when.add(own);
        }
        try {
            return new Line(head(placed.node(), when, sheet), kinds.read(placed.node()));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("line '" + placed.ref().line() + "': " + e.getMessage(), e);
        }
    }

    private static LineHead head(JsonNode node, List<When> when, TypeSheet sheet) {
        return new LineHead(
                text(node, "id"),
                optional(node, "zone"),
                node.path("gate").values().stream().map(PackLines::condition).toList(),
                optional(node, "guards"),
                optional(node, "hardToSee"),
                node.path("starts").values().stream().map(JsonNode::asString).toList(),
                node.path("marksOffBlock").booleanValue(false),
                when,
                marks(node, sheet));
    }

    private static Marks marks(JsonNode node, TypeSheet sheet) {
        Control control = null;
        if (node.has("control")) {
            control = sheet.controls().get(text(node, "control"));
            if (control == null) {
                throw new IllegalArgumentException("the type has no control '" + text(node, "control") + "'");
            }
        }
        boolean agree = node.path("agree").booleanValue(false);
        if (agree && control == null) {
            throw new IllegalArgumentException("'agree' needs the 'control' that is agreed on");
        }
        Set<Change> reopenOn = EnumSet.noneOf(Change.class);
        node.path("reopenOn")
                .values()
                .forEach(change -> reopenOn.add(KindReader.word(Change.class, change.asString())));
        return new Marks(
                control,
                agree,
                node.path("stationary").booleanValue(false),
                node.path("notSteering").booleanValue(false),
                node.has("by") ? KindReader.word(Role.class, text(node, "by")) : null,
                node.path("heldUntilAgreed").booleanValue(false),
                node.path("repeatable").booleanValue(false),
                reopenOn,
                node.has("motion") ? KindReader.word(Marks.Motion.class, text(node, "motion")) : null,
                node.has("apu") ? KindReader.word(ApuTap.class, text(node, "apu")) : null,
                node.has("inertial") ? KindReader.word(UnitTap.class, text(node, "inertial")) : null);
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
        if (node.has("both")) {
            return new Condition.StrandsJoined();
        }
        if (node.has("apu")) {
            return new Condition.ApuAt(KindReader.word(ApuGoal.class, text(node, "apu")));
        }
        if (node.has("inertial")) {
            return new Condition.UnitsAt(KindReader.word(UnitGoal.class, text(node, "inertial")));
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
