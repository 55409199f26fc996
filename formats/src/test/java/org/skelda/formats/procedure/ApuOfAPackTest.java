package org.skelda.formats.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.apu.ApuLoad;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.limit.Limit;

class ApuOfAPackTest {
    private static ApuProfile apu(String file, String... modifications) throws IOException {
        return of(Files.readString(Path.of("../packs/types", file + ".yaml")), file, modifications);
    }

    private static ApuProfile of(String type, String file, String... modifications) {
        return PackReader.sheet(
                        PackReader.check(file + ".yaml", type.getBytes(StandardCharsets.UTF_8)),
                        List.of(modifications),
                        NoConditions.LANGUAGE)
                .apu();
    }

    // source: the fleet's APU table
    @ParameterizedTest
    @CsvSource({
        "havern-2m,23.2,8,9,54,96,4,75,870,10,930,690,90,20,3,70,1200,28500,36500,18000,13500,12000",
        "havern-2a,24.6,8,9,53,94,2,40,880,8,945,700,110,30,3,75,1700,26500,39500,18500,14500,13000",
        "havern-4,24,12,8,48,97,5,65,900,10,960,720,130,35,2,110,1700,24500,40500,20500,16000,14000",
        "teista-b2,22.6,18,10,56,98,4,55,860,8,920,680,70,18,3,80,1300,22500,35500,14500,11500,9500",
    })
    void theNumbersAreTheFleets(
            String file,
            double volts,
            long ready,
            double fuel,
            double starter,
            double speed,
            long settles,
            long bleed,
            double limit,
            long allowed,
            double never,
            double running,
            long cool,
            long batteries,
            int tries,
            long rest,
            long longRest,
            double start,
            double electrical,
            double starts,
            double cabin,
            double both)
            throws IOException {
        ApuProfile apu = apu(file);
        assertThat(apu.batteryMin_v()).isEqualTo(volts);
        assertThat(apu.rule().ready()).isEqualTo(Duration.ofSeconds(ready));
        assertThat(List.of(
                        apu.rule().fuelAt_pct(),
                        apu.rule().starterOutAt_pct(),
                        apu.rule().availableAt_pct()))
                .containsExactly(fuel, starter, speed);
        assertThat(List.of(
                        apu.rule().settles(),
                        apu.rule().bleedAfter(),
                        apu.rule().coolDown(),
                        apu.rule().batteriesAfter(),
                        apu.rule().rest(),
                        apu.rule().longRest()))
                .extracting(Duration::toSeconds)
                .containsExactly(settles, bleed, cool, batteries, rest, longRest);
        assertThat(apu.rule().tries()).isEqualTo(tries);
        assertThat(apu.startLimits())
                .containsExactly(Limit.above(limit, Duration.ofSeconds(allowed)), Limit.above(never, Duration.ZERO));
        assertThat(apu.runningMax_C()).isEqualTo(running);
        assertThat(apu.ceilings_ft())
                .isEqualTo(Map.of(
                        ApuLoad.START, start,
                        ApuLoad.ELECTRICAL, electrical,
                        ApuLoad.BLEED_ENGINE_START, starts,
                        ApuLoad.BLEED_CABIN, cabin,
                        ApuLoad.BOTH, both));
    }

    @Test
    void aCeilingItselfIsAllowedAndAFootAboveItIsNot() throws IOException {
        ApuProfile apu = apu("havern-2m");
        assertThat(apu.allowedAt(12_000)).containsExactlyInAnyOrder(ApuLoad.values());
        assertThat(apu.allowedAt(12_001)).doesNotContain(ApuLoad.BOTH).contains(ApuLoad.BLEED_CABIN);
        assertThat(apu.allowedAt(36_500)).containsExactly(ApuLoad.ELECTRICAL);
        assertThat(apu.allowedAt(36_501)).isEmpty();
        assertThat(apu.startHeld()).isEqualTo(Duration.ofSeconds(2));
    }

    @Test
    void aTailWhoseDoorClosesLateWaitsLonger() throws IOException {
        assertThat(apu("havern-2m", "late-apu-door").rule().batteriesAfter()).isEqualTo(Duration.ofSeconds(40));
    }

    @Test
    void numbersThatContradictEachOtherAreSaidWithTheirPlace() throws IOException {
        String type = Files.readString(Path.of("../packs/types/havern-2m.yaml"));
        List<String> said = new ArrayList<>();
        for (String[] wrong : new String[][] {
            {"runningMax_c: 690", "runningMax_c: 880"},
            {"starterOutAt_pct: 54", "starterOutAt_pct: 97"},
            {"both: 12000", "both: 14000"},
            {"longRest_s: 1200", "longRest_s: 60"},
        }) {
            Assertions.assertThatThrownBy(() -> of(type.replace(wrong[0], wrong[1]), "havern-2m"))
                    .isInstanceOfSatisfying(
                            InvalidPack.class,
                            e -> assertThat(e.findings()).singleElement().satisfies(finding -> {
                                assertThat(finding.path()).isEqualTo("/apu");
                                said.add(finding.message());
                            }));
        }
        assertThat(said)
                .containsExactly(
                        "APU: its running limit must lie under the limits of its start",
                        "APU: fuel, starter out and available must follow each other",
                        "APU: both loads together cannot go higher than either alone",
                        "APU: the waits after it must be positive, the long one the longest");
    }
}
