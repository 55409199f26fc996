package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * The start that comes after the first: while the aircraft taxies on one engine, on the running engine's air; and the
 * one that goes on though its cart is lost.
 */
class SecondStartsTest extends StartJourney {
    SecondStartsTest() {
        super(4);
    }

    private static void started(DeskOfDeparture desk, int engine) {
        desk.text("Engine " + engine + ": started, at idle").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
    }

    @Test
    void whileTaxiingOnOneEngineTheOneWhoDoesNotSteerStartsTheOther() {
        DeskOfDeparture flying = at("Frida Naust", "429");
        flying.waitForCard("Engine 2 may be started");
        flying.text("Start of engine 2").first().waitFor();
        flying.text("7 min before take-off: 4 min to warm up, 3 min for the lists.")
                .first()
                .waitFor();
        flying.card().getByText("The pilot who does not steer does it.").waitFor();
        assertThat(flying.card()
                        .getByText("Go", new Locator.GetByTextOptions().setExact(true))
                        .count())
                .as("the one who steers is not asked")
                .isZero();

        DeskOfDeparture desk = at("Sunna Kvale", "429").reads(Map.of("Duct pressure before the starter", "228"));
        desk.waitForCard("Engine 2 may be started");
        desk.workUntil(desk::isStart);
        desk.text("If engine 1 stops now, brakes and steering are lost.").waitFor();
        picture(desk, "taxi-second-start");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot,computer-stops-nothing");
        start.press("f");
        start.waitForCall("ON_TRACK", 10);
        start.waitForCall("CUT_FUEL", 60);
        waitUntilFound(desk, "AUTO_STOP_FAILED", 20);
        start.press("f");
        start.waitForCall("AFTER_CUT", 10);
        picture(desk, "taxi-second-start-cut");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aNormalAutomaticStartWhileTaxiingEndsWarmBeforeTheList() {
        DeskOfDeparture desk = at("Sunna Kvale", "429").reads(Map.of("Duct pressure before the starter", "228"));
        desk.waitForCard("Engine 2 may be started");
        desk.workUntil(desk::isStart);
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.press("f");
        start.waitForCall("ON_TRACK", 10);
        started(desk, 2);
        assertThat(outcomes(log(desk))).endsWith("NORMAL");
        desk.workUntil(() -> desk.line().equals("APU bleed"));
        desk.click("Simulated aircraft: air OFF");
        desk.workUntil(() -> desk.line().equals("APU master"));
        desk.click("Simulated aircraft: master OFF");
        desk.workUntil(() -> desk.line().equals("Engine 2 warm"));
        desk.text("Warm for take-off").first().waitFor();
        picture(desk, "taxi-warm-up");
        assertThat(desk.page().getByText("Start of engine 2").count())
                .as("nothing is left to be started")
                .isZero();
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aJoinedBatteryCarriesTheStartOnWhereTheCartIsLost() {
        DeskOfDeparture desk = at("Eir Strand", "603");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("ground-power-lost");
        start.press("b");
        start.press("i");
        start.press("e");
        start.waitForCall("ON_TRACK", 10);
        start.spoolAt(16);
        start.press("f");
        desk.text("started, at idle").first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        picture(desk, "cart-lost-battery-joined");
        assertThat(outcomes(log(desk))).isEqualTo(List.of("NORMAL"));
        assertThat(browsers.errors()).isEmpty();
    }

    private static void airOfTheApuOff(DeskOfDeparture desk) {
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("APU"))
                .first()
                .click();
        Locator air = desk.page()
                .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Simulated APU"))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Air").setPressed(true));
        air.click();
        air.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        desk.press("Escape");
        desk.page()
                .locator("[role=dialog]")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    }

    @Test
    void withTheApusAirOffTheRunningEngineStartsTheOther() {
        DeskOfDeparture desk = at("Eir Strand", "305")
                .reads(Map.of(
                        "Duct pressure, engine 1 starter", "209",
                        "Engine 2 oil pressure at idle", "244"));
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.starterOnAir();
        start.goesWell(23);
        desk.workUntil(() -> desk.isStart() && desk.title().equals("Start engine 1"));
        airOfTheApuOff(desk);
        start.press("a");
        Locator strip =
                desk.page().getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What to expect today"));
        strip.getByText("short").first().waitFor();
        picture(desk, "cross-bleed-idle");
        start.press("t");
        strip.getByText("over the least").first().waitFor();
        picture(desk, "cross-bleed-thrust");
        start.press("e");
        start.waitForCall("ON_TRACK", 10);
        start.goesWell(23);
        assertThat(outcomes(log(desk))).containsExactly("NORMAL", "NORMAL");
        assertThat(browsers.errors()).isEmpty();
    }
}
