package org.skelda.formats.procedure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.electrics.Network;
import org.skelda.core.fact.DayFact;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Conditions;
import org.skelda.core.order.Feeds;
import org.skelda.core.procedure.Control;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.PanelMap;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.start.ProfileChecks;
import org.skelda.core.start.StartProfile;
import org.skelda.core.taxi.OneEngineTaxi;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads the two documents of a pack into a plan for one tail. Says everything that is wrong, with path and line. */
public final class PackReader {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private PackReader() {}

    /** A document that passed the schema and does not contradict itself. */
    public static final class Document {
        private final PackSource source;

        private Document(PackSource source) {
            this.source = source;
        }

        /** SHA-256 of its bytes, hex. */
        public String hash() {
            return source.hash();
        }

        /** {@code type} or {@code procedures}. */
        public String kind() {
            return source.tree().path("document").asString();
        }

        /** The type's code, or the procedures' id. */
        public String id() {
            return source.tree().path("id").asString();
        }

        /** The type's code either way. */
        public String typeId() {
            return kind().equals("type") ? id() : source.tree().path("type").asString();
        }

        /** Whose procedures they are; empty for a type. */
        public String operator() {
            return source.tree().path("operator").asString("");
        }

        /** How engines of the type are started; empty when the document does not say. */
        public Optional<StartProfile> startProfile() {
            return source.tree().has("start") ? Optional.of(PackStarts.profile(source.tree())) : Optional.empty();
        }
    }

    /** The published JSON Schema, as text. */
    public static String schema() {
        return PackSchema.text();
    }

    /**
     * Checks one document by itself.
     *
     * @param file its name, for messages
     * @param bytes UTF-8 YAML
     * @throws InvalidPack with all that is wrong
     */
    public static Document check(String file, byte[] bytes) {
        PackSource source = PackSource.parse(file, bytes);
        PackSchema.check(source);
        refuse(source, contradictions(source, source.tree()));
        return new Document(source);
    }

    /**
     * Joins a type and an operator's procedures for one tail.
     *
     * @param type its document
     * @param procedures the operator's
     * @param modifications ids of the tail's modifications, applied in this order
     * @param language in which conditions are written
     * @throws InvalidPack with all that is wrong
     */
    public static Plan plan(Document type, Document procedures, List<String> modifications, Conditions language) {
        return plan(type, procedures, modifications, language, false);
    }

    /**
     * The same for documents that come from outside: their conditions are looked at closely as well.
     *
     * @param type its document
     * @param procedures the operator's
     * @param language in which conditions are written
     * @throws InvalidPack with all that is wrong
     */
    public static Plan examine(Document type, Document procedures, Conditions language) {
        return plan(type, procedures, List.of(), language, true);
    }

    private static Plan plan(
            Document type, Document procedures, List<String> modifications, Conditions language, boolean closely) {
        if (!procedures.typeId().equals(type.id())) {
            throw InvalidPack.of(
                    procedures.source.file(),
                    "/type",
                    procedures.source.line("/type"),
                    "these are procedures for " + procedures.typeId() + ", the type document is " + type.id());
        }
        return join(sheet(type.source, modifications, language, closely), procedures.source, language, closely);
    }

    /**
     * The same of the bytes of both.
     *
     * @param typeFile name of the type document
     * @param type its bytes
     * @param proceduresFile name of the procedures document
     * @param procedures its bytes
     * @param modifications ids of the tail's modifications, applied in this order
     * @param language in which conditions are written
     * @throws InvalidPack with all that is wrong
     */
    public static Plan plan(
            String typeFile,
            byte[] type,
            String proceduresFile,
            byte[] procedures,
            List<String> modifications,
            Conditions language) {
        return plan(check(typeFile, type), check(proceduresFile, procedures), modifications, language);
    }

    /**
     * The APU of a type's document.
     *
     * @param typeFile its name, for messages
     * @return as it is without any modification; empty when the type has none
     * @throws InvalidPack when the document cannot be used
     */
    public static Optional<ApuProfile> apu(String typeFile, byte[] type) {
        JsonNode node = check(typeFile, type).source.tree().path("apu");
        return node.isMissingNode() ? Optional.empty() : Optional.of(PackApu.profile(node));
    }

    /**
     * The inertial units of a type's document.
     *
     * @param typeFile its name, for messages
     * @return as they are without any modification; empty when the type has none
     * @throws InvalidPack when the document cannot be used
     */
    public static Optional<InertialProfile> inertial(String typeFile, byte[] type) {
        JsonNode node = check(typeFile, type).source.tree().path("inertial");
        return node.isMissingNode() ? Optional.empty() : Optional.of(PackInertial.profile(node));
    }

    /**
     * The start profile of a type.
     *
     * @throws InvalidPack with all that is wrong: against the schema, or where the profile contradicts itself
     */
    public static StartProfile startProfile(String typeFile, byte[] type) {
        return check(typeFile, type)
                .startProfile()
                .orElseThrow(() -> InvalidPack.of(typeFile, "/start", 0, "the type has no start profile"));
    }

    private static List<InvalidPack.Finding> contradictions(PackSource source, JsonNode tree) {
        if (!tree.has("start")) {
            return List.of();
        }
        return ProfileChecks.of(PackStarts.profile(tree)).stream()
                .map(wrong -> new InvalidPack.Finding(
                        "/start" + wrong.place(), source.line("/start" + wrong.place()), wrong.words()))
                .toList();
    }

    /**
     * What a type is for one tail.
     *
     * @param type its document
     * @param modifications ids of the tail's modifications, applied in this order
     * @param language in which conditions are written
     * @throws InvalidPack with all that is wrong
     */
    static TypeSheet sheet(Document type, List<String> modifications, Conditions language) {
        return sheet(type.source, modifications, language, false);
    }

    private static TypeSheet sheet(
            PackSource source, List<String> modifications, Conditions language, boolean closely) {
        ObjectNode tree = source.tree().deepCopy();
        List<String> notes = new ArrayList<>();
        for (String id : modifications) {
            JsonNode modification = source.tree().path("modifications").path(id);
            if (modification.isMissingNode()) {
                throw InvalidPack.of(
                        source.file(),
                        "/modifications",
                        source.line("/modifications"),
                        "there is no modification '" + id + "'; the type knows "
                                + source.tree().path("modifications").propertyNames());
            }
            notes.add(modification.path("note").asString());
            tree = JSON.readerForUpdating(tree).readValue(modification.path("overlay"));
        }
        if (!modifications.isEmpty()) {
            PackSchema.check(source, tree);
            refuse(source, contradictions(source, tree));
        }
        return bind(source, tree, notes, modifications, closely, language);
    }

    private static TypeSheet.Modification modification(Map.Entry<String, JsonNode> entry, List<String> fitted) {
        String label = entry.getValue().path("label").asString(entry.getKey().replace('-', ' '));
        return new TypeSheet.Modification(label, fitted.contains(entry.getKey()));
    }

    private static TypeSheet bind(
            PackSource source,
            ObjectNode tree,
            List<String> notes,
            List<String> modifications,
            boolean closely,
            Conditions language) {
        List<InvalidPack.Finding> wrong = new ArrayList<>();
        Map<String, ClockSpec> clocks = each(source, tree, "clocks", wrong, PackLines::clock);
        Map<String, MeasureSpec> measures =
                each(source, tree, "measures", wrong, (_, node) -> PackLines.measure(node, tree.path("start")));
        Map<String, PanelMap> maps = each(source, tree, "maps", wrong, PackLines::map);
        Map<String, Control> controls = each(source, tree, "controls", wrong, PackLines::control);
        Map<String, TypeSheet.Modification> fitted = new LinkedHashMap<>();
        tree.path("modifications")
                .properties()
                .forEach(entry -> fitted.put(Names.modification(entry.getKey()), modification(entry, modifications)));
        Map<String, String> states = each(source, tree, "states", wrong, (_, node) -> node.asString());
        PackTests reading = new PackTests(tree, states.keySet(), fitted.keySet(), language);
        Map<String, IndicationTest> tests = each(source, tree, "tests", wrong, reading::test);
        if (closely) {
            reading.examine(source, wrong);
        }
        ApuProfile apu =
                tree.has("apu") ? orFinding(source, "/apu", wrong, () -> PackApu.profile(tree.path("apu"))) : null;
        InertialProfile inertial = tree.has("inertial")
                ? orFinding(source, "/inertial", wrong, () -> PackInertial.profile(tree.path("inertial")))
                : null;
        Network electrics = tree.has("electrics")
                ? orFinding(
                        source,
                        "/electrics",
                        wrong,
                        () -> PackElectrics.network(tree.path("electrics"), states.keySet()))
                : null;
        AirNetwork air = tree.has("air")
                ? orFinding(source, "/air", wrong, () -> PackAir.network(tree.path("air"), states.keySet()))
                : null;
        Feeds feeds = tree.has("feeds")
                ? orFinding(source, "/feeds", wrong, () -> PackFeeds.feeds(tree.path("feeds"), states.keySet()))
                : null;
        OneEngineTaxi taxi = tree.has("taxi")
                ? orFinding(source, "/taxi", wrong, () -> PackFeeds.taxi(tree.path("taxi"), states.keySet()))
                : null;
        refuse(source, wrong);
        return new TypeSheet(
                tree.path("id").asString(),
                tree.path("name").asString(),
                notes,
                fitted,
                clocks,
                measures,
                maps,
                controls,
                states,
                tests,
                apu,
                inertial,
                electrics,
                air,
                feeds,
                taxi,
                new TypeSheet.Pilots(
                        tree.path("pilots").path(0).intValue(2),
                        tree.path("pilots").path(1).intValue(2)));
    }

    private static void refuse(PackSource source, List<InvalidPack.Finding> wrong) {
        if (!wrong.isEmpty()) {
            throw new InvalidPack(source.file(), wrong);
        }
    }

    private interface Binding<T> {
        T bind(String id, JsonNode node);
    }

    private static <T> Map<String, T> each(
            PackSource source, ObjectNode tree, String key, List<InvalidPack.Finding> wrong, Binding<T> binding) {
        Map<String, T> bound = new LinkedHashMap<>();
        tree.path(key).properties().forEach(entry -> {
            T value = orFinding(
                    source,
                    "/" + key + "/" + entry.getKey(),
                    wrong,
                    () -> binding.bind(entry.getKey(), entry.getValue()));
            if (value != null) {
                bound.put(entry.getKey(), value);
            }
        });
        return bound;
    }

    private static <T> @Nullable T orFinding(
            PackSource source, String path, List<InvalidPack.Finding> wrong, java.util.function.Supplier<T> binding) {
        try {
            return binding.get();
        } catch (IllegalArgumentException e) {
            wrong.add(new InvalidPack.Finding(path, source.line(path), String.valueOf(e.getMessage())));
            return null;
        }
    }

    private static Plan join(TypeSheet sheet, PackSource source, Conditions language, boolean closely) {
        List<InvalidPack.Finding> wrong = new ArrayList<>();
        List<Procedure> procedures = new ArrayList<>();
        JsonNode nodes = source.tree().path("procedures");
        Map<String, Option> options = each(source, source.tree(), "options", wrong, PackLines::option);
        List<List<PlacedLine>> placed = new ArrayList<>();
        for (int i = 0; i < nodes.size(); i++) {
            placed.add(PlacedLine.of(nodes.get(i), "/procedures/" + i));
        }
        PackConditions conditions = PackConditions.of(sheet, options.values(), source.tree(), placed, language);
        if (closely) {
            conditions.examine(source, wrong);
        }
        for (int i = 0; i < nodes.size(); i++) {
            JsonNode node = nodes.get(i);
            List<PlacedLine> lines = placed.get(i);
            Procedure procedure = orFinding(
                    source, "/procedures/" + i, wrong, () -> PackLines.procedure(node, lines, sheet, conditions));
            if (procedure != null) {
                procedures.add(procedure);
            }
        }
        refuse(source, wrong);
        try {
            Plan plan = Plan.of(sheet, List.copyOf(options.values()), conditions.states(), procedures);
            return closely ? plan.examined(DayFact.YES_NO) : plan;
        } catch (Plan.InvalidPlan e) {
            throw new InvalidPack(
                    source.file(),
                    e.findings().stream()
                            .map(finding -> {
                                String ref = finding.split(":", 2)[0];
                                String path = path(placed, ref);
                                return new InvalidPack.Finding(
                                        path, path.isEmpty() ? source.lineOfRef(ref) : source.line(path), finding);
                            })
                            .toList());
        }
    }

    private static String path(List<List<PlacedLine>> placed, String ref) {
        return placed.stream()
                .flatMap(List::stream)
                .filter(line -> line.ref().toString().equals(ref))
                .map(PlacedLine::path)
                .findFirst()
                .orElse("");
    }
}
