package org.skelda.formats.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.electrics.BatteryRule;
import org.skelda.core.kind.Gate;
import org.skelda.core.procedure.Plan;

class PackReaderTest {
    private final String type = ShippedPacks.type();
    private final String procedures = ShippedPacks.procedures();

    private static List<InvalidPack.Finding> findings(String type, String procedures) {
        List<InvalidPack.Finding> found = new ArrayList<>();
        assertThatThrownBy(() -> ShippedPacks.plan(type, procedures))
                .isInstanceOfSatisfying(InvalidPack.class, e -> found.addAll(e.findings()));
        return found;
    }

    private static int lineOf(String text, String part) {
        return (int) text.substring(0, text.indexOf(part)).lines().count()
                + (text.charAt(text.indexOf(part) - 1) == '\n' ? 1 : 0);
    }

    @Test
    void theShippedPackHasEveryLineKindOfItsSchema() {
        Plan plan = ShippedPacks.plan(type, procedures);
        assertThat(plan.lines().values().stream()
                        .map(line -> line.kind().getClass().getSimpleName())
                        .distinct())
                .containsExactlyInAnyOrder(
                        "Action",
                        "Check",
                        "Measure",
                        "Compare",
                        "Challenge",
                        "Read",
                        "Memory",
                        "Choice",
                        "Gate",
                        "Callout",
                        "Communication",
                        "Note",
                        "Caution",
                        "ControlCheck",
                        "Walk",
                        "Indications",
                        "Start");
        assertThat(plan.lines().values())
                .filteredOn(line -> line.head().marksOffBlock())
                .hasSize(1);
        assertThat(plan.lines().values())
                .filteredOn(line -> line.kind() instanceof Gate gate && gate.splits())
                .hasSize(2);
    }

    @ParameterizedTest
    @CsvSource({"apu-start-held,2", "bottle-wait,30"})
    void clocksAreTheTypesOwn(String clock, long seconds) {
        // source: the fleet's tables, Havern 2M
        assertThat(ShippedPacks.plan(type, procedures)
                        .type()
                        .clocks()
                        .get(clock)
                        .durationAt(0))
                .isEqualTo(Duration.ofSeconds(seconds));
    }

    @ParameterizedTest
    @CsvSource({"0,6.0", "62.41,12.96", "71.86,18.0"})
    void alignmentComesFromTheTypesRule(double latitude_deg, double minutes) {
        Duration time = ShippedPacks.plan(type, procedures)
                .type()
                .inertial()
                .rule()
                .full()
                .timeAt(latitude_deg);
        assertThat(time.toMillis() / 60_000.0).isCloseTo(minutes, org.assertj.core.api.Assertions.within(0.005));
    }

    @Test
    void aTailsModificationIsLaidOverAndNamed() {
        Plan plan = ShippedPacks.plan(type, procedures, "late-apu-door");
        assertThat(plan.type().apu().rule().batteriesAfter()).isEqualTo(Duration.ofSeconds(40));
        assertThat(plan.type().modifications()).singleElement().asString().contains("40 s after zero speed");
        assertThatThrownBy(() -> ShippedPacks.plan(type, procedures, "no-such"))
                .isInstanceOf(InvalidPack.class)
                .hasMessageContaining("no-such")
                .hasMessageContaining("late-apu-door");
    }

    @Test
    void saysAllThatIsWrongWithPathAndLine() {
        String spoilt = procedures
                .replace("kind: action, label: Park brake", "kind: act, label: Park brake")
                .replace("style: checklist", "stile: checklist");
        List<InvalidPack.Finding> found = findings(type, spoilt);
        assertThat(found).anySatisfy(finding -> {
            assertThat(finding.path()).isEqualTo("/procedures/2/lines/9/kind");
            assertThat(finding.line()).isEqualTo(lineOf(spoilt, "- {id: park-brake"));
        });
        assertThat(found).anySatisfy(finding -> {
            assertThat(finding.message()).contains("stile");
            assertThat(finding.line()).isEqualTo(lineOf(spoilt, "stile: checklist"));
        });
    }

    @Test
    void findsWhatOnlyTheWholePlanShows() {
        String spoilt = procedures.replace("{reading: safety-power/battery-volts}", "{reading: safety-power/no-volts}");
        assertThat(findings(type, spoilt)).singleElement().satisfies(finding -> {
            assertThat(finding.message()).contains("apu/start-allowed", "safety-power/no-volts");
            assertThat(finding.line()).isEqualTo(lineOf(spoilt, "- id: start-allowed"));
        });
    }

    @Test
    void findsLimitsThatContradictEachOther() {
        String spoilt = type.replace("min: 23.2", "min: 50");
        assertThat(findings(spoilt, procedures)).singleElement().satisfies(finding -> {
            assertThat(finding.path()).isEqualTo("/measures/battery-volts-apu");
            assertThat(finding.message()).contains("outside what is possible");
        });
    }

    @Test
    void aBatteryHasWhatItsTaskNeedsOrIsRefused() {
        BatteryRule apu = ShippedPacks.plan(type, procedures)
                .type()
                .measures()
                .get("battery-volts-apu")
                .battery();
        // source: the fleet's tables, Havern 2M
        assertThat(apu.min_v()).isEqualTo(23.2);
        assertThat(apu.dip()).isNull();
        assertThat(findings(type.replace("battery: {for: apu-start}", "battery: {for: engine-start}"), procedures))
                .singleElement()
                .asString()
                .contains("/measures/battery-volts-apu")
                .contains("a battery that starts an engine needs 'start/battery' and 'start/dip'");
        assertThat(findings(type.replace("    min: 23.2\n", ""), procedures))
                .anySatisfy(finding -> assertThat(finding.toString()).contains("a battery needs 'min'"));
        assertThat(findings(type.replace("battery: {for: apu-start}", "battery: {for: tea}"), procedures))
                .isNotEmpty();
    }

    @Test
    void aTestThatExpectsWhatNoGroupHasIsRefused() {
        String spoilt = type.replace("expected: [master-caution-left, ", "expected: [moonlight, master-caution-left, ");
        assertThat(findings(spoilt, procedures)).singleElement().satisfies(finding -> {
            assertThat(finding.path()).isEqualTo("/tests/loop-fault");
            assertThat(finding.line()).isEqualTo(lineOf(spoilt, "loop-fault:\n    label: Loop fault test"));
            assertThat(finding.message()).contains("'held' expects 'moonlight', which is in none of the groups");
        });
    }

    @Test
    void aLineNamesATestOfItsTypeAndLightsThatItLooksAt() {
        assertThat(findings(type, procedures.replace("test: loop-fault", "test: moon-fault")))
                .singleElement()
                .satisfies(finding -> assertThat(finding.message()).contains("the type has no test 'moon-fault'"));
        assertThat(findings(type, procedures.replace("go: {squib-hold:", "go: {squib-moon:")))
                .singleElement()
                .satisfies(finding -> assertThat(finding.message())
                        .contains("'squib-moon' may be missing, but 'squibs' does not look at it"));
    }

    @Test
    void proceduresOfAnotherTypeAreRefused() {
        assertThat(findings(type, procedures.replace("type: HAVERN-2M", "type: HAVERN-4")))
                .singleElement()
                .satisfies(finding -> assertThat(finding.message()).contains("HAVERN-4", "HAVERN-2M"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "- a\n- b\n",
                "just words",
                "a: [1, 2",
                "schema: 1\nschema: 1\n",
                "a: &x [1]\nb: *x\n",
                "a: !!java.net.URL [x]\n",
                "\t"
            })
    void whatIsNoPackIsRefusedInOneSentence(String text) {
        assertThatThrownBy(() -> PackReader.check("bad.yaml", text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(InvalidPack.class)
                .hasMessageStartingWith("bad.yaml");
    }

    @Test
    void deepAndOversizeDocumentsAreRefused() {
        assertThatThrownBy(
                        () -> PackReader.check("deep.yaml", "[".repeat(100_000).getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(InvalidPack.class);
        assertThatThrownBy(() -> PackReader.check("large.yaml", new byte[(1 << 20) + 1]))
                .isInstanceOf(InvalidPack.class)
                .hasMessageContaining("1048576");
    }

    @Test
    void brokenBytesNeverDoMoreThanRefuse() {
        byte[] whole = procedures.getBytes(StandardCharsets.UTF_8);
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < 60; i++) {
            byte[] broken = whole.clone();
            for (int j = 0; j < 1 + i % 5; j++) {
                broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
            }
            try {
                PackReader.check("broken.yaml", broken);
            } catch (InvalidPack e) {
                assertThat(e.getMessage()).startsWith("broken.yaml");
            }
        }
    }
}
