package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * A hot start is cut within the seconds of its forecast, or it is a real exceedance: at life's own speed, with nothing
 * beside it.
 */
@Tag("quiet")
class HotStartTest extends StartJourney {
    HotStartTest() {
        super(1);
    }

    @Test
    void aHotStartIsCutInTimeOnTheForecastAndTheScriptOffersASecondAttempt() {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot");
        start.starterOnAir();
        start.spoolAt(23);
        start.press("f");
        start.waitForCall("CUT_FUEL", 20);
        String called = start.verdict().innerText();
        start.press("f");
        assertThat(called).contains("Engine 2: cut the fuel", "forecast", "Cutting the fuel does not stop the starter");
        start.waitForCall("AFTER_CUT", 5);
        desk.text("until EGT is 120 °C or less").waitFor();
        desk.text("Another start attempt, 2 of 3").waitFor();
        waitForNow(desk, "Starter OFF");
        start.starterOff();
        waitForNow(desk, "Another start attempt, 2 of 3");
        assertThat(findings(log(desk))).as("nothing was exceeded").containsExactly("HOT_PREDICTED");
    }
}
