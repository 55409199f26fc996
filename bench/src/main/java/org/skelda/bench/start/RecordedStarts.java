package org.skelda.bench.start;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Recorded starts of two types for choosing a forecast: a part to tune on, and a part that is never tuned on. */
final class RecordedStarts {
    private static final String RESOURCE = "/starts/recorded.zip";
    private static final int HELD_OUT_OF = 3;

    private RecordedStarts() {}

    /**
     * @param firstExceeded_s since starter on; NaN for a normal start
     * @param heldOut whether it was never tuned on
     */
    record Recorded(
            String file,
            StartProfile profile,
            double elevation_ft,
            List<Sample> samples,
            double firstExceeded_s,
            boolean heldOut) {
        boolean isHot() {
            return !Double.isNaN(firstExceeded_s);
        }
    }

    static List<Recorded> all() {
        Map<String, byte[]> files = files();
        List<Recorded> all = new ArrayList<>();
        JsonNode index = JsonMapper.builder().build().readTree(files.get("index.json"));
        int place = 0;
        for (JsonNode entry : index.values()) {
            String file = entry.path("file").asString();
            StartProfile profile = StartProfiles.of(entry.path("type").asString());
            all.add(new Recorded(
                    file,
                    profile,
                    entry.path("elevation_ft").doubleValue(),
                    samples(file, files.get(file), profile),
                    entry.path("firstExceeded_s").doubleValue(Double.NaN),
                    place++ % HELD_OUT_OF == 0));
        }
        return all;
    }

    /** The bytes of one of the files. */
    static byte[] bytes(String file) {
        return files().get(file);
    }

    private static List<Sample> samples(String file, byte[] bytes, StartProfile profile) {
        try {
            return TraceReader.of(file, new ByteArrayInputStream(bytes)).samples(profile);
        } catch (IOException e) {
            throw new UncheckedIOException(file, e);
        }
    }

    private static Map<String, byte[]> files() {
        Map<String, byte[]> files = new HashMap<>();
        try (InputStream in = RecordedStarts.class.getResourceAsStream(RESOURCE);
                ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(RESOURCE, e);
        }
        return files;
    }
}
