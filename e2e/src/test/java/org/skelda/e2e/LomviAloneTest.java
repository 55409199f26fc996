package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** One pilot takes a cold Lomvi T1 to a signed record, with smoke in the middle: by keys alone, and by touch alone. */
class LomviAloneTest {
    private static final double FAST = 6;
    private static final Map<String, String> SHOWN = Map.ofEntries(
            Map.entry("Battery volts, loaded", "25.1"),
            Map.entry("Outside air temperature", "9"),
            Map.entry("Tailwind", "2"),
            Map.entry("ITT before the starter", "38"),
            Map.entry("Fuel, left wing", "212"),
            Map.entry("Fuel, right wing", "205"),
            Map.entry("Oil pressure at idle", "512"),
            Map.entry("Altimeters", "36"),
            Map.entry("Oxygen pressure", "9.2"),
            Map.entry("Engine oil quantity", "10.5"),
            Map.entry("Fuel on board", "417"),
            Map.entry("Fuel", "417"),
            Map.entry("Take-off mass", "3420"),
            Map.entry("Take-off centre of gravity", "24.6"),
            Map.entry("Rotation speed", "78"),
            Map.entry("Generator load", "96"),
            Map.entry("ITT at idle", "574"));

    private TestServer server;
    private Browsers browsers;

    @BeforeEach
    void start() {
        server = TestServer.start(FAST);
        browsers = new Browsers();
    }

    @AfterEach
    void stop() {
        browsers.close();
        server.close();
    }

    @Test
    void byKeysAlone() {
        Page page = browsers.page(1280, 680);
        Keys keys = new Keys(page);
        keys.signIn(server, "solberg");
        keys.tabTo("Flight 72");
        page.keyboard().press("Enter");
        keys.tabTo("Take it, flying");
        page.keyboard().press("Enter");
        DeskOfDeparture desk = desk(page, false);
        toTheEnd(desk);
        keys.tabTo("Password of Tora Solberg");
        page.keyboard().type(CrewMember.PASSWORD);
        page.keyboard().press("Enter");
        desk.text("Signed record").waitFor();
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void byTouchAlone() {
        Page page = browsers.tablet();
        page.navigate(server.address());
        tap(page, AriaRole.BUTTON, "Tora Solberg");
        tap(page, AriaRole.LINK, "Flight 72");
        tap(page, AriaRole.BUTTON, "Take it, flying");
        DeskOfDeparture desk = desk(page, true);
        toTheEnd(desk);
        page.getByLabel("Password of Tora Solberg").tap();
        page.keyboard().type(CrewMember.PASSWORD);
        tap(page, AriaRole.BUTTON, "Sign the record");
        desk.text("Signed record").waitFor();
        assertThat(browsers.errors()).isEmpty();
    }

    private static void tap(Page page, AriaRole role, String name) {
        page.getByRole(role, new Page.GetByRoleOptions().setName(name)).first().tap();
    }

    private DeskOfDeparture desk(Page page, boolean touched) {
        CrewMember pilot = new CrewMember("Tora Solberg", page, server.address());
        DeskOfDeparture desk = touched ? new TouchedDesk(pilot) : new DeskOfDeparture(pilot);
        desk.card().waitFor();
        return desk.reads(SHOWN);
    }

    private static void toTheEnd(DeskOfDeparture desk) {
        desk.workUntil(() -> desk.line().equals("Breakers"));
        smokeInTheMiddle(desk);
        desk.workUntil(desk::isStart);
        desk.startByTaps();
        desk.workUntil(() -> desk.cardText().contains("To signing"));
        assertThat(desk.title()).isEqualTo("Before take-off");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.main();
        desk.text("Ready to sign").waitFor();
    }

    /** A list from any moment in two presses, and back to the line where it came between. */
    private static void smokeInTheMiddle(DeskOfDeparture desk) {
        desk.goWrong("Smoke on the ground");
        desk.page().waitForCondition(() -> desk.title().equals("Smoke on the ground"));
        desk.workUntil(() -> desk.cardText().contains("Smoke on the ground is complete"));
        desk.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Back to Safety and power"))
                .waitFor(new Locator.WaitForOptions());
        desk.goBack();
        desk.page().waitForCondition(() -> desk.title().equals("Safety and power"));
        assertThat(desk.line()).isEqualTo("Breakers");
    }
}
