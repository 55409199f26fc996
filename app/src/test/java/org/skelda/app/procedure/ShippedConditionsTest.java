package org.skelda.app.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.app.need.CelConditions;
import org.skelda.formats.procedure.InvalidPack;
import org.skelda.formats.procedure.PackReader;

/** Conditions of packs are examined here, so that a server that starts can take the shipped ones as they are. */
class ShippedConditionsTest {
    private static final Path PACKS = Path.of("../packs");

    static List<Path> procedures() throws IOException {
        try (Stream<Path> files = Files.walk(PACKS.resolve("procedures"))) {
            return files.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private static void examine(Path file, String text) throws IOException {
        PackReader.Document procedures =
                PackReader.check(file.getFileName().toString(), text.getBytes(StandardCharsets.UTF_8));
        Path type = PACKS.resolve("types").resolve(file.getFileName());
        PackReader.examine(PackReader.check("type.yaml", Files.readAllBytes(type)), procedures, new CelConditions());
    }

    @ParameterizedTest
    @MethodSource("procedures")
    void everyShippedConditionIsUnderstoodAndCanHold(Path file) throws IOException {
        examine(file, Files.readString(file));
    }

    /** In the type document, where a test of warnings hangs on a state. */
    @Test
    void aStateThatIsNotDeclaredOrNotToldIsSaidWithItsPlace() throws IOException {
        String type = Files.readString(PACKS.resolve("types/havern-2m.yaml"));
        String procedures = Files.readString(PACKS.resolve("procedures/havern-2m.yaml"));
        String undeclared = type.replace("when: state('essential-ac')", "when: state('essential-dc')");
        assertThatThrownBy(() -> examine(undeclared, procedures))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.findings()).singleElement().satisfies(finding -> {
                            assertThat(finding.path()).isEqualTo("/tests/fire/phases/0/expected/6/when");
                            assertThat(finding.message()).contains("'state('essential-dc')' is nothing");
                        }));
        String untold = procedures.replaceFirst("  probe-heat: done.*\n", "");
        assertThatThrownBy(() -> examine(type, untold))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.findings())
                                .extracting(InvalidPack.Finding::message)
                                .allMatch(message -> message.contains("what its test shows hangs on "
                                        + "state('probe-heat'), which these procedures do not tell"))
                                .anyMatch(message -> message.startsWith("tests/stored-check: ")));
        String dark = procedures.replaceFirst("  ground-on: done.*\n", "");
        assertThatThrownBy(() -> examine(type, dark))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.findings())
                                .singleElement()
                                .satisfies(finding -> assertThat(finding.message())
                                        .isEqualTo("electrics: which source is on hangs on state('ground-on'), "
                                                + "which these procedures do not tell")));
        String unknown =
                procedures.replace("probe-heat: done('after-start/probe-heat-on')", "probe-heat: done('apu/moon')");
        assertThatThrownBy(() -> examine(type, unknown))
                .isInstanceOfSatisfying(
                        InvalidPack.class,
                        e -> assertThat(e.findings()).first().satisfies(finding -> {
                            assertThat(finding.path()).isEqualTo("/states/probe-heat");
                            assertThat(finding.message()).contains("'done('apu/moon')' is nothing");
                        }));
    }

    private static void examine(String type, String procedures) {
        PackReader.examine(
                PackReader.check("type.yaml", type.getBytes(StandardCharsets.UTF_8)),
                PackReader.check("procedures.yaml", procedures.getBytes(StandardCharsets.UTF_8)),
                new CelConditions());
    }

    @Test
    void aConditionThatIsWrongIsToldWithItsPlace() throws IOException {
        Path file = PACKS.resolve("procedures/havern-2m.yaml");
        String text = Files.readString(file);
        String line = "- {id: people, kind: check,";
        assertThat(text).contains(line);
        int at = text.substring(0, text.indexOf(line)).split("\n", -1).length;
        for (String[] wrong : new String[][] {
            {"moon > 3", "'moon' is nothing that a condition may name"},
            {"oat_c < 5 && oat_c > 10", "can never hold"},
            {"oat_c", "not yes or no"},
        }) {
            String spoilt = text.replace(line, "- {id: people, when: '" + wrong[0] + "', kind: check,");
            assertThatThrownBy(() -> examine(file, spoilt))
                    .isInstanceOfSatisfying(
                            InvalidPack.class,
                            e -> assertThat(e.findings()).singleElement().satisfies(finding -> {
                                assertThat(finding.line()).isEqualTo(at);
                                assertThat(finding.path()).isEqualTo("/procedures/0/lines/1/when");
                                assertThat(finding.message()).contains(wrong[1]);
                            }));
        }
    }
}
