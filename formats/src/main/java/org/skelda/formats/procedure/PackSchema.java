package org.skelda.formats.procedure;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import tools.jackson.databind.JsonNode;

/** The published schema of packs, and checking against it. */
final class PackSchema {
    private static final String RESOURCE = "/packs/schema/pack.schema.json";
    private static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(text(), InputFormat.JSON);

    private PackSchema() {}

    static String text() {
        try (InputStream in = Objects.requireNonNull(PackSchema.class.getResourceAsStream(RESOURCE), RESOURCE)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @throws InvalidPack with all that is wrong in a document, each with path and line */
    static void check(PackSource source) {
        check(source, source.tree());
    }

    /** Checks a changed tree, telling places by the lines of the source it came from. */
    static void check(PackSource source, JsonNode tree) {
        List<InvalidPack.Finding> findings = SCHEMA.validate(tree).stream()
                .map(error -> {
                    String path = pointer(error.getInstanceLocation().toString());
                    String place = error.getProperty() == null ? path : path + "/" + error.getProperty();
                    return new InvalidPack.Finding(path, source.line(place), error.getMessage());
                })
                .distinct()
                .toList();
        if (!findings.isEmpty()) {
            throw new InvalidPack(source.file(), findings);
        }
    }

    private static String pointer(String location) {
        return location.startsWith("$") ? location.substring(1) : location;
    }
}
