package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two people take a cold Havern 2A to a signed record, and the day does not let them: an interruption, a defect on the
 * phone, a crew change, a late load, exchanged digits.
 */
class Havern2aTest {
    private static final double FAST = 60;
    private static final String FLIGHT = "431";
    private static final String TAIL = "QX-ASK";
    private static final Map<String, String> SHOWN = Map.of(
            "Duct pressure before starter 1", "229",
            "Duct pressure before starter 2", "228",
            "Duct pressure before the starter", "229",
            "EGT before the starter", "55",
            "Oil pressure at idle", "231",
            "Altimeters", "14");

    private static TestServer server;
    private static Browsers browsers;

    @BeforeAll
    static void start() {
        server = TestServer.start(FAST);
        browsers = new Browsers();
    }

    @AfterAll
    static void stop() {
        browsers.close();
        server.close();
    }

    @Test
    void fromColdAndDarkToASignedRecordOnADayOfInterruptions() throws Exception {
        DeskOfDeparture captain = CrewMember.signIn(browsers, server, "Malin Oddsrud")
                .open(FLIGHT)
                .reads(SHOWN);
        captain.takeSeat("Left", "flying");
        DeskOfDeparture first =
                CrewMember.signIn(browsers, server, "Teitur Vagsborg").open(FLIGHT);
        first.takeSeat("Right", "monitoring");
        ApiCrew both = crew(captain, "vagsborg");

        both.work("first-look");
        somebodyComesIn(captain);
        both.work("safety-power", "quiet-panel", "apu");
        aDefectIsFoundOnThePhone(captain);
        both.work("walk-around");
        DeskOfDeparture officer = theSeatIsHandedOver(captain, first);
        both = crew(captain, "stenvik");
        linesAreTakenOverAndGivenBack(captain, officer);
        both.work("alignment", "panels");
        both.workTo("numbers", "numbers/trim");
        theLoadChangesLate(captain, officer);
        both.work("numbers", "ground-cabin");
        Crew.exchangedDigitsAreCaught(captain, officer);
        both.work("before-start", "push");

        server.restart(6);
        captain.page().reload();
        officer.page().reload();
        startEngine("Start engine 1", captain, officer);
        startEngine("Start engine 2", captain, officer);
        both.work("after-start", "taxi", "before-take-off");
        assertThat(both.open()).isEmpty();
        sign(captain);
        officer.text("Signed record").waitFor();
        theRecordTellsTheDay(captain);
        assertThat(browsers.errors()).isEmpty();
    }

    private static ApiCrew crew(DeskOfDeparture captain, String officer) {
        return new ApiCrew(captain.departureId())
                .reads(SHOWN)
                .with("LEFT", ApiClient.signIn(server, "oddsrud"))
                .with("RIGHT", ApiClient.signIn(server, officer));
    }

    /** Somebody talks to the captain in the middle of a flow; then the device is opened anew. */
    private static void somebodyComesIn(DeskOfDeparture captain) {
        captain.go("Safety and power");
        captain.answerByKey();
        captain.answerByKey();
        String line = captain.line();
        captain.press("h");
        captain.click("Fueller");
        captain.waitForCard("Held for");
        captain.page().reload();
        captain.waitForCard("Held for");
        assertThat(captain.cardText()).contains("On hold since", "Fueller", "You were at: " + line);
        captain.press("Space");
        captain.page().waitForCondition(() -> captain.cardText().startsWith("Now"));
        assertThat(captain.line()).isEqualTo(line);
    }

    /** One thumb, outside: a finding in three taps. The decision is the captain's, back at the desk. */
    private static void aDefectIsFoundOnThePhone(DeskOfDeparture captain) {
        Page phone = browsers.phone();
        DeskOfDeparture outside =
                CrewMember.signIn(phone, server.address(), "Teitur Vagsborg").open(FLIGHT);
        phone.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Walk-around"))
                .waitFor();
        TouchedDesk thumb = new TouchedDesk(outside.who());
        while (!thumb.line().equals("Left main gear")) {
            thumb.answerByKey();
        }
        thumb.card()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("A finding"))
                .tap();
        button(phone, "Leak").tap();
        Axe.findsNothing(phone, "a finding on the phone");
        button(phone, "Keep the finding").tap();
        phone.waitForCondition(() -> !thumb.line().equals("Left main gear"));

        captain.go("Walk-around");
        captain.lookBackTo("Left main gear");
        captain.text("Leak at left main gear").waitFor();
        captain.page().getByLabel("Decision on: Leak at left main gear").fill("Two drops a minute, within its limit");
        captain.click("Goes like this");
        captain.text("goes like this (Two drops a minute, within its limit)").waitFor();
        phone.close();
    }

    /** The one who leaves names the next; the next reads what stands on one screen and takes it with one key. */
    private static DeskOfDeparture theSeatIsHandedOver(DeskOfDeparture captain, DeskOfDeparture leaving) {
        leaving.press("s");
        leaving.click("Hand over");
        leaving.page()
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Joar Stenvik"))
                .click();
        Page page =
                CrewMember.signIn(browsers, server, "Joar Stenvik").open(FLIGHT).page();
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Teitur Vagsborg hands the right seat over to you"))
                .waitFor();
        assertThat(page.getByRole(AriaRole.MAIN).innerText())
                .contains("lines are open", "Walk-around", "Left main gear", "goes like this");
        Axe.findsNothing(page, "a seat is handed over");
        page.keyboard().press("Enter");
        DeskOfDeparture taking = new DeskOfDeparture(new CrewMember("Joar Stenvik", page, server.address()));
        taking.card().waitFor();
        captain.text("Joar Stenvik, right").waitFor();
        return taking;
    }

    /** The captain is away for a moment: the officer's name is under what the officer did of the captain's lines. */
    private static void linesAreTakenOverAndGivenBack(DeskOfDeparture captain, DeskOfDeparture officer) {
        captain.go("Alignment");
        officer.go("Alignment");
        officer.click("Take these lines over from Malin Oddsrud");
        captain.text("The other seat has taken these lines over.").waitFor();
        officer.text("You have taken these lines over.").waitFor();
        officer.answerByKey();
        officer.click("Give them back");
        captain.page()
                .waitForCondition(
                        () -> captain.page().getByText("taken these lines over").count() == 0);
    }

    /** Eight more people: three numbers that were typed are not true any more, and nothing else. */
    private static void theLoadChangesLate(DeskOfDeparture captain, DeskOfDeparture officer) throws Exception {
        JsonNode feed = ApiClient.signIn(server, "kvale")
                .post("/api/feeds", "{\"tail\":\"" + TAIL + "\",\"label\":\"Load office\"}")
                .body();
        int status = tell(feed, "{\"source\":\"LOAD\",\"facts\":{\"passengers\":104}}");
        assertThat(status).isEqualTo(204);
        for (DeskOfDeparture desk : new DeskOfDeparture[] {captain, officer}) {
            desk.text("3 things to redo").waitFor();
            assertThat(desk.page().getByRole(AriaRole.MAIN).innerText())
                    .contains("3 things to redo: Zero-fuel mass, Take-off mass, Take-off centre of gravity");
        }
    }

    private static int tell(JsonNode feed, String news) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(
                        server.address() + "/api/feeds/" + feed.path("id").asString() + "/news"))
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + feed.path("token").asString())
                .POST(HttpRequest.BodyPublishers.ofString(news))
                .build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    private static void startEngine(String procedure, DeskOfDeparture captain, DeskOfDeparture officer) {
        captain.go(procedure);
        officer.go(procedure);
        captain.workUntil(captain::isStart);
        captain.startByTaps();
        Crew.work(procedure, captain);
    }

    private static void sign(DeskOfDeparture captain) {
        captain.page().waitForCondition(() -> captain.cardText().contains("To signing"));
        captain.press("Space");
        captain.text("Ready to sign").waitFor();
        captain.page().getByLabel("Password of Malin Oddsrud").fill(CrewMember.PASSWORD);
        captain.click("Sign the record");
        captain.text("Signed record").waitFor();
    }

    private static void theRecordTellsTheDay(DeskOfDeparture captain) {
        assertThat(captain.page().getByRole(AriaRole.MAIN).innerText())
                .contains(
                        "Leak at left main gear",
                        "Two drops a minute, within its limit",
                        "Passengers",
                        "104",
                        "held Safety and power: Fueller",
                        "handed the right seat over to Joar Stenvik",
                        "took over the lines of Alignment",
                        "at least 214 kPa",
                        "Recorder of two tones: no");
        Axe.findsNothing(captain.page(), "the record of a day of interruptions");
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
