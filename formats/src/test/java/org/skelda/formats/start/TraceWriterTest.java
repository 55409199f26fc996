package org.skelda.formats.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;

class TraceWriterTest {
    private static final Path STARTS = Path.of("src/test/resources/starts");

    static Stream<Path> recorded() throws IOException {
        try (Stream<Path> files = Files.walk(STARTS)) {
            return files.filter(file -> file.toString().endsWith(".csv")).sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("recorded")
    void anExportedTraceIsImportedAsTheSameSamplesAndJudgedTheSame(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        StartProfile profile = StartProfiles.of(typeInName(file));
        List<Sample> samples = samples(profile, bytes);
        String csv = TraceWriter.write(profile, samples, List.of("QX-LOM, engine 2\nsecond line"));
        List<Sample> again = samples(profile, csv.getBytes(StandardCharsets.UTF_8));
        assertThat(again)
                .isEqualTo(samples.stream()
                        .map(sample -> fromZero(sample, samples.getFirst().at_us()))
                        .toList());
        assertThat(TraceWriter.write(profile, again, List.of("QX-LOM, engine 2\nsecond line")))
                .isEqualTo(csv);
        assertThat(outcomes(csv.getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(outcomes(("# type: " + profile.typeId() + "\n" + new String(bytes, StandardCharsets.UTF_8))
                        .getBytes(StandardCharsets.UTF_8)));
    }

    /** Counted from the first, and without the sign of a zero, which CSV does not keep. */
    private static Sample fromZero(Sample s, long first_us) {
        return new Sample(
                s.at_us() - first_us,
                s.spool_pct() + 0.0,
                s.fan() + 0.0,
                s.temperature_c() + 0.0,
                s.flow_kgph() + 0.0,
                s.oil_kpa() + 0.0,
                s.duct_kpa() + 0.0,
                s.bus_v() + 0.0,
                s.bus_a() + 0.0,
                s.starter(),
                s.fuel(),
                s.ignition());
    }

    private static String typeInName(Path file) {
        return StartProfiles.TYPES.stream()
                .filter(file.getFileName().toString()::contains)
                .findFirst()
                .orElseThrow();
    }

    private static List<Sample> samples(StartProfile profile, byte[] bytes) {
        List<Sample> read = new ArrayList<>();
        try {
            TraceReader.of("trace.csv", new ByteArrayInputStream(bytes)).read(profile, read::add);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return read;
    }

    private static List<String> outcomes(byte[] bytes) throws IOException {
        return TraceAnalysis.of("trace.csv", new ByteArrayInputStream(bytes), null, 0).attempts().stream()
                .map(attempt -> attempt.outcome().code() + attempt.findings())
                .toList();
    }
}
