package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Engine starts on the simulated aircraft, through the real feed door, with the clock at a higher speed. */
class EngineStartTest extends StartJourney {
    private static final Offset<Double> A_MILLISECOND = Offset.offset(0.001);

    EngineStartTest() {
        super(5);
    }

    @Test
    void aHungStartIsCut() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hung");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        start.waitForCall("CUT_FUEL", 60);
        assertThat(start.verdict().innerText()).contains("Engine 2: cut the fuel");
        start.press("f");
        start.waitForCall("AFTER_CUT", 5);
        assertThat(log(desk).get("FindingRaised"))
                .extracting(event -> event.path("payload").path("id").asString())
                .contains("HUNG_START");
    }

    @Test
    void noLightOffIsCutAndKeptTurning() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("no-light-off");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        desk.page()
                .locator("li[data-state='NOW']")
                .getByText("Light-off within 12 s")
                .waitFor();
        start.waitForCall("CUT_FUEL", 20);
        start.press("f");
        desk.text("Leave the starter ON for the rest of its 30 s").waitFor();
        assertThat(log(desk).get("FindingRaised"))
                .extracting(event -> event.path("payload").path("id").asString())
                .containsExactly("NO_LIGHT_OFF");
    }

    @Test
    void aTurbopropIsStartedOnItsBatteryByKeyboardAlone() throws Exception {
        DeskOfDeparture desk = atTheStart("603");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.press("i");
        start.press("e");
        start.waitForCall("ON_TRACK", 10);
        start.goesWell(16);
        desk.press("Space");
        desk.waitForCard("Oil pressure at idle");
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("NORMAL");
        assertThat(log.get("AttemptEnded")
                        .getFirst()
                        .path("payload")
                        .path("dip_v")
                        .doubleValue())
                .isBetween(15.0, 20.0);
        desk.press("ArrowUp");
        isJudgedTheSameByTheCommandLine(desk, log);
        assertThat(browsers.errors()).isEmpty();
    }

    /** Milestones, peak, dip and times of the log are those that the command line finds in the trace that was saved. */
    private void isJudgedTheSameByTheCommandLine(DeskOfDeparture desk, Map<String, List<JsonNode>> log)
            throws Exception {
        Download download = desk.page()
                .waitForDownload(() -> desk.page()
                        .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Trace as CSV"))
                        .click());
        Path trace = server.data().resolve("trace.csv");
        download.saveAs(trace);
        Process analysed = new ProcessBuilder(
                        System.getProperty("skelda.cli", "../skelda"), "analyse", "--json", trace.toString())
                .start();
        JsonNode file = JsonMapper.shared()
                .readTree(analysed.getInputStream().readAllBytes())
                .path(0);
        assertThat(file.path("type").asString()).isEqualTo("LOMVI-T1");
        assertThat(file.path("attempts").size()).isEqualTo(1);
        JsonNode found = file.path("attempts").path(0);
        JsonNode ended = log.get("AttemptEnded").getFirst().path("payload");
        assertThat(found.path("outcome").asString())
                .isEqualTo(ended.path("outcome").asString())
                .isEqualTo("NORMAL");
        assertThat(found.path("findings").size())
                .isEqualTo(log.getOrDefault("FindingRaised", List.of()).size());
        assertThat(log.get("MilestoneReached")).hasSizeGreaterThan(5).allSatisfy(reached -> {
            JsonNode told = reached.path("payload");
            assertThat(found.path("milestones")
                            .path(told.path("milestone").asString())
                            .doubleValue())
                    .as(told.path("milestone").asString())
                    .isCloseTo(told.path("at_s").doubleValue(), A_MILLISECOND);
        });
        assertThat(found.path("peakTemperature").path("value_c").doubleValue())
                .isEqualTo(ended.path("peak_c").doubleValue());
        assertThat(found.path("dipVoltage_v").doubleValue())
                .isEqualTo(ended.path("dip_v").doubleValue());
        for (String time : List.of("timeToLightOff_s", "timeToIdle_s", "starterOn_s")) {
            assertThat(found.path(time).doubleValue())
                    .as(time)
                    .isPositive()
                    .isCloseTo(ended.path(time).doubleValue(), A_MILLISECOND);
        }
    }
}
