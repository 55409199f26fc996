package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Starts that went wrong, worked to the end of their script; the clock runs faster than life. */
class FailedStartTest extends StartJourney {
    private static final double FUEL_AT_pct = 23;

    FailedStartTest() {
        // A hand on the starter has 20 s over a dry motor's end: five of them on a machine that stalls.
        super(4);
    }

    @Test
    void aCutAfterCutOutWaitsForTheSpeedTurnsUntilCoolAndStartsAgain() {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        start.starterOnAir();
        start.spoolAt(FUEL_AT_pct);
        start.press("f");
        start.spoolAt(49);
        start.press("f");
        waitForNow(desk, "Starter stays OFF until N2 is 12 % or less");
        assertThat(start.verdict().innerText()).contains("starter OFF until N2 is 12 % or less");
        picture(desk, "cut-after-cut-out");
        waitForNow(desk, "Starter ON, fuel and ignition OFF");
        start.press("e");
        waitForNow(desk, "Leave the starter ON until EGT is 120 °C or less");
        picture(desk, "turning");
        waitForNow(desk, "Starter OFF");
        start.press("e");
        waitForNow(desk, "Another start attempt");
        desk.text("The starter may engage: try").waitFor(new Locator.WaitForOptions().setTimeout(180_000));
        start.press("e");
        start.goesWell(FUEL_AT_pct);
        var log = log(desk);
        assertThat(outcomes(log)).containsExactly("CREW_ABORT", "DRY_MOTOR", "NORMAL");
        assertThat(findings(log)).isEmpty();
    }

    @Test
    void anInternalFireAfterTheStopIsTurnedOut() {
        DeskOfDeparture desk = atTheStart("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("internal-fire");
        start.starterOnAir();
        start.spoolAt(FUEL_AT_pct);
        start.press("f");
        start.spoolAt(32);
        start.press("f");
        start.starterOff();
        start.waitForCall("KEEP_TURNING", 60);
        assertThat(desk.cardText()).contains("No fire bottle for an internal fire");
        picture(desk, "internal-fire");
        waitForNow(desk, "Starter ON, fuel and ignition OFF");
        start.press("e");
        waitForNow(desk, "Leave the starter ON until EGT is 120 °C or less");
        waitForNow(desk, "Starter OFF");
        start.press("e");
        waitForNow(desk, "Maintenance before another start");
        picture(desk, "internal-fire-out");
        assertThat(findings(log(desk))).contains("INTERNAL_FIRE");
    }

    @Test
    void noLightOffOnABatteryDrainsCoolsMotorsDryAndStartsAgain() {
        DeskOfDeparture desk = atTheStart("603");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("no-light-off");
        start.press("i");
        start.press("e");
        start.spoolAt(16);
        start.press("f");
        start.waitForCall("CUT_FUEL", 30);
        start.press("f");
        waitForNow(desk, "Ignition OFF");
        start.press("i");
        waitForNow(desk, "Starter OFF");
        start.press("e");
        start.wrong("nothing");
        waitForNow(desk, "Let it drain and the starter cool");
        picture(desk, "drain");
        waitForNow(desk, "Starter ON for a dry motor of 20 s");
        start.press("e");
        waitForNow(desk, "Dry motor 20 s, fuel and ignition OFF");
        waitForNow(desk, "Starter OFF");
        start.press("e");
        waitForNow(desk, "Another start attempt, 3 of 3 (the last)");
        picture(desk, "no-light-off-again");
        desk.text("The starter may engage: try 3 of 3").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        start.press("i");
        start.press("e");
        start.goesWell(16);
        var log = log(desk);
        assertThat(outcomes(log)).containsExactly("NO_LIGHT_OFF", "DRY_MOTOR", "NORMAL");
        assertThat(findings(log)).containsExactly("NO_LIGHT_OFF");
    }

    /** One key does one thing: what is typed, a dialog and a going-to come before the desk. */
    @Test
    void keysGoToTheLayerThatIsInFront() {
        DeskOfDeparture desk = atTheStart("305");
        for (boolean reloaded : new boolean[] {false, true}) {
            goesToTheListAfterACut(desk, reloaded);
        }
    }

    private static void goesToTheListAfterACut(DeskOfDeparture desk, boolean reloaded) {
        if (reloaded) {
            desk.page().reload();
            desk.card().waitFor();
        }
        desk.page()
                .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(reloaded ? "Night" : "Day"))
                .first()
                .check();
        desk.page().locator("h1").first().focus();
        desk.press("g");
        desk.press("h");
        TestServer.pause(400);
        pictureAsItIs(desk, "keys-list-" + (reloaded ? "night" : "day"));
        assertThat(desk.page().getByRole(AriaRole.DIALOG).allInnerTexts())
                .as("no dialog is opened, %s", reloaded ? "on a page that was loaded anew" : "on the page as it came")
                .isEmpty();
        desk.go("Start engine 2");
        desk.press("d");
        desk.waitForCursorIn("Why it is not done as written");
        desk.page().keyboard().type("7 of 9 seen");
        pictureAsItIs(desk, "keys-dialog-" + (reloaded ? "night" : "day"));
        assertThat(desk.page().getByLabel("Why it is not done as written").inputValue())
                .isEqualTo("7 of 9 seen");
        desk.press("Escape");
        desk.page()
                .getByRole(AriaRole.DIALOG)
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    }
}
