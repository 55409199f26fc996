package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/**
 * Starts of every kind on the simulated aircraft: a pair on one duct, by a computer, on a cart; before them a magneto.
 */
class EveryKindOfStartTest extends StartJourney {
    EveryKindOfStartTest() {
        super(4);
    }

    private static Locator bar(DeskOfDeparture desk, int engine) {
        return desk.page().getByLabel("Verdict, engine " + engine);
    }

    private static void waitFor(Locator bar, String call, int withinSeconds) {
        bar.and(bar.page().locator("[data-call='" + call + "']"))
                .waitFor(new Locator.WaitForOptions().setTimeout(withinSeconds * 1000.0));
    }

    private static void whose(DeskOfDeparture desk, int engine) {
        desk.page().getByLabel("Whose controls").selectOption(String.valueOf(engine));
        desk.page().locator("h1").first().focus();
    }

    @Test
    void twoEnginesAtOnceHaveTwoBarsAndTheHungOneIsOnTop() {
        DeskOfDeparture desk = at("Sunna Kvale", "901");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.starterOnAir();
        waitFor(bar(desk, 1), "ON_TRACK", 10);
        start.wrong("hung");
        whose(desk, 4);
        start.press("e");
        waitFor(bar(desk, 4), "ON_TRACK", 10);
        start.spoolAt(21);
        whose(desk, 1);
        start.press("f");
        whose(desk, 4);
        start.press("f");
        Locator both = desk.page().getByLabel("What to look for");
        assertThat(both.count()).isEqualTo(2);
        waitFor(bar(desk, 4), "CUT_FUEL", 40);
        assertThat(start.verdict().innerText()).as("the worse one on top").contains("Engine 4: cut the fuel");
        picture(desk, "pair-hung");
        start.press("f");
        waitFor(bar(desk, 4), "AFTER_CUT", 10);
        bar(desk, 1).getByText("at idle").waitFor(new Locator.WaitForOptions().setTimeout(40_000));
        assertThat(findings(log(desk))).contains("HUNG_START");
        assertThat(outcomes(log(desk))).contains("NORMAL");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aComputerStartsItAndWhereItStopsNothingTheCrewIsCalled() {
        DeskOfDeparture desk = at("Malin Oddsrud", "815");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot,computer-stops-nothing");
        start.press("a");
        TestServer.pause(1000);
        start.press("f");
        start.waitForCall("ON_TRACK", 10);
        assertThat(desk.cardText()).contains("by the start computer");
        // For two seconds the computer is waited for, then the crew is called, and it is seen that nothing was stopped.
        start.waitForCall("CUT_FUEL", 60);
        waitUntilFound(desk, "AUTO_STOP_FAILED", 20);
        picture(desk, "computer-stops-nothing");
        start.press("f");
        start.waitForCall("AFTER_CUT", 10);
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aCartThatIsLostLeavesAStartWithoutCurrentWhenTheBatteryIsOff() {
        DeskOfDeparture desk = at("Eir Strand", "603");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("ground-power-lost");
        start.press("b");
        start.press("j");
        start.press("i");
        start.press("e");
        start.waitForCall("ON_TRACK", 10);
        desk.page()
                .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Bus, V"))
                .getByText(java.util.regex.Pattern.compile("^0\\.[0-9]$"))
                .waitFor(new Locator.WaitForOptions().setTimeout(20_000));
        start.waitForCall("ADVISE", 20);
        desk.text("Shaded: where its last 10 good starts lay.").waitFor();
        picture(desk, "cart-lost");
        assertThat(start.verdict().innerText())
                .contains("starter off, it runs down")
                .contains("its current");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aMagnetoThatDropsTooFarIsNamedWithItsLimit() {
        DeskOfDeparture desk = at("Frida Naust", "12");
        desk.waitForCard("Left magneto alone");
        assertThat(desk.cardText()).contains("1705").contains("1815");
        desk.type("1640");
        desk.press("Enter");
        desk.text("left magneto alone: drops 35 to 145 rpm").first().waitFor();
        desk.text("outside").first().waitFor();
        desk.card()
                .getByText("down by 210, a drop of at least 35 and at most 145 from 1850 allowed")
                .waitFor();
        picture(desk, "magneto");
        assertThat(browsers.errors()).isEmpty();
    }
}
