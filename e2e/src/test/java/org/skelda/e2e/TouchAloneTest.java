package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Everything on the crew's path with a finger on a tablet: no key is pressed and nothing is clicked. */
class TouchAloneTest {
    private static final Pattern ITS_ANSWER = Pattern.compile("^(Understood|Done|Go) ?(Enter|Space)$");

    private Page page;
    private DeskOfDeparture desk;

    @Test
    void fromSigningInToATakenBackLine() {
        try (TestServer server = TestServer.start(1);
                Browsers browsers = new Browsers()) {
            page = browsers.tablet();
            page.navigate(server.address());
            tap("Runa Halden");
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Flight 214"))
                    .tap();
            page.getByText("Left seat")
                    .locator("xpath=..")
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take it, flying"))
                    .tap();
            desk = new DeskOfDeparture(new CrewMember("Runa Halden", page, server.address()));
            desk.card().waitFor();

            answerUpToTheVolts();
            enterTheVolts();
            holdAndComeBack();
            deviateAndTakeBack();
            goToTheWalkAround();
            seeTheClocks();
            assertThat(browsers.errors()).isEmpty();
        }
    }

    private void tap(String button) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                .first()
                .tap();
    }

    private void tapOnTheCard(String button) {
        desk.card()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button))
                .first()
                .tap();
    }

    private void answerUpToTheVolts() {
        tapUntil(() -> !desk.title().equals("First look"));
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Preparation"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Safety and power"))
                .tap();
        desk.waitForCard("Radar beam");
        tapUntil(() -> desk.line().equals("Battery volts, loaded"));
    }

    private void tapUntil(java.util.function.BooleanSupplier there) {
        while (!there.getAsBoolean()) {
            String before = desk.cardText();
            TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
            if (there.getAsBoolean()) {
                return;
            }
            desk.card()
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(ITS_ANSWER))
                    .tap();
            desk.waitUntilChanged(before);
        }
    }

    private void enterTheVolts() {
        for (String key : new String[] {"2", "4", "point", "9", "Erase", "6"}) {
            tapOnTheCard(key);
        }
        String before = desk.cardText();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        tapOnTheCard("Enter value");
        desk.waitUntilChanged(before);
        desk.text("24.6 V").waitFor();
        desk.waitForCard("Standby power");
    }

    private void holdAndComeBack() {
        tapOnTheCard("Hold");
        tap("Fueller");
        desk.waitForCard("Held for");
        tapOnTheCard("Come back");
        desk.waitForCard("Standby power");
    }

    private void deviateAndTakeBack() {
        tapOnTheCard("Deviation");
        tap("Unserviceable, in the technical log");
        desk.waitForCard("Position lights");
        page.getByText("Standby power").first().tap();
        desk.waitForCard("Standby power");
        tapOnTheCard("Take back");
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back"))
                .tap();
        desk.waitForCard("Now");
        assertThat(desk.line()).isEqualTo("Standby power");
        page.getByText("Battery volts, loaded").first().tap();
        desk.waitForCard("Battery volts, loaded");
        tap("To the next line");
        desk.waitForCard("Now");
    }

    private void goToTheWalkAround() {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Preparation"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Walk-around"))
                .tap();
        desk.waitForCard("Intakes and hot parts");
    }

    private void seeTheClocks() {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Clocks"))
                .first()
                .tap();
        page.getByRole(AriaRole.DIALOG).getByText("Clocks").first().waitFor();
    }
}
