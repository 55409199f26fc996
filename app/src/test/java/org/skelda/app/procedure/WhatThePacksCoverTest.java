package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.app.need.CelConditions;
import org.skelda.core.kind.LineRef;
import org.skelda.core.procedure.Plan;
import org.skelda.formats.procedure.PackReader;

/** docs/procedures.md says which lines cover a topic: it is held to the packs, line by line. */
class WhatThePacksCoverTest {
    private static final Path TABLE = Path.of("../docs/procedures.md");
    private static final Path PACKS = Path.of("../packs");
    private static final Pattern REF = Pattern.compile("`([a-z0-9-]+/[a-z0-9-]+)`");

    /** Rows of the table in which a type stands: three types in the first, four in the second. */
    private static List<List<String>> rows(int types) throws IOException {
        return rows().stream().filter(row -> row.size() == types + 1).toList();
    }

    private static List<List<String>> rows() throws IOException {
        return Files.readAllLines(TABLE).stream()
                .filter(line -> line.startsWith("| ") && !line.startsWith("| Topic") && !line.startsWith("| Option"))
                .map(line -> List.of(line.substring(2).split(" \\| | \\|")))
                .toList();
    }

    private static Plan plan(String type) throws IOException {
        String file = type + ".yaml";
        return PackReader.plan(
                file,
                Files.readAllBytes(PACKS.resolve("types").resolve(file)),
                file,
                Files.readAllBytes(PACKS.resolve("procedures").resolve(file)),
                List.of(),
                new CelConditions());
    }

    @ParameterizedTest
    @CsvSource({
        "3, 1, havern-2m",
        "3, 2, havern-2a",
        "3, 3, lomvi-t1",
        "4, 1, havern-4",
        "4, 2, lomvi-t2",
        "4, 3, teista-b2",
        "4, 4, rypa-p1"
    })
    void everyLineIsNamedAndEveryNameIsALine(int types, int column, String type) throws IOException {
        Set<LineRef> named = rows(types).stream()
                .flatMap(row -> REF.matcher(row.get(column)).results())
                .map((MatchResult match) -> LineRef.parse(match.group(1)))
                .collect(Collectors.toCollection(
                        () -> new TreeSet<>(java.util.Comparator.comparing(LineRef::toString))));
        assertThat(named).containsExactlyInAnyOrderElementsOf(plan(type).lines().keySet());
    }

    @Test
    void everyTopicIsAnsweredForEveryType() throws IOException {
        for (int types : new int[] {3, 4}) {
            assertThat(rows(types))
                    .hasSizeGreaterThan(100)
                    .allSatisfy(
                            row -> assertThat(IntStream.rangeClosed(1, types).mapToObj(row::get))
                                    .noneMatch(String::isBlank));
        }
        assertThat(rows()).as("rows of neither table").allMatch(row -> row.size() == 4 || row.size() == 5);
        assertThat(Stream.of("havern-2m", "havern-2a", "lomvi-t1", "havern-4", "lomvi-t2", "teista-b2", "rypa-p1"))
                .allSatisfy(type -> assertThat(plan(type).options().keySet())
                        .allSatisfy(
                                option -> assertThat(Files.readString(TABLE)).contains("(`" + option + "`)")));
    }
}
