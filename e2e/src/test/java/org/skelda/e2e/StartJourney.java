package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import tools.jackson.databind.JsonNode;

/** A journey through an engine start, each on a server of its own with its clock at a speed. */
abstract class StartJourney {
    /** Where pictures of a journey go; nowhere unless it is asked for. */
    private static final String PICTURES = System.getProperty("skelda.pictures");

    private static final double PATIENCE_MS = 45_000;

    private final double speed;
    TestServer server;
    Browsers browsers;

    StartJourney(double speed) {
        this.speed = speed;
    }

    @BeforeEach
    void startServer() {
        begin(speed);
    }

    private void begin(double timesLife) {
        server = TestServer.start(timesLife);
        browsers = new Browsers();
    }

    /** Anew on a day of its own, with the clock at another speed. */
    void beginAgain(double timesLife) {
        stop();
        begin(timesLife);
    }

    @AfterEach
    void stop() {
        browsers.close();
        server.close();
    }

    /** The desk of a flight that waits for its engine start. */
    DeskOfDeparture atTheStart(String flight) {
        return at("Eir Strand", flight);
    }

    /** A flight's desk before somebody. */
    DeskOfDeparture at(String person, String flight) {
        return CrewMember.signIn(browsers, server, person).open(flight);
    }

    /** The events of a departure by their type. */
    Map<String, List<JsonNode>> log(DeskOfDeparture desk) {
        return ApiClient.signIn(server, "strand").events(desk.departureId()).stream()
                .collect(Collectors.groupingBy(event -> event.path("type").asString()));
    }

    static List<String> outcomes(Map<String, List<JsonNode>> log) {
        return log.getOrDefault("AttemptEnded", List.of()).stream()
                .map(event -> event.path("payload").path("outcome").asString())
                .toList();
    }

    static List<String> findings(Map<String, List<JsonNode>> log) {
        return log.getOrDefault("FindingRaised", List.of()).stream()
                .map(event -> event.path("payload").path("id").asString())
                .toList();
    }

    /** Waits until the record holds a finding. */
    void waitUntilFound(DeskOfDeparture desk, String finding, int withinSeconds) {
        long deadline = System.nanoTime() + withinSeconds * 1_000_000_000L;
        while (!findings(log(desk)).contains(finding)) {
            assertThat(System.nanoTime())
                    .as(finding + " beside " + findings(log(desk)))
                    .isLessThan(deadline);
            TestServer.pause(200);
        }
    }

    /** The step of the script that is to be done now. */
    static Locator now(DeskOfDeparture desk, String words) {
        return desk.page().locator("li[data-state='NOW']").getByText(words);
    }

    /** The same, with the patience that cooling needs. */
    static void waitForNow(DeskOfDeparture desk, String words) {
        try {
            now(desk, words).first().waitFor(new Locator.WaitForOptions().setTimeout(PATIENCE_MS));
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("'" + words + "' did not come; the desk shows: " + desk.cardText(), e);
        }
    }

    /** Takes the desk's picture as it is, when pictures are asked for. */
    static void pictureAsItIs(DeskOfDeparture desk, String name) {
        if (PICTURES != null) {
            desk.page().screenshot(new Page.ScreenshotOptions().setPath(Path.of(PICTURES, name + ".png")));
        }
    }

    /** Takes the desk's picture by day and by night, when pictures are asked for. */
    static void picture(DeskOfDeparture desk, String name) {
        if (PICTURES == null) {
            return;
        }
        for (String theme : new String[] {"Night", "Day"}) {
            desk.page()
                    .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(theme))
                    .first()
                    .check();
            desk.page()
                    .screenshot(new Page.ScreenshotOptions()
                            .setPath(Path.of(PICTURES, name + "-" + theme.toLowerCase() + ".png")));
        }
        desk.page().locator("h1").first().focus();
    }
}
