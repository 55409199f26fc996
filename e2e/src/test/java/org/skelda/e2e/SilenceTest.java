package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Starts that fall silent, on the simulated aircraft and at life's own speed: silence is measured in seconds. */
@Tag("quiet")
class SilenceTest extends StartJourney {
    SilenceTest() {
        super(1);
    }

    /**
     * A server that is killed before the fuel, and a feed that is cut after light-off: both are told at once, and
     * neither takes the start's end away.
     */
    @Test
    void whatFallsSilentInMidStartIsNoDataAndTheStartGoesOnWithItsGaps() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("feed-interrupted");
        start.starterOnAir();
        start.spoolAt(15);
        theServerIsKilled(desk, start);
        start.spoolAt(23);
        start.press("f");
        theFeedIsCutAfterLightOff(desk, start);
        desk.text("at idle, not seen all the way").waitFor(new Locator.WaitForOptions().setTimeout(90_000));
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("UNKNOWN");
        assertThat(log.get("AttemptBegan")).hasSize(1);
        assertThat(log.get("AttemptEnded")).hasSize(1);
    }

    private void theServerIsKilled(DeskOfDeparture desk, StartOfEngine start) {
        server.kill();
        long killed = System.nanoTime();
        start.waitForCall("BLIND", 5);
        assertThat((System.nanoTime() - killed) / 1e9)
                .as("seconds until the page said that it knows nothing")
                .isLessThan(3);
        server.start();
        desk.text("Live").waitFor();
        start.waitForCall("ON_TRACK", 20);
        assertThat(gaps(desk)).as("the gap of the server's absence").hasSize(1);
    }

    private void theFeedIsCutAfterLightOff(DeskOfDeparture desk, StartOfEngine start) {
        desk.page()
                .locator("li[data-state='DONE']")
                .getByText("Light-off within 12 s")
                .waitFor();
        start.waitForCall("BLIND", 10);
        Instant blind = server.now();
        assertThat(start.verdict().innerText()).contains("no data", "Use the aircraft's gauges.");
        assertThat(desk.cardText()).doesNotContain("on track");
        start.waitForCall("ON_TRACK", 30);
        assertThat(gaps(desk)).hasSize(2);
        double[] gap = gaps(desk).getLast();
        assertThat(gap[1] - gap[0]).as("seconds without readings").isBetween(11.0, 13.5);
        Instant last = Instant.parse(log(desk)
                        .get("AttemptBegan")
                        .getFirst()
                        .path("payload")
                        .path("startedAt")
                        .asString())
                .plusMillis(Math.round(gap[0] * 1000));
        assertThat(Duration.between(last, blind))
                .as("from the last reading to No data")
                .isLessThan(Duration.ofSeconds(2));
    }

    /** The gaps that the desk shows, in their order: from and until, seconds after the starter. */
    private static List<double[]> gaps(DeskOfDeparture desk) {
        return Pattern.compile("No readings from ([0-9.]+) s to ([0-9.]+) s after the starter")
                .matcher(desk.cardText())
                .results()
                .map(gap -> new double[] {Double.parseDouble(gap.group(1)), Double.parseDouble(gap.group(2))})
                .toList();
    }
}
