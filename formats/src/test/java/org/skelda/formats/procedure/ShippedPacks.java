package org.skelda.formats.procedure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.skelda.core.procedure.Plan;

/** The packs as they are shipped, to read and to spoil. */
public final class ShippedPacks {
    private ShippedPacks() {}

    public static String type() {
        return text("types/havern-2m.yaml");
    }

    public static String procedures() {
        return text("procedures/havern-2m.yaml");
    }

    public static Plan plan(String type, String procedures, String... modifications) {
        return PackReader.plan(
                "type.yaml",
                type.getBytes(StandardCharsets.UTF_8),
                "procedures.yaml",
                procedures.getBytes(StandardCharsets.UTF_8),
                List.of(modifications),
                NoConditions.LANGUAGE);
    }

    private static String text(String name) {
        try {
            return Files.readString(Path.of("../packs", name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
