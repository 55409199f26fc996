package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * The inertial units in a rehearsal: read from the simulated aircraft with what disturbs them, and by the lines of
 * their procedure under one key.
 */
class AlignmentJourneyTest {
    /** Eighteen minutes are some forty seconds; what lasts less than half a minute is not waited for. */
    private static final int TIMES_LIFE = 25;

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

    @Test
    void readFromTheSimulatedAircraftWithAllThatDisturbsThem() {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Runa Halden"), "R42");
        UnitsOfDesk units = UnitsOfDesk.over(desk);
        units.attachSimulated();
        units.press("ALIGN");
        units.says("Enter the position");
        units.type("Type into it", "61 01.2 N 007 26.4 W", "Enter");
        units.says("ask for the position again");
        units.says("NM from the stand, at most 12.");
        units.press("Enter the stand");
        units.says("Inertial units 1 and 2 align");
        units.press("Tow begins");
        units.press("Tow ends");
        units.says("It was moved, and the count began anew.");
        Pictures.take(desk, "units-4-simulated");
        Axe.findsNothing(desk.page(), "the simulated inertial units");
        units.of("Hand on", "2");
        desk.page().getByLabel("Fault code").selectOption("08");
        units.says("Inertial unit 2 shows 08");
        units.says("Its cooling air is missing.");
        desk.page().getByLabel("Fault code").selectOption("none");
        units.of("Hand on", "all");
        units.press("NAVIGATION");
        units.says("Inertial units navigate");
        units.press("Power away");
        units.says("Inertial units 1 and 2 are off");
        units.press("Power back");
        units.press("ALIGN");
        units.says("Enter the position");
        units.press("Enter the stand");
        units.says("Its power was taken away before it had stored");
        units.press("Enter the stand");
        units.says("Inertial units 1 and 2 align");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void onTheCardsOneKeyTellsEachStepAndTheCountOpensTheLast() {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Joar Stenvik"), "R43");
        ApiCrew crew = new ApiCrew(desk.departureId())
                .with("LEFT", ApiClient.signIn(server, "stenvik"))
                .with("RIGHT", ApiClient.signIn(server, "kvale"))
                .takeSeat("RIGHT", "MONITORING")
                .reads(Map.of("Drift of the last leg", "2.6"));
        crew.work("first-look", "papers", "safety-power", "fire-tests", "apu");
        crew.workTo("alignment", "alignment/selectors");
        desk.go("Alignment");
        desk.page().waitForCondition(() -> desk.line().equals("Inertial units 1 and 2"));
        Pictures.take(desk, "units-5-card");
        desk.press("Space");
        desk.page().waitForCondition(() -> desk.line().equals("Stand position"));
        desk.waitForCard("Entered, as on the sign: N71 51.6 W008 06.0");
        Pictures.take(desk, "units-6-position");
        Axe.findsNothing(desk.page(), "a line that takes a position");
        oneKey(desk);
        desk.waitForCard("Inertial units 1 and 2 align");
        oneKey(desk);
        desk.page().waitForCondition(() -> desk.line().equals("Position"));
        oneKey(desk);
        desk.page().waitForCondition(() -> desk.cardText().contains("NAVIGATION"));
        desk.waitForCard("The inertial units, aligned, until");
        Pictures.take(desk, "units-7-waits");
        assertThat(desk.page().locator("#clocks").innerText()).contains("Alignment");
        desk.page().waitForCondition(desk::canAnswer, new Page.WaitForConditionOptions().setTimeout(60_000));
        oneKey(desk);
        desk.page().waitForCondition(() -> !desk.cardText().contains("NAVIGATION"));
        desk.press("i");
        new UnitsOfDesk(desk.page()).says("Inertial units navigate");
        assertThat(browsers.errors()).isEmpty();
    }

    private static void oneKey(DeskOfDeparture desk) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("Space");
    }
}
