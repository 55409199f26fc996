package org.skelda.sim.apu;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.skelda.core.apu.ApuProfile;
import org.skelda.formats.procedure.PackReader;

/** The fleet's APUs, from their packs. */
final class Fleet {
    private Fleet() {}

    static ApuProfile apu(String type) {
        Path file = Path.of("../packs/types", type + ".yaml");
        try {
            return PackReader.apu(file.getFileName().toString(), Files.readAllBytes(file))
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
