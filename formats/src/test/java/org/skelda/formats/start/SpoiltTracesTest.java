package org.skelda.formats.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever is done to a trace, it is judged or refused in one sentence; nothing else is thrown, and it ends. */
@Timeout(value = 60, unit = TimeUnit.SECONDS)
class SpoiltTracesTest {
    private static final int SEEDS = 150;

    static LongStream seeds() {
        return LongStream.range(0, SEEDS);
    }

    private static byte[] recorded() throws IOException {
        try (InputStream in =
                SpoiltTracesTest.class.getResourceAsStream("/starts/labelled/hot_rich-0000-HAVERN-2M.csv")) {
            return in.readAllBytes();
        }
    }

    private static byte[] spoilt(byte[] good, Random lot) {
        return switch (lot.nextInt(8)) {
            case 0 -> Arrays.copyOf(good, lot.nextInt(good.length));
            case 1 -> bytesChanged(good, lot);
            case 2 -> columnsSwapped(new String(good, StandardCharsets.UTF_8), lot);
            case 3 -> lineEndsMixed(new String(good, StandardCharsets.UTF_8), lot);
            case 4 ->
                cellsChanged(
                        new String(good, StandardCharsets.UTF_8),
                        lot,
                        List.of("1e308", "-1e308", "9999999", "-9999999", "1e-320", "0x10", "١٢"));
            case 5 ->
                cellsChanged(
                        new String(good, StandardCharsets.UTF_8),
                        lot,
                        List.of("", "  ", "\"", "\"\"", "5,000", "true", "-", ".", "+", "e"));
            case 6 -> rowsShuffled(new String(good, StandardCharsets.UTF_8), lot);
            default -> random(lot);
        };
    }

    private static byte[] bytesChanged(byte[] good, Random lot) {
        byte[] bad = good.clone();
        for (int i = lot.nextInt(20); i >= 0; i--) {
            bad[lot.nextInt(bad.length)] = (byte) lot.nextInt(256);
        }
        return bad;
    }

    private static byte[] columnsSwapped(String text, Random lot) {
        int a = lot.nextInt(11);
        int b = lot.nextInt(11);
        return text.lines()
                .map(line -> {
                    String[] cells = line.split(",", -1);
                    if (cells.length > Math.max(a, b) && !line.startsWith("t_s")) {
                        String cell = cells[a];
                        cells[a] = cells[b];
                        cells[b] = cell;
                    }
                    return String.join(",", cells);
                })
                .collect(Collectors.joining("\n"))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] lineEndsMixed(String text, Random lot) {
        List<String> ends = List.of("\n", "\r\n", "\r", "\n\n", "\n \n");
        return text.lines()
                .map(line -> line + ends.get(lot.nextInt(ends.size())))
                .collect(Collectors.joining())
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] cellsChanged(String text, Random lot, List<String> others) {
        return text.lines()
                .map(line -> {
                    if (lot.nextInt(60) > 0) {
                        return line;
                    }
                    String[] cells = line.split(",", -1);
                    cells[lot.nextInt(cells.length)] = others.get(lot.nextInt(others.size()));
                    return String.join(",", cells);
                })
                .collect(Collectors.joining("\n"))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] rowsShuffled(String text, Random lot) {
        List<String> lines = new java.util.ArrayList<>(text.lines().toList());
        java.util.Collections.shuffle(lines.subList(lot.nextInt(3), lines.size()), lot);
        return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] random(Random lot) {
        byte[] bytes = new byte[lot.nextInt(5000)];
        lot.nextBytes(bytes);
        return bytes;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void isJudgedOrRefused(long seed) throws IOException {
        judgedOrRefused(spoilt(recorded(), new Random(seed)));
    }

    private static void judgedOrRefused(byte[] bytes) throws IOException {
        try {
            TraceAnalysis analysis = TraceAnalysis.of("spoilt.csv", new ByteArrayInputStream(bytes), "HAVERN-2M", 0);
            assertThat(AnalysisJson.text(List.of(analysis)))
                    .startsWith("[{\"file\":\"spoilt.csv\"")
                    .doesNotContain("NaN")
                    .doesNotContain("Infinity");
        } catch (InvalidTrace e) {
            assertThat(e.getMessage())
                    .startsWith("spoilt.csv")
                    .doesNotContain("\n")
                    .hasSizeLessThan(400);
        }
    }

    @Test
    void tenMillionBlankLinesAreSkipped() throws IOException {
        byte[] good = recorded();
        ByteArrayOutputStream long_ = new ByteArrayOutputStream(20_000_000);
        int header = new String(good, StandardCharsets.UTF_8).indexOf('\n') + 1;
        long_.write(good, 0, header);
        byte[] blanks = new byte[10_000_000];
        Arrays.fill(blanks, (byte) '\n');
        long_.write(blanks);
        long_.write(good, header, good.length - header);
        TraceAnalysis analysis =
                TraceAnalysis.of("long.csv", new ByteArrayInputStream(long_.toByteArray()), "HAVERN-2M", 0);
        TraceAnalysis plain = TraceAnalysis.of("long.csv", new ByteArrayInputStream(good), "HAVERN-2M", 0);
        assertThat(analysis.attempts()).isEqualTo(plain.attempts()).isNotEmpty();
        judgedOrRefused(blanks);
    }
}
