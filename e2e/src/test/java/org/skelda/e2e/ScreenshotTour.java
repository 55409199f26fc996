package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/**
 * Takes the pictures of docs/screenshots from the demo data; run by {@code ./skelda screenshots}, not with the tests.
 */
class ScreenshotTour {
    private static final Path FOLDER = Path.of(System.getProperty("skelda.screenshots", "target/screenshots"));

    @Test
    void takeAll() {
        try (TestServer server = TestServer.start(1);
                Browsers browsers = new Browsers()) {
            Page page = browsers.page(1280, 800);
            page.navigate(server.address());
            CrewMember captain = CrewMember.signIn(page, server.address(), "Malin Oddsrud");
            page.getByText("flight 307").waitFor();
            take(page, "today");
            DeskOfDeparture desk = captain.open("307");
            desk.card().waitFor();
            take(page, "flow-desk-day");
            desk.press("q");
            desk.waitForDialog();
            take(page, "abnormal");
            desk.press("Escape");
            missing(browsers, server);
            measured(browsers, server);
            schools(browsers, server);
            signed(browsers, server);
            phone(browsers, server);
            tapped(browsers, server);
            start(browsers, server);
            replay(browsers, server);
        }
    }

    /** A fire lamp is missing on the simulated aircraft. */
    private static void missing(Browsers browsers, TestServer server) {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Malin Oddsrud"), "R14");
        desk.go("Fire tests");
        desk.waitForCard("Engine and APU fire test");
        SimulatedLamps lights = SimulatedLamps.beside(desk);
        lights.lamp("Fire, engine 1", "failed");
        lights.press("Engine and APU fire test", "Held");
        take(lights.page(), "lights");
        ApuOfDesk apu = ApuOfDesk.over(desk);
        apu.turn("Master", "OFF", "ON");
        apu.says("APU: start it");
        apu.press("Start");
        apu.says("APU: available");
        apu.turn("Generator", "OFF", "ON");
        apu.desk().getByText("Its generator alone carries the buses").waitFor();
        take(desk.page(), "apu");
        apu.close();
        UnitsOfDesk units = UnitsOfDesk.over(desk);
        units.press("ALIGN");
        units.says("Enter the position");
        units.type("Type into it", "71 51.6 N 008 06.0 E", "Enter");
        units.says("ask for the position again");
        take(desk.page(), "alignment");
    }

    /** Taking a seat; three altimeters that do not agree; a finding outside. */
    private static void measured(Browsers browsers, TestServer server) {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Runa Halden").open("214");
        take(desk.page(), "seats");
        desk.takeSeat("Left", "flying");
        DeskOfDeparture officer =
                CrewMember.signIn(browsers, server, "Joar Stenvik").open("214");
        officer.takeSeat("Right", "monitoring");
        ApiCrew crew = new ApiCrew(desk.departureId())
                .with("LEFT", ApiClient.signIn(server, "halden"))
                .with("RIGHT", ApiClient.signIn(server, "stenvik"));
        crew.work("first-look", "papers", "safety-power", "fire-tests");
        crew.workTo("apu", "apu/bleed");
        desk.press("k");
        Locator power = desk.page().getByTestId("power-desk");
        power.waitFor();
        take(desk.page(), "power");
        desk.press("Escape");
        power.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        desk.go("Panels ahead");
        while (!desk.line().equals("Altimeters")) {
            desk.answerByKey();
        }
        for (String reading : new String[] {"118", "120", "181"}) {
            desk.type(reading);
            desk.press("Enter");
        }
        desk.text("stands out").waitFor();
        theme(desk.page(), "Dusk");
        take(desk.page(), "compared-dusk");
        officer.go("Walk-around");
        for (int i = 0; i < 5; i++) {
            officer.answerByKey();
        }
        officer.press("f");
        officer.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Leak").setExact(true))
                .click();
        take(officer.page(), "walk-around");
    }

    private static void schools(Browsers browsers, TestServer server) {
        Page page = CrewMember.signIn(browsers, server, "Frida Naust").page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Schools"))
                .click();
        page.getByText("Which engine first").first().waitFor();
        take(page, "schools");
    }

    private static void signed(Browsers browsers, TestServer server) {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Runa Halden").open("208");
        desk.text("Signed record").waitFor();
        take(desk.page(), "record");
    }

    /** Outside with one thumb: a finding that is about to be kept. */
    private static void phone(Browsers browsers, TestServer server) {
        Page phone = browsers.phone();
        DeskOfDeparture desk =
                CrewMember.signIn(phone, server.address(), "Joar Stenvik").open("214");
        desk.card().waitFor();
        desk.card()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("finding"))
                .tap();
        phone.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Leak").setExact(true))
                .tap();
        take(phone, "phone");
    }

    /** A start that nothing reads, when its light-off window has passed. */
    private static void tapped(Browsers browsers, TestServer server) {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Eir Strand").open("603");
        desk.text("Nothing reads this engine").waitFor();
        for (String key : new String[] {"Space", "Space", "2", "3", "4"}) {
            TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
            desk.press(key);
        }
        desk.text("9 s since fuel: lit? No light-off: fuel lever OFF").waitFor();
        take(desk.page(), "start-tapped");
    }

    /** A start on track by day, and a hot one by night. */
    private static void start(Browsers browsers, TestServer server) {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Eir Strand").open("305");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot");
        start.starterOnAir();
        start.spoolAt(14);
        take(desk.page(), "start-day");
        theme(desk.page(), "Night");
        desk.page().locator("h1").first().focus();
        start.spoolAt(23);
        start.press("f");
        start.waitForCall("CUT_FUEL", 20);
        desk.page().screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve("start-cut-night.png")));
    }

    private static void replay(Browsers browsers, TestServer server) {
        Page page = CrewMember.signIn(browsers, server, "Runa Halden").page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Logbook"))
                .click();
        page.getByText("Engine 2, attempt 1").first().waitFor();
        take(page, "logbook");
        page.getByText("Engine 2, attempt 1").first().click();
        page.getByRole(AriaRole.MAIN, new Page.GetByRoleOptions().setName("Replay"))
                .waitFor();
        for (int i = 0; i < 3; i++) {
            page.keyboard().press("ArrowUp");
        }
        take(page, "replay");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Beside others"))
                .click();
        page.getByText("good starts before it").waitFor();
        take(page, "beside");
    }

    private static void theme(Page page, String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name))
                .first()
                .check();
    }

    private static void take(Page page, String name) {
        page.mouse().move(640, 799);
        TestServer.pause(500);
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
