package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Engine starts on the simulated aircraft, through the real feed door, at life's own speed. */
class EngineStartTest {
    private TestServer server;
    private Browsers browsers;

    @BeforeEach
    void atTheStart() {
        server = TestServer.start(1);
        browsers = new Browsers();
    }

    @AfterEach
    void stop() {
        browsers.close();
        server.close();
    }

    private DeskOfDeparture atTheStart(String flight) {
        return CrewMember.signIn(browsers, server, "Eir Strand").open(flight);
    }

    private Map<String, List<JsonNode>> log(DeskOfDeparture desk) throws Exception {
        return ApiClient.signIn(server, "strand").events(desk.departureId()).stream().collect(Collectors.groupingBy(event -> event.path("type").asString()));
    }

    private static List<String> outcomes(Map<String, List<JsonNode>> log) {
        return log.getOrDefault("AttemptEnded", List.of()).stream().map(event -> event.path("payload").path("outcome").asString()).toList();
    }

    @Test
    void aHotStartIsCutInTimeOnTheForecastAndTheScriptLeadsToASecondAttempt() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        start.waitForCall("CUT_FUEL", 20);
        assertThat(start.verdict().innerText()).contains("Engine 2: cut the fuel", "forecast", "Cutting the fuel does not stop the starter");
        start.press("f");
        start.waitForCall("AFTER_CUT", 5);
        desk.text("Keep turning to 120 degC or less").waitFor();
        desk.page().getByText("Starter off", new Page.GetByTextOptions().setExact(true)).first().waitFor();
        start.wrong("nothing");
        // Cooled by turning; then the starter goes off, cools, and the engine runs down to where it may engage again.
        desk.page().locator("li[data-state='NOW']").getByText("Starter off", new Locator.GetByTextOptions().setExact(true)).waitFor();
        start.press("e");
        desk.page().locator("li[data-state='NOW']").getByText("Starter may engage again").waitFor();
        desk.text("The starter may engage: try 2 of 3").waitFor(new Locator.WaitForOptions().setTimeout(180_000));
        start.press("e");
        start.goesWell(23);
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("HOT_PREDICTED", "NORMAL");
        assertThat(log.get("FindingRaised")).extracting(event -> event.path("payload").path("id").asString()).containsExactly("HOT_PREDICTED");
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
        assertThat(log(desk).get("FindingRaised")).extracting(event -> event.path("payload").path("id").asString()).contains("HUNG_START");
    }

    @Test
    void noLightOffIsCutAndKeptTurning() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("no-light-off");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        desk.page().locator("li[data-state='NOW']").getByText("Light-off within 12 s").waitFor();
        start.waitForCall("CUT_FUEL", 20);
        start.press("f");
        desk.text("Keep turning on the starter 30 s, then starter off").waitFor();
        assertThat(log(desk).get("FindingRaised")).extracting(event -> event.path("payload").path("id").asString()).containsExactly("NO_LIGHT_OFF");
    }

    @Test
    void aFeedCutInMidStartIsNoDataWithinTwoSecondsAndTheGapIsShownWhenItIsBack() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("feed-interrupted");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        desk.page().locator("li[data-state='DONE']").getByText("Light-off within 12 s").waitFor();
        start.waitForCall("BLIND", 10);
        Instant blind = Instant.now();
        assertThat(start.verdict().innerText()).contains("no data", "Use the aircraft's gauges.");
        assertThat(desk.cardText()).doesNotContain("on track");
        start.waitForCall("ON_TRACK", 30);
        Matcher gap = Pattern.compile("No readings from ([0-9.]+) s to ([0-9.]+) s after the starter").matcher(desk.cardText());
        assertThat(gap.find()).isTrue();
        assertThat(Double.parseDouble(gap.group(2)) - Double.parseDouble(gap.group(1))).isBetween(11.0, 13.5);
        desk.text("at idle, not seen all the way").waitFor(new Locator.WaitForOptions().setTimeout(90_000));
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("UNKNOWN");
        Instant last = Instant.parse(log.get("AttemptBegan").getFirst().path("payload").path("startedAt").asString())
                .plusMillis(Math.round(Double.parseDouble(gap.group(1)) * 1000));
        assertThat(Duration.between(last, blind)).as("from the last reading to No data").isLessThan(Duration.ofSeconds(2));
    }

    @Test
    void aServerKilledInMidStartIsNoDataAndTheStartGoesOnWithItsGap() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.starterOnAir();
        start.spoolAt(15);
        server.kill();
        long killed = System.nanoTime();
        start.waitForCall("BLIND", 5);
        assertThat((System.nanoTime() - killed) / 1e9).as("seconds until the page said that it knows nothing").isLessThan(3);
        server.start();
        desk.text("Live").waitFor();
        start.waitForCall("ON_TRACK", 20);
        start.press("f");
        desk.page().getByText("at idle, not seen all the way").first().waitFor(new Locator.WaitForOptions().setTimeout(90_000));
        assertThat(desk.cardText()).contains("No readings from");
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("UNKNOWN");
        assertThat(log.get("AttemptBegan")).hasSize(1);
        assertThat(log.get("AttemptEnded")).hasSize(1);
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
        assertThat(log.get("AttemptEnded").getFirst().path("payload").path("dip_v").doubleValue()).isBetween(15.0, 20.0);
        desk.press("ArrowUp");
        isJudgedTheSameByTheCommandLine(desk);
        assertThat(browsers.errors()).isEmpty();
    }

    private void isJudgedTheSameByTheCommandLine(DeskOfDeparture desk) throws Exception {
        Download download = desk.page().waitForDownload(() -> desk.page()
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Trace as CSV")).click());
        Path trace = server.data().resolve("trace.csv");
        download.saveAs(trace);
        Process analysed = new ProcessBuilder(System.getProperty("skelda.cli", "../skelda"), "analyse", "--json", trace.toString()).start();
        assertThat(new String(analysed.getInputStream().readAllBytes())).contains("NORMAL");
        assertThat(Files.readString(trace)).startsWith("# type: LOMVI-T1");
    }
}
