package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** A fire lamp of the simulated aircraft is missing: it is found by counting, told by its key, and mended. */
class MissingLampTest extends SharedServer {
    private static final String MISSING = "Fire, engine 1";

    @Test
    void aMissingFireLampIsFoundAndGoesToMaintenanceUntilTheTestIsMadeAgain() {
        CrewMember captain = CrewMember.signIn(browsers, server, "Runa Halden");
        DeskOfDeparture desk = SimulatedLamps.rehearsal(captain, "R12");
        desk.go("Fire tests");
        desk.waitForCard("Engine and APU fire test");
        SimulatedLamps lights = SimulatedLamps.beside(desk);
        lights.lamp(MISSING, "failed");
        lights.press("Engine and APU fire test", "Held");
        assertThat(lights.showing()).contains("Fire bell", "Fire, engine 2").doesNotContain(MISSING);
        Axe.findsNothing(lights.page(), "the simulated aircraft's lights");

        assertThat(desk.cardText()).contains("Held: Bell and master lamps", "1 of 4");
        desk.lookAtGroup();
        desk.waitForCard("Held: Fire panel");
        assertThat(desk.cardText())
                .contains("Loop, aft hold stays dark: batteries alone: the essential AC bus has no power.");
        desk.waitForCard("feed: dark");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("2");
        desk.waitForCard("Lit after all");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("2");
        desk.page().waitForCondition(() -> !desk.cardText().contains("not lit,"));
        Axe.findsNothing(desk.page(), "a lamp is missing");
        assertThat(desk.cardText()).contains("Mark it as the feed tells");
        desk.lookAtGroup();
        desk.waitForCard("Before: " + MISSING + ": missing.");
        lights.press("Engine and APU fire test", "Released");
        assertThat(lights.showing()).isEmpty();
        desk.waitForCard("Nothing shows");
        desk.lookAtGroup();
        desk.waitForCard("Released: Fire panel");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.lookAtGroup();

        desk.waitForCard("Not in the operator's list: maintenance.");
        assertThat(DeskOfDeparture.button(desk.card(), "Goes like this").count())
                .as("the operator's list does not let a fire lamp go")
                .isZero();
        DeskOfDeparture.button(desk.card(), "Maintenance").click();
        desk.waitForCard(MISSING + ": missing, with maintenance");
        Axe.findsNothing(desk.page(), "maintenance is called for a lamp");

        lights.lamp(MISSING, "whole");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("r");
        desk.waitForCard("Begun anew once");
        lights.press("Engine and APU fire test", "Held");
        for (String place : new String[] {
            "Held: Bell and master lamps", "Held: Fire panel", "Released: Bell and master lamps", "Released: Fire panel"
        }) {
            desk.waitForCard(place);
            if (place.equals("Released: Bell and master lamps")) {
                lights.press("Engine and APU fire test", "Released");
            }
            TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
            desk.lookAtGroup();
        }
        desk.waitForCard("Loop fault test");
        assertThat(browsers.errors()).isEmpty();
    }
}
