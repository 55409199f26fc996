package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import org.junit.jupiter.api.Test;

/** Everything on the crew's path, without a mouse and without a touch. */
class KeyboardAloneTest {

    @Test
    void fromSigningInToAMeasuredLine() {
        try (TestServer server = TestServer.start(1);
                Browsers browsers = new Browsers()) {
            Page page = browsers.page(1280, 800);
            Keys keys = new Keys(page);
            keys.signIn(server, "halden");
            keys.tabTo("Flight 214");
            page.keyboard().press("Enter");
            keys.tabTo("Take it, flying");
            page.keyboard().press("Enter");
            DeskOfDeparture desk = new DeskOfDeparture(new CrewMember("Runa Halden", page, server.address()));
            desk.card().waitFor();

            desk.answerToItsEnd();
            desk.answerToItsEnd();
            desk.waitForCard("Radar beam");
            aCautionNeedsItsOwnKey(desk);
            aHeldKeyAnswersOneLine(desk);
            upToTheVolts(desk);
            lookBackAndAhead(desk);
            goAndFind(desk);
            deviateAndTakeBack(desk);
            lateEntry(desk);
            lettersCanBeSwitchedOff(desk);
            assertThat(browsers.errors()).isEmpty();
        }
    }

    private static void aCautionNeedsItsOwnKey(DeskOfDeparture desk) {
        assertThat(desk.line()).isEqualTo("Radar beam");
        desk.press("Space");
        TestServer.pause(600);
        assertThat(desk.line()).as("Space does not acknowledge a caution").isEqualTo("Radar beam");
        desk.answerByKey();
        assertThat(desk.line()).isEqualTo("Weather radar");
    }

    private static void aHeldKeyAnswersOneLine(DeskOfDeparture desk) {
        TestServer.pause(450);
        // In one go: a busy machine may take longer between two presses of a real key than the quarter of a second that
        // this is about.
        desk.page().evaluate("""
                () => {
                    const press = (type, repeat) => document.activeElement.dispatchEvent(new KeyboardEvent(type, { \
                    key: ' ', code: 'Space', repeat, bubbles: true, cancelable: true }));
                    for (let i = 0; i < 8; i++) press('keydown', i > 0);
                    press('keyup', false);
                    press('keydown', false);
                }
                """);
        TestServer.pause(300);
        assertThat(desk.line())
                .as("held down and pressed twice, Space answers one line")
                .isEqualTo("Wipers");
    }

    private static void upToTheVolts(DeskOfDeparture desk) {
        while (!desk.line().equals("Battery volts, loaded")) {
            desk.answerByKey();
        }
        String before = desk.cardText();
        desk.type("24x.6");
        desk.press("Backspace");
        desk.type("7");
        desk.press("Enter");
        desk.waitUntilChanged(before);
        desk.text("24.7 V").waitFor();
    }

    private static void lookBackAndAhead(DeskOfDeparture desk) {
        desk.press("ArrowUp");
        desk.waitForCard("24.7 V");
        assertThat(desk.cardText()).contains("1.5 V inside the limit of 23.2 V");
        desk.press("Escape");
        desk.waitForCard("Standby power");
    }

    private static void goAndFind(DeskOfDeparture desk) {
        desk.press("g");
        desk.press("k");
        desk.waitForCard("Intakes and hot parts");
        desk.press("/");
        desk.page().keyboard().type("outflow automatic");
        desk.press("Enter");
        desk.waitForCard("Cabin outflow");
        desk.press("b");
        desk.waitForCard("Intakes and hot parts");
        desk.press("?");
        desk.text("record a deviation").waitFor();
        desk.press("Escape");
        desk.press("g");
        desk.press("s");
        desk.waitForCard("Standby power");
    }

    private static void deviateAndTakeBack(DeskOfDeparture desk) {
        desk.press("d");
        desk.waitForCursorIn("Why it is not done as written");
        desk.page().keyboard().type("Switch sticks, in the technical log");
        desk.press("Enter");
        desk.waitForCard("Position lights");
        desk.press("ArrowUp");
        desk.waitForCard("Switch sticks");
        desk.press("u");
        desk.waitForDialog();
        desk.press("Enter");
        desk.page()
                .getByRole(AriaRole.DIALOG)
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        desk.waitForCard("Standby power");
        desk.press("Escape");
    }

    private static void lateEntry(DeskOfDeparture desk) {
        desk.waitForCard("Standby power");
        desk.press("l");
        desk.waitForCursorIn("Minutes ago");
        desk.page().keyboard().type("3");
        desk.press("Enter");
        desk.waitForCard("Position lights");
        desk.press("ArrowUp");
        desk.waitForCard("entered late at");
        desk.press("Escape");
    }

    private static void lettersCanBeSwitchedOff(DeskOfDeparture desk) {
        desk.press("?");
        desk.page().getByLabel("Single letters are keys").waitFor();
        new Keys(desk.page()).tabTo("Single letters");
        desk.press("Space");
        desk.press("Escape");
        desk.waitForCard("Position lights");
        desk.press("d");
        TestServer.pause(300);
        assertThat(desk.page().getByRole(AriaRole.DIALOG).count()).isZero();
    }
}
