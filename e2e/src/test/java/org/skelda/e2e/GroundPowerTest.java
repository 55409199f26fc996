package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * A Havern 2A on ground power: available, on and feeding; its batteries cycled, and their charge current read until it
 * is seen to fall; and the plug pulled only once the APU carries all of it.
 */
class GroundPowerTest {
    /** Ninety seconds of charging are eighteen. */
    private static final double TIMES_LIFE = 5;

    private static final String FLIGHT = "431";
    private static final String PICTURES = System.getProperty("skelda.pictures");
    private static TestServer server;
    private static Browsers browsers;

    @BeforeAll
    static void start() {
        server = TestServer.start(TIMES_LIFE);
        browsers = new Browsers();
    }

    @AfterAll
    static void end() {
        browsers.close();
        server.close();
    }

    private static void picture(DeskOfDeparture desk, String name) {
        if (PICTURES == null) {
            return;
        }
        Page page = desk.page();
        for (String theme : new String[] {"day", "night"}) {
            page.evaluate("theme => document.documentElement.dataset.theme = theme", theme);
            TestServer.pause(150);
            page.screenshot(new Page.ScreenshotOptions().setPath(Path.of(PICTURES, name + "-" + theme + ".png")));
        }
        page.evaluate("() => document.documentElement.dataset.theme = 'day'");
    }

    @Test
    void fromTheCartToTheApuWithNobodyPullingUnderLoad() {
        DeskOfDeparture captain =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open(FLIGHT);
        captain.takeSeat("Left", "flying");
        CrewMember.signIn(browsers, server, "Teitur Vagsborg").open(FLIGHT).takeSeat("Right", "monitoring");
        ApiCrew both = new ApiCrew(captain.departureId())
                .reads(Map.of("EGT before the starter", "55"))
                .with("LEFT", ApiClient.signIn(server, "oddsrud"))
                .with("RIGHT", ApiClient.signIn(server, "vagsborg"));
        both.work("first-look");
        captain.go("Safety and power");
        power(captain, "Nothing is powered");

        captain.workUntil(() -> captain.line().equals("Ground power"));
        power(captain, "Battery bus on Battery 1");
        captain.workUntil(() -> captain.line().equals("Charge current"));
        String sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on Ground power");
        assertThat(sheet).contains("Ground power ON, feeding", "Lost without it: Essential AC");

        readsTheCurrentUntilItFalls(captain);

        both.work("safety-power", "quiet-panel");
        both.workTo("apu", "apu/ground-power-away");
        captain.go("APU");
        captain.page().waitForCondition(() -> captain.line().equals("Ground power"));
        sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on APU generator");
        assertThat(sheet).contains("Ground power ON, no load");
        captain.lookAheadTo("Plug");
        assertThat(captain.cardText()).contains("Ground power", "whoever holds the plug");
        captain.press("Escape");
        captain.page().waitForCondition(() -> captain.line().equals("Ground power"));
        captain.answerByKey();
        captain.page().waitForCondition(() -> captain.line().equals("Plug"));
        sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on APU generator");
        assertThat(sheet).contains("Ground power available, not on");
        captain.answerByKey();
        captain.page().waitForCondition(() -> !captain.line().equals("Plug"));
        sheet = power(captain, "on APU generator");
        assertThat(sheet).contains("Ground power not plugged in");
        assertThat(browsers.errors()).isEmpty();
    }

    private static void readsTheCurrentUntilItFalls(DeskOfDeparture captain) {
        reads(captain, "70", "70 A, 25 A over 45");
        reads(captain, "74", "It rose from 70 to 74 A");
        picture(captain, "charge-rises");
        Axe.findsNothing(captain.page(), "a charge current that rises");
        String before = captain.cardText();
        captain.type("38");
        captain.press("Enter");
        captain.waitUntilChanged(before);
        captain.page().waitForCondition(() -> !captain.line().equals("Charge current"));
        captain.lookBackTo("Charge current");
        captain.waitForCard("38 A and falling, under 45 A by");
        picture(captain, "charge-falls");
        captain.press("Escape");
    }

    private static void reads(DeskOfDeparture captain, String current, String says) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.type(current);
        captain.press("Enter");
        captain.waitForCard(says);
    }

    /** Looks at the sources and buses, and leaves them again. @return what the sheet told */
    private static String power(DeskOfDeparture captain, String says) {
        captain.press("k");
        Locator sheet = captain.page().getByTestId("power-desk");
        sheet.getByRole(AriaRole.STATUS).getByText(says).first().waitFor();
        picture(captain, "power-" + says.replaceAll("[^a-zA-Z0-9]+", "-"));
        Axe.findsNothing(captain.page(), "sources and buses");
        String told = sheet.innerText();
        captain.press("Escape");
        sheet.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        return told;
    }
}
