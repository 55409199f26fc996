package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import org.junit.jupiter.api.Test;

/** A starter that does not let go: seconds count, so the clock runs as in life. */
class OverrunTest extends StartJourney {
    private static final double FUEL_AT_pct = 23;

    OverrunTest() {
        super(4);
    }

    @Test
    void ofAnOverrunTheStarterGoesAndTheFuelStays() {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("starter-stuck");
        start.starterOnAir();
        start.spoolAt(FUEL_AT_pct);
        start.press("f");
        start.waitForCall("STOP_STARTER", 60);
        assertThat(start.verdict().innerText()).contains("Engine 2: ", "leaves the fuel on");
        assertThat(desk.cardText()).contains("Maintenance before another start").doesNotContain("Fuel OFF\n");
        waitForNow(desk, "take away its air");
        // The cart and the APU are on the other side of the valve.
        start.press("x");
        picture(desk, "overrun");
        desk.text("Engine 2: started, at idle").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        var log = log(desk);
        assertThat(findings(log)).contains("STARTER_OVERRUN");
        assertThat(log.get("MilestoneReached"))
                .anyMatch(event ->
                        event.path("payload").path("milestone").asString().equals("IDLE"));
    }
}
