package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A hot start is cut within the seconds of its forecast, or it is a real exceedance: nothing else runs beside it. */
@Tag("alone")
class HotStartTest extends StartJourney {
    HotStartTest() {
        super(3);
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
        desk.text("until EGT is 120 °C or less").waitFor();
        desk.page().getByText("Starter OFF", new Page.GetByTextOptions().setExact(true)).first().waitFor();
        start.wrong("nothing");
        // Cooled by turning; then the starter goes off, cools, and the engine runs down to where it may engage again.
        desk.page().locator("li[data-state='NOW']").getByText("Starter OFF", new Locator.GetByTextOptions().setExact(true))
                .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        start.press("e");
        waitForNow(desk, "another start attempt, 2 of 3");
        desk.text("The starter may engage: try 2 of 3").waitFor(new Locator.WaitForOptions().setTimeout(180_000));
        start.press("e");
        start.goesWell(23);
        Map<String, List<JsonNode>> log = log(desk);
        assertThat(outcomes(log)).containsExactly("HOT_PREDICTED", "NORMAL");
        assertThat(log.get("FindingRaised")).extracting(event -> event.path("payload").path("id").asString()).containsExactly("HOT_PREDICTED");
    }
}
