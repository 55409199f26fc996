package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Engine starts that nothing reads, told tap by tap at life's own speed. */
class TappedStartTest {
    private TestServer server;
    private Browsers browsers;
    private DeskOfDeparture desk;

    @BeforeEach
    void atTheStart() {
        server = TestServer.start(1);
        browsers = new Browsers();
        desk = CrewMember.signIn(browsers, server, "Eir Strand").open("305");
    }

    @AfterEach
    void stop() {
        browsers.close();
        server.close();
    }

    /** Tells what comes next by the one key, once the desk shows it. */
    private void tell(String words) {
        button(words).waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("Space");
        button(words)
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    }

    /** The large button of what comes next: its name ends with its key. */
    private Locator button(String words) {
        return desk.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(words + " Space").setExact(true));
    }

    private Locator verdict() {
        return desk.page().getByTestId("verdict").first();
    }

    private Locator question(String words) {
        return desk.page()
                .getByRole(AriaRole.ALERT, new Page.GetByRoleOptions().setName("Question"))
                .getByText(words);
    }

    private List<String> taps() throws Exception {
        return ApiClient.signIn(server, "strand").events(desk.departureId()).stream()
                .filter(event -> event.path("type").asString().equals("StartTapped"))
                .map(event -> event.path("payload").path("tap").asString())
                .toList();
    }

    private JsonNode start() throws Exception {
        return ApiClient.signIn(server, "strand")
                .get("/api/departures/" + desk.departureId() + "/view")
                .path("starts")
                .get(0);
    }

    @Test
    void aStartIsTappedByKeysToIdleAndItsPeakIsTypedAfterwards() throws Exception {
        assertThat(verdict().innerText()).contains("no feed", "Use the aircraft's gauges");
        tell("Starter ON");
        tell("Valve open, duct holds");
        tell("N2 turning");
        assertThat(verdict().getAttribute("data-call")).isEqualTo("ON_TRACK");
        assertThat(verdict().innerText()).contains("Not watched: every gauge");
        desk.page().locator("#clocks").getByText("Starter 2 may stay on").waitFor();
        tell("Oil pressure rising");
        desk.press("5");
        question("Fuel is on: does the fan turn? If not: fuel lever OFF").waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("y");
        tell("Light-off within 12 s");
        desk.press("Backspace");
        tell("Light-off within 12 s");
        tell("Starter out, 47 %");
        tell("Idle 61 %, stable");
        desk.text("Engine 2: started, at idle").waitFor();
        // Backspace edits what is typed; the newest tap stays.
        desk.type("6129");
        desk.press("Backspace");
        desk.press("Enter");
        desk.text("78 below 690").waitFor();
        desk.press("Space");
        desk.waitForCard("oil pressure at idle");
        assertThat(taps())
                .containsExactly(
                        "STARTER_ON",
                        "VALVE_OPEN",
                        "ROTATION",
                        "OIL_RISING",
                        "FUEL_ON",
                        "FAN_ROTATION",
                        "LIGHT_OFF",
                        "LIGHT_OFF",
                        "STARTER_OFF",
                        "IDLE");
        assertThat(start().path("summary").path("outcome").asString()).isEqualTo("NORMAL");
        assertThat(start().path("summary").path("peak_c").doubleValue()).isEqualTo(612);
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void aWindowThatPassesAsksAndTheCrewsAnswerCallsForTheCutAndLeadsThroughTheScript() throws Exception {
        tell("Starter ON");
        desk.press("2");
        desk.press("3");
        desk.press("4");
        tell("Fuel on at 23 %");
        question("12 s since fuel: lit? No light-off: fuel lever OFF")
                .waitFor(new Locator.WaitForOptions().setTimeout(20_000));
        assertThat(verdict().getAttribute("data-call"))
                .as("no answer calls for nothing")
                .isEqualTo("ON_TRACK");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("n");
        desk.text("Engine 2: cut the fuel").waitFor();
        assertThat(verdict().innerText())
                .contains("The crew says: no light-off", "Cutting the fuel does not stop the starter");
        tell("Fuel is OFF");
        question("3 s since the cut").waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("y");
        desk.page()
                .locator("li[data-state='NOW']")
                .getByText("Leave the starter ON for the rest of its 30 s")
                .waitFor();
        desk.press("x");
        desk.page()
                .locator("li[data-state='NOW']")
                .getByText("Starter stays OFF until N2 is 12 % or less")
                .waitFor();
        desk.page()
                .locator("#clocks")
                .getByText("Starter 2 cools, then try 2 of 3")
                .waitFor();
        assertThat(start().path("summary").path("outcome").asString()).isEqualTo("NO_LIGHT_OFF");
        assertThat(start().path("findings").get(0).path("action").asString()).isEqualTo("CUT_FUEL");
    }

    @Test
    void tapsOfALostLinkArriveWithTheMomentOfTheirPress() throws Exception {
        tell("Starter ON");
        long before = server.now().toEpochMilli();
        server.kill();
        desk.text("No link").waitFor();
        desk.press("2");
        long pressed = server.now().toEpochMilli();
        TestServer.pause(1500);
        server.start();
        desk.page().locator("div[data-state='DONE']").getByText("N2 turning").waitFor();
        long at = java.time.Instant.parse(ApiClient.signIn(server, "strand")
                        .events(desk.departureId())
                        .getLast()
                        .path("payload")
                        .path("tappedAt")
                        .asString())
                .toEpochMilli();
        assertThat(at).isBetween(before, pressed + 500);
    }
}
