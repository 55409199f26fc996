package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * The APU in a rehearsal: read from the simulated aircraft, one that shuts itself down and one shut down in the right
 * order; batteries off too early; told by taps alone; and its fire, worked by two.
 */
class ApuJourneyTest {
    /** Only what lasts longer than a second at this pace is waited for. */
    private static final int TIMES_LIFE = 6;

    private static final int MANY_STEPS = 300;
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
    void readFromColdToAShutdownOfItsOwnAndOneInTheWrongOrder() {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Malin Oddsrud"), "R31");
        ApuOfDesk apu = ApuOfDesk.over(desk);
        apu.attachSimulated();
        apu.says("APU: off");
        Axe.findsNothing(desk.page(), "the APU, off");
        apu.turn("Master", "OFF", "ON");
        apu.says("APU: start it");
        apu.press("Start");
        apu.says("APU: available");
        Axe.findsNothing(desk.page(), "the APU, available");
        apu.turn("Generator", "OFF", "ON");
        apu.desk().getByText("Its generator alone carries the buses").waitFor();
        apu.turn("Air", "OFF", "ON");
        apu.says("it gives air");
        assertThat(apu.desk().innerText()).contains("Highest in its start").contains("under 870");

        apu.goesWrong("stops-gearbox-oil-low");
        apu.says("Gearbox oil pressure low".toLowerCase(java.util.Locale.ROOT));
        apu.says("Maintenance before another start.");
        apu.turn("Batteries", "ON", "OFF");
        apu.says("its fault is latched");
        apu.says("Only the panel outside resets it.");
        Axe.findsNothing(desk.page(), "the APU, its fault latched");
        apu.turn("Batteries", "OFF", "ON");
        apu.press("Reset outside");
        apu.says("APU: maintenance before another start");
        apu.close();
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void anOrderlyShutdownWaitsForItsCoolDownAndItsDoor() {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Runa Halden"), "R32");
        ApuOfDesk apu = ApuOfDesk.over(desk);
        apu.attachSimulated();
        apu.turn("Master", "OFF", "ON");
        apu.says("APU: start it");
        apu.press("Start");
        apu.says("APU: available");
        apu.turn("Generator", "OFF", "ON");
        apu.turn("Air", "OFF", "ON");
        apu.says("it gives air");
        apu.turn("Master", "ON", "OFF");
        apu.says("APU: cooling");
        assertThat(apu.desk().innerText())
                .as("its generator stays through the cool-down")
                .contains("carries");
        apu.close();
        desk.page()
                .getByRole(com.microsoft.playwright.options.AriaRole.COMPLEMENTARY)
                .getByText("APU cool-down")
                .first()
                .waitFor();
        apu = ApuOfDesk.over(desk);
        apu.says("APU: running down");
        apu.says("Batteries may go off");
        apu.turn("Batteries", "ON", "OFF");
        apu.says("APU: off");
        assertThat(apu.desk().innerText()).doesNotContain("latched");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void withoutAFeedOneKeyTellsWhatComesNext() {
        DeskOfDeparture desk = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Joar Stenvik"), "R33");
        ApuOfDesk apu = ApuOfDesk.over(desk);
        apu.space("Master ON");
        apu.says("APU: start it");
        apu.space("Start");
        apu.space("It has lit");
        apu.space("Starter out");
        apu.space("At its speed");
        apu.says("APU: available");
        assertThat(apu.desk().innerText()).contains("Not yet: It is not warm through: no air yet.");
        apu.page().getByLabel("Highest EGT in its start, °C").fill("812");
        apu.press("Note it");
        apu.desk().getByText("812 °C, 58 under 870 (Havern 2M, APU)").waitFor();
        apu.space("Its generator carries");
        apu.says("air allowed");
        apu.space("Air ON");
        apu.says("it gives air");
        apu.press("Take back: Air ON");
        apu.says("air allowed");
        apu.page().getByLabel("It stopped itself").selectOption("FIRE");
        apu.says("Work its fire list.");
        Axe.findsNothing(desk.page(), "the APU told by taps");
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void anApuFireIsWorkedByTwoAndTheHandleStopsIt() {
        DeskOfDeparture captain = SimulatedLamps.rehearsal(CrewMember.signIn(browsers, server, "Runa Halden"), "R34");
        ApuOfDesk apu = ApuOfDesk.over(captain);
        apu.press("It runs already, with its loads");
        apu.says("it gives air");
        apu.close();
        DeskOfDeparture officer =
                CrewMember.signIn(browsers, server, "Joar Stenvik").open("R34");
        officer.takeSeat("Right", "monitoring");
        captain.goWrong("APU fire");
        officer.goWrong("APU fire");
        captain.page().waitForCondition(() -> captain.title().equals("APU fire"));
        officer.page().waitForCondition(() -> officer.title().equals("APU fire"));
        byTwo("APU fire", captain, officer);
        apu = ApuOfDesk.over(captain);
        apu.says("APU: running down");
        apu.says("Batteries stay ON until it stands still and its door has closed.");
        apu.space("Zero speed");
        apu.says("APU: off");
        assertThat(browsers.errors()).isEmpty();
    }

    /** What cannot be undone takes a second key. */
    private static void byTwo(String list, DeskOfDeparture... desks) {
        for (int step = 0; step < MANY_STEPS; step++) {
            for (DeskOfDeparture desk : desks) {
                String card = desk.cardText();
                if (card.contains(list + " is complete")) {
                    return;
                }
                if (card.contains("Name it aloud")) {
                    TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
                    desk.press("Enter");
                } else if (desk.canAnswer()) {
                    desk.answerByKey();
                }
            }
            TestServer.pause(100);
        }
        throw new AssertionError(list + " does not end; the desk shows: " + desks[0].cardText());
    }
}
