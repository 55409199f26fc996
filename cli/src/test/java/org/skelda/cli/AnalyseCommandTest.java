package org.skelda.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.SimpleStart;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class AnalyseCommandTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int LARGEST = 20_000_000;

    @TempDir
    private Path folder;

    private Path normal;
    private Path noLight;
    private Path bad;

    private record Run(int exit, String out, String err) {}

    private static Run run(Object... arguments) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        String[] words = Arrays.stream(arguments).map(Object::toString).toArray(String[]::new);
        int exit = SkeldaCli.commandLine()
                .setOut(new PrintWriter(out))
                .setErr(new PrintWriter(err))
                .execute(words);
        return new Run(exit, out.toString(), err.toString());
    }

    @BeforeEach
    void traces() throws IOException {
        StartProfile jet = StartProfiles.of("HAVERN-2M");
        StartProfile turboprop = StartProfiles.of("LOMVI-T1");
        normal = TraceFile.write(
                folder.resolve("normal.csv"),
                turboprop,
                SimpleStart.of(turboprop).samples());
        noLight = TraceFile.write(
                folder.resolve("no-light.csv"),
                jet,
                SimpleStart.of(jet).with(Parameter.TEMPERATURE, (_, _) -> 20).samples());
        bad = Files.writeString(
                folder.resolve("bad.csv"),
                "# type: HAVERN-2M\nt_s,n2_pct,egt_c,starter,fuel\n0,0,15,0,0\n0.1,x,15,0,0\n");
    }

    @Test
    void jsonHoldsOneObjectForEachGoodFileInOrderWithEveryKey() {
        Run run = run("analyse", "--json", noLight, normal);
        assertThat(run.exit()).isZero();
        assertThat(run.err()).isEmpty();
        JsonNode array = JSON.readTree(run.out());
        assertThat(array.size()).isEqualTo(2);
        assertThat(array.get(0).path("file").asString()).isEqualTo(noLight.toString());
        assertThat(array.get(1).path("type").asString()).isEqualTo("LOMVI-T1");
        JsonNode attempt = array.get(0).path("attempts").get(0);
        assertThat(attempt.propertyNames())
                .containsExactly(
                        "startedAt_s",
                        "outcome",
                        "milestones",
                        "findings",
                        "exceedances",
                        "dataGaps",
                        "peakTemperature",
                        "fuelPreferred_s",
                        "dipVoltage_v",
                        "timeToLightOff_s",
                        "timeToIdle_s",
                        "fuelFlowAtLightOff_kgph",
                        "starterOn_s");
        assertThat(attempt.path("milestones").propertyNames())
                .containsExactly(
                        "VALVE_OPEN",
                        "ROTATION",
                        "OIL_RISING",
                        "FAN_ROTATION",
                        "FUEL_ALLOWED",
                        "FUEL_ON",
                        "LIGHT_OFF",
                        "STARTER_OUT",
                        "IDLE");
        assertThat(attempt.path("milestones").path("LIGHT_OFF").isNull()).isTrue();
        assertThat(attempt.path("outcome").asString()).isEqualTo("NO_LIGHT_OFF");
        assertThat(attempt.path("findings").get(0).propertyNames()).containsExactly("id", "at_s", "action", "reason");
        assertThat(array.get(1).path("attempts").get(0).path("dipVoltage_v").isNumber())
                .isTrue();
    }

    @Test
    void oneBadFileLeavesTheGoodOnesAndExitsWithTwo() {
        Path missing = folder.resolve("missing.csv");
        Run run = run("analyse", "--json", normal, bad, missing, folder, noLight);
        assertThat(run.exit()).isEqualTo(2);
        assertThat(JSON.readTree(run.out()).size()).isEqualTo(2);
        assertThat(run.err().lines())
                .containsExactly(
                        bad + ":4: n2_pct is 'x'; expected a number",
                        missing + ": there is no such file",
                        folder + ": cannot be read; it is a folder");
    }

    @Test
    void allBadIsAnEmptyArray() {
        Run run = run("analyse", "--json", bad);
        assertThat(run.exit()).isEqualTo(2);
        assertThat(run.out().strip()).isEqualTo("[]");
    }

    @Test
    void forPeopleItSaysWhatHappenedAndHowFarToEachLimit() {
        Run run = run("analyse", "--oat", "-15", normal, noLight);
        assertThat(run.exit()).isZero();
        assertThat(run.out())
                .contains(
                        "normal.csv: Lomvi T1, 1 attempt",
                        "A new, full battery at -15 °C would dip to about 16.2 V.",
                        "Attempt 1, starter on at 2.0 s: NORMAL",
                        "Findings   none",
                        "Time above 865 °C",
                        "limit 1030.0",
                        "inside (Lomvi T1, start, start temperature limits)",
                        "no-light.csv: Havern 2M, 1 attempt",
                        "NO_LIGHT_OFF, cut the fuel. No light-off 12 s after fuel on.");
    }

    @Test
    void theCommandLinesTypeWinsAndIsChecked() {
        assertThat(run("analyse", "--type", "lomvi-t2", "--json", normal).out()).contains("\"type\":\"LOMVI-T2\"");
        Run unknown = run("analyse", "--type", "X9", normal);
        assertThat(unknown.exit()).isEqualTo(2);
        assertThat(unknown.err())
                .startsWith("--type X9: it is one of HAVERN-2M, HAVERN-2A, HAVERN-4, LOMVI-T1, LOMVI-T2, TEISTA-B2");
        assertThat(run("analyse", "--type", "HAVERN-2M", normal).err())
                .isEqualTo(normal
                        + ":2: the columns n2_pct, egt_c are missing for a Havern 2M\n"
                                .replace("columns n2_pct, egt_c are", "column n2_pct is"));
    }

    @Test
    void impossibleConditionsAreRefused() {
        assertThat(run("analyse", "--elevation", "90000", normal).err())
                .startsWith("--elevation 90000.0: give -2000.0 to 20000.0 ft");
        assertThat(run("analyse", "--oat", "NaN", normal).err()).startsWith("--oat NaN: give -70.0 to 60.0 °C");
        assertThat(run("analyse").exit()).isEqualTo(2);
    }

    @Test
    void theLargestFilesManyAtOnceStayWithinTheirMemory() throws Exception {
        byte[] blanks = new byte[LARGEST];
        Arrays.fill(blanks, (byte) '\n');
        byte[] header = "# type: HAVERN-2M\nt_s,n2_pct,egt_c,starter,fuel\n0,0,15,0,0\n"
                .getBytes(java.nio.charset.StandardCharsets.UTF_8);
        System.arraycopy(header, 0, blanks, 0, header.length);
        StringBuilder rows =
                new StringBuilder(LARGEST).append(new String(header, java.nio.charset.StandardCharsets.UTF_8));
        for (int i = 1; rows.length() < LARGEST - 100; i++) {
            rows.append(i * 0.02).append(",0.00000000000000000000000000000000000000000001,15,0,0\n");
        }
        List<String> files = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            files.add(Files.write(folder.resolve("blank" + i), blanks).toString());
            files.add(Files.writeString(folder.resolve("rows" + i), rows).toString());
        }
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx448m",
                "-cp",
                System.getProperty("java.class.path"),
                SkeldaCli.class.getName(),
                "analyse",
                "--json"));
        command.addAll(files);
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String output = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(output).isZero();
        assertThat(JSON.readTree(output.lines()
                                .filter(line -> line.startsWith("["))
                                .findFirst()
                                .orElseThrow())
                        .size())
                .isEqualTo(6);
    }
}
