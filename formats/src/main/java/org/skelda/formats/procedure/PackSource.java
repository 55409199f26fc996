package org.skelda.formats.procedure;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelda.formats.record.Sha256;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.yaml.YAMLFactory;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * One YAML document: its tree, the line of each place in it, and the hash of its bytes. Read with limits, no custom
 * tags.
 */
final class PackSource {
    private static final int MAX_BYTES = 1 << 20;
    private static final int MAX_DEPTH = 40;
    private static final LoadSettings SETTINGS = LoadSettings.builder()
            .setCodePointLimit(MAX_BYTES)
            .setAllowDuplicateKeys(false)
            .setMaxAliasesForCollections(0)
            .build();
    private static final YAMLMapper YAML = YAMLMapper.builder(YAMLFactory.builder()
                    .loadSettings(SETTINGS)
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(MAX_DEPTH)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .build();

    private final String file;
    private final ObjectNode tree;
    private final Map<String, Integer> lines = new TreeMap<>();
    private final String hash;

    private PackSource(String file, ObjectNode tree, String hash) {
        this.file = file;
        this.tree = tree;
        this.hash = hash;
    }

    /**
     * @param file its name, for messages
     * @param bytes UTF-8 YAML, at most 1 MiB
     * @throws InvalidPack when it is too large or is not one YAML mapping, with the line
     */
    static PackSource parse(String file, byte[] bytes) {
        if (bytes.length > MAX_BYTES) {
            throw InvalidPack.of(
                    file, "", 0, "the document has " + bytes.length + " bytes; at most " + MAX_BYTES + " are read");
        }
        String text = new String(bytes, StandardCharsets.UTF_8);
        try {
            JsonNode node = YAML.readTree(text);
            if (!(node instanceof ObjectNode tree)) {
                throw InvalidPack.of(file, "", 1, "a pack is one YAML mapping that begins with 'schema: 1'");
            }
            PackSource source = new PackSource(file, tree, Sha256.hex(bytes));
            new Compose(SETTINGS).composeString(text).ifPresent(root -> source.remember("", root));
            return source;
        } catch (JacksonException e) {
            int line = e.getLocation() == null ? 0 : e.getLocation().getLineNr();
            throw InvalidPack.of(
                    file, "", Math.max(0, line), "not readable as YAML: " + firstLine(e.getOriginalMessage()));
        } catch (MarkedYamlEngineException e) {
            int line = e.getProblemMark().map(mark -> mark.getLine() + 1).orElse(0);
            throw InvalidPack.of(file, "", line, "not readable as YAML: " + firstLine(e.getProblem()));
        } catch (YamlEngineException e) {
            throw InvalidPack.of(file, "", 0, "not readable as YAML: " + firstLine(String.valueOf(e.getMessage())));
        }
    }

    private static String firstLine(String message) {
        return message.lines().findFirst().orElse(message);
    }

    private void remember(String pointer, Node node) {
        node.getStartMark().ifPresent(mark -> lines.putIfAbsent(pointer, mark.getLine() + 1));
        if (node instanceof MappingNode mapping) {
            mapping.getValue().forEach(tuple -> {
                if (tuple.getKeyNode() instanceof ScalarNode key) {
                    String child = pointer + "/" + key.getValue();
                    key.getStartMark().ifPresent(mark -> lines.put(child, mark.getLine() + 1));
                    remember(child, tuple.getValueNode());
                }
            });
        } else if (node instanceof SequenceNode sequence) {
            List<Node> items = sequence.getValue();
            for (int i = 0; i < items.size(); i++) {
                remember(pointer + "/" + i, items.get(i));
            }
        }
    }

    String file() {
        return file;
    }

    ObjectNode tree() {
        return tree;
    }

    String hash() {
        return hash;
    }

    /** The line of a place, or of the nearest place around it. */
    int line(String pointer) {
        String place = pointer;
        while (true) {
            Integer line = lines.get(place);
            if (line != null) {
                return line;
            }
            int cut = place.lastIndexOf('/');
            if (cut < 0) {
                return 0;
            }
            place = place.substring(0, cut);
        }
    }

    /** The line at which a line's or a procedure's id stands, for findings of the plan as a whole. */
    int lineOfRef(String ref) {
        String[] parts = ref.split("/", 2);
        JsonNode procedures = tree.path("procedures");
        for (int p = 0; p < procedures.size(); p++) {
            if (!procedures.get(p).path("id").asString("").equals(parts[0])) {
                continue;
            }
            JsonNode lineNodes = procedures.get(p).path("lines");
            for (int l = 0; parts.length == 2 && l < lineNodes.size(); l++) {
                if (lineNodes.get(l).path("id").asString("").equals(parts[1])) {
                    return line("/procedures/" + p + "/lines/" + l);
                }
            }
            return line("/procedures/" + p);
        }
        return 0;
    }
}
