package org.skelda.formats.kind;

import java.time.Duration;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.kind.Action;
import org.skelda.core.kind.Callout;
import org.skelda.core.kind.Caution;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Check;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Communication.Heading;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Gate;
import org.skelda.core.kind.Hazard;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineKind;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Memory;
import org.skelda.core.kind.Note;
import org.skelda.core.kind.Read;
import org.skelda.core.kind.Start;
import org.skelda.core.kind.Walk;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.When;
import org.skelda.core.procedure.TypeSheet;
import tools.jackson.databind.JsonNode;

/** Turns a line's node that passed the schema into its kind. */
public final class KindReader {
    private static final double MILLIS_PER_SECOND = 1000;

    private final Map<String, MeasureSpec> measures;
    private final Map<String, IndicationTest> tests;
    private final Function<JsonNode, @Nullable When> conditions;

    /** @param sheet of the type; @param conditions the condition that a node carries */
    public KindReader(TypeSheet sheet, Function<JsonNode, @Nullable When> conditions) {
        this.measures = sheet.measures();
        this.tests = sheet.tests();
        this.conditions = conditions;
    }

    /** @throws IllegalArgumentException when it names what the type does not have, or contradicts itself */
    public LineKind read(JsonNode node) {
        return switch (text(node, "kind")) {
            case "action" -> new Action(text(node, "label"), text(node, "setting"), seconds(node, "holds_s"));
            case "check" -> new Check(text(node, "label"), text(node, "shows"), seconds(node, "holds_s"));
            case "measure" -> measure(node);
            case "compare" -> compare(node);
            case "challenge" ->
                new Challenge(text(node, "label"), text(node, "response"), role(node, "responder"), match(node));
            case "read" -> new Read(text(node, "label"), text(node, "does"));
            case "memory" -> new Memory(text(node, "label"), text(node, "does"));
            case "decision" -> choice(node);
            case "gate" -> new Gate(text(node, "label"), text(node, "said"), yes(node, "splits"));
            case "callout" -> new Callout(text(node, "label"), text(node, "says"), role(node, "speaker"));
            case "communication" -> communication(node);
            case "note" -> new Note(text(node, "label"), text(node, "says"), yes(node, "acknowledge"));
            case "caution" -> new Caution(text(node, "label"), text(node, "hazard"), hazards(node));
            case "control-check" -> controlCheck(node);
            case "walk" -> new Walk(text(node, "label"), text(node, "looks"));
            case "indications" -> indications(node);
            case "start" ->
                new Start(node.path("engine").intValue(), text(node, "label"), text(node, "does"), today(node));
            default -> throw new IllegalArgumentException("there is no line kind '" + text(node, "kind") + "'");
        };
    }

    private MeasureSpec spec(JsonNode node) {
        MeasureSpec spec = measures.get(text(node, "measure"));
        if (spec == null) {
            throw new IllegalArgumentException("the type has no measure '" + text(node, "measure") + "'");
        }
        return spec;
    }

    private Measure measure(JsonNode node) {
        MeasureSpec spec = spec(node);
        List<Measure.Bound> bounds = node.path("limits").values().stream()
                .map(limit -> new Measure.Bound(
                        conditions.apply(limit),
                        new MeasureSpec(
                                spec.quantity(),
                                spec.unit(),
                                spec.decimals(),
                                // A drop may go either way.
                                limit.has("from") ? -spec.possibleMax() : spec.possibleMin(),
                                spec.possibleMax(),
                                number(limit, "min"),
                                number(limit, "max"),
                                number(limit, "cautionBelow"),
                                number(limit, "cautionAbove"),
                                text(limit, "source")),
                        limit.path("fallsPer1000ft").doubleValue(0),
                        limit.has("from") ? "reading('" + text(limit, "from") + "')" : null))
                .toList();
        return new Measure(spec, bounds, optional(node, "outside"));
    }

    private Compare compare(JsonNode node) {
        JsonNode reference = node.path("reference");
        return new Compare(
                spec(node),
                texts(node, "of"),
                number(node, "within"),
                reference.isMissingNode()
                        ? null
                        : new Compare.Reference(
                                text(reference, "name"),
                                text(reference, "label"),
                                reference.path("within").doubleValue()));
    }

    private Challenge.@Nullable Match match(JsonNode node) {
        JsonNode match = node.path("matches");
        return match.isMissingNode()
                ? null
                : new Challenge.Match(
                        text(match, "name"), spec(match), match.path("within").doubleValue(0));
    }

    private Choice choice(JsonNode node) {
        List<Choice.Branch> branches = node.path("choices").values().stream()
                .map(branch -> new Choice.Branch(
                        text(branch, "id"),
                        text(branch, "label"),
                        optional(branch, "ends"),
                        optional(branch, "list"),
                        conditions.apply(branch)))
                .toList();
        return new Choice(text(node, "label"), text(node, "asks"), branches);
    }

    private static Communication communication(JsonNode node) {
        return new Communication(
                text(node, "label"),
                text(node, "with"),
                text(node, "says"),
                node.path("values").values().stream().map(KindReader::heading).toList(),
                yes(node, "readBack"));
    }

    private static Heading heading(JsonNode node) {
        String id = text(node, "id");
        String label = text(node, "label");
        if (node.has("pick")) {
            return new Heading.Pick(id, label, texts(node, "pick"));
        }
        if (node.has("digits")) {
            try {
                return new Heading.Digits(id, label, Pattern.compile(text(node, "digits")), text(node, "example"));
            } catch (PatternSyntaxException e) {
                throw new IllegalArgumentException(
                        "'" + text(node, "digits") + "' is no pattern: " + e.getDescription(), e);
            }
        }
        return node.has("min")
                ? new Heading.Number(
                        id,
                        label,
                        node.path("unit").asString(""),
                        node.path("min").doubleValue(),
                        node.path("max").doubleValue())
                : new Heading.Words(id, label);
    }

    private static ControlCheck controlCheck(JsonNode node) {
        return new ControlCheck(
                text(node, "label"),
                text(node, "shows"),
                text(node, "order").equals("one-by-one"),
                node.path("axes").values().stream()
                        .map(axis ->
                                new ControlCheck.Axis(text(axis, "id"), text(axis, "label"), texts(axis, "positions")))
                        .toList());
    }

    private Indications indications(JsonNode node) {
        IndicationTest test = tests.get(text(node, "test"));
        if (test == null) {
            throw new IllegalArgumentException("the type has no test '" + text(node, "test") + "'");
        }
        Map<String, String> go = new LinkedHashMap<>();
        node.path("go")
                .properties()
                .forEach(entry -> go.put(entry.getKey(), entry.getValue().asString()));
        return new Indications(text(node, "label"), text(node, "does"), test, go);
    }

    private static Set<Hazard> hazards(JsonNode node) {
        Set<Hazard> hazards = EnumSet.noneOf(Hazard.class);
        texts(node, "about").forEach(word -> hazards.add(word(Hazard.class, word)));
        return hazards;
    }

    private static Start.Today today(JsonNode node) {
        JsonNode today = node.path("today");
        return new Start.Today(ref(today, "oat"), ref(today, "tailWind"), ref(today, "supply"));
    }

    /** One of a pack's words, which are in lower case with hyphens. */
    public static <T extends Enum<T>> T word(Class<T> words, String word) {
        return Enum.valueOf(words, word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    private static @Nullable LineRef ref(JsonNode node, String key) {
        return node.has(key) ? LineRef.parse(text(node, key)) : null;
    }

    private static Role role(JsonNode node, String key) {
        return word(Role.class, text(node, key));
    }

    private static @Nullable Duration seconds(JsonNode node, String key) {
        return node.has(key) ? Duration.ofMillis(Math.round(node.path(key).doubleValue() * MILLIS_PER_SECOND)) : null;
    }

    private static List<String> texts(JsonNode node, String key) {
        return node.path(key).values().stream().map(JsonNode::asString).toList();
    }

    private static boolean yes(JsonNode node, String key) {
        return node.path(key).booleanValue(false);
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
