package org.skelda.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class KindsLook {
    @Test
    void look() {
        try (TestServer server = TestServer.start(60);
                Browsers browsers = new Browsers()) {
            DeskOfDeparture captain =
                    CrewMember.signIn(browsers, server, "Runa Halden").open("214");
            captain.takeSeat("Left", "flying");
            DeskOfDeparture officer =
                    CrewMember.signIn(browsers, server, "Joar Stenvik").open("214");
            officer.takeSeat("Right", "monitoring");
            ApiCrew crew = new ApiCrew(captain.departureId())
                    .with("LEFT", ApiClient.signIn(server, "halden"))
                    .with("RIGHT", ApiClient.signIn(server, "stenvik"))
                    .choosing("alignment/how", "full");
            officer.go("Walk-around");
            officer.press("Enter");
            TestServer.pause(900);
            officer.press("f");
            TestServer.pause(400);
            take(officer.page(), "k-finding");
            officer.page()
                    .getByRole(
                            com.microsoft.playwright.options.AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Leak").setExact(true))
                    .click();
            officer.page().getByText("Keep the finding").click();
            TestServer.pause(600);
            take(officer.page(), "k-found");
            officer.page().getByText("Mended").first().click();
            crew.work("first-look", "papers", "safety-power", "fire-tests");
            crew.workTo("alignment", "alignment/how");
            crew.work("apu");
            captain.go("Alignment");
            TestServer.pause(800);
            take(captain.page(), "k-decision");
            crew.work("alignment", "walk-around", "tests", "overhead");
            crew.workTo("panels", "panels/altimeters");
            captain.go("Panels ahead");
            TestServer.pause(800);
            captain.type("118");
            captain.press("Enter");
            captain.type("120");
            captain.press("Enter");
            take(captain.page(), "k-compare");
            captain.type("181");
            captain.press("Enter");
            TestServer.pause(800);
            take(captain.page(), "k-compared");
            crew.work("panels", "numbers");
            crew.workTo("ground-cabin", "ground-cabin/letter");
            captain.go("Ground and cabin");
            TestServer.pause(800);
            take(captain.page(), "k-heard");
            crew.work("ground-cabin");
            crew.workTo("before-start", "before-start/c-fuel");
            captain.go("Before start");
            officer.go("Before start");
            TestServer.pause(800);
            captain.type("6480");
            captain.press("Enter");
            TestServer.pause(800);
            take(captain.page(), "k-challenge");
            take(officer.page(), "k-reader");
            captain.press("a");
            TestServer.pause(500);
            take(captain.page(), "k-abnormal");
            captain.press("3");
            TestServer.pause(800);
            take(captain.page(), "k-memory");
        }
    }

    private static void take(Page page, String name) {
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("/tmp/shots", name + ".png")));
    }
}
