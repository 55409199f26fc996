package org.skelda.formats.start;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.procedure.PackReader;

/** The start profiles that ship with the product, by type code. */
public final class StartProfiles {
    /** Codes of the types whose starts can be judged. */
    public static final List<String> TYPES =
            List.of("HAVERN-2M", "HAVERN-2A", "HAVERN-4", "LOMVI-T1", "LOMVI-T2", "TEISTA-B2");

    private static final Map<String, StartProfile> READ = new ConcurrentHashMap<>();

    private StartProfiles() {}

    /**
     * The shipped profile of a type.
     *
     * @param type one of {@link #TYPES}, in any case
     * @throws IllegalArgumentException when it is none of them; the message lists them
     */
    public static StartProfile of(String type) {
        String code = type.strip().toUpperCase(Locale.ROOT);
        if (!TYPES.contains(code)) {
            throw new IllegalArgumentException(
                    "there is no type '" + type.strip() + "'; it is one of " + String.join(", ", TYPES));
        }
        return READ.computeIfAbsent(code, StartProfiles::read);
    }

    private static StartProfile read(String code) {
        String file = "packs/types/" + code.toLowerCase(Locale.ROOT) + ".yaml";
        try (InputStream in = StartProfiles.class.getResourceAsStream("/" + file)) {
            if (in == null) {
                throw new IllegalStateException(file + " is missing from this installation");
            }
            return PackReader.startProfile(file, in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(file, e);
        }
    }
}
