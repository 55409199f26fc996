package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Starts that fall silent, on the simulated aircraft and at life's own speed: silence is measured in seconds. */
@Tag("alone")
class SilenceTest extends StartJourney {
    SilenceTest() {
        super(1);
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
}
