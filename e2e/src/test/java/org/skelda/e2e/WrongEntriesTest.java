package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** What people get wrong: each gets one clear sentence, and nothing is stored by halves. */
class WrongEntriesTest extends SharedServer {

    @Test
    void anImpossibleValueByTouch() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Runa Halden").open("214");
        desk.takeSeat("Left", "flying");
        desk.lookRound();
        while (!desk.line().equals("Battery volts, loaded")) {
            desk.answerByKey();
        }
        for (String key : new String[] {"4", "0", "0"}) {
            desk.page()
                    .getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(key).setExact(true))
                    .click();
        }
        desk.click("Enter value");
        desk.text("Battery volts, loaded of 400 V is outside 0 to 40 V.").waitFor();
        assertThat(desk.line()).isEqualTo("Battery volts, loaded");
        assertThat(desk.text("Nothing of the request was kept.").isVisible()).isTrue();
        desk.click("Erase");
        desk.click("Close");
        assertThat(desk.page().getByText("Impossible value").count()).isZero();
    }

    @Test
    void aHeldSeatIsTakenOverOnlyWithAReason() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Joar Stenvik").open("307");
        assertThat(desk.page()
                        .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take it"))
                        .count())
                .isZero();
        desk.page()
                .getByText("Right seat")
                .locator("xpath=..")
                .getByText("Take over with a reason")
                .click();
        desk.click("Crew change");
        desk.text("Joar Stenvik, right, monitoring").waitFor();
    }

    @Test
    void aClosedGateSaysWhyAndAGuardedOneIsPassedOnlyByName() {
        ApiClient api = ApiClient.signIn(server, "vagsborg");
        String id = api.departure("312");
        api.command(id, 99, "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\"");
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Teitur Vagsborg").open("312");
        desk.go("APU");
        desk.waitForCard("APU may be started");
        assertThat(desk.cardText())
                .contains(
                        "Battery volts, loaded is not read yet",
                        "Fire tests is not complete",
                        "It guards the APU’s hot section".replace('’', '\''));
        desk.press("d");
        desk.click("Done in another way");
        desk.text("Going on now can harm").waitFor();
        desk.click("Override “APU may be started”");
        desk.text("deviation: Done in another way").waitFor();
    }

    @Test
    void aSeatIsHandedOverAndADepartureGivenUp() {
        DeskOfDeparture left =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open("221");
        DeskOfDeparture next =
                CrewMember.signIn(browsers, server, "Runa Halden").open("221");
        left.press("s");
        left.click("Hand over");
        left.page().getByRole(AriaRole.DIALOG).getByText("Runa Halden").click();
        left.text("Malin Oddsrud, no seat").waitFor();
        next.text("Runa Halden, left, flying").waitFor();
        next.text("Malin Oddsrud hands the left seat over to you").waitFor();
        assertThat(next.page().getByRole(AriaRole.MAIN).innerText())
                .contains("lines are open", "on hold: Waits for the fueller", "Unusual today");
        next.press("Enter");
        next.waitForCard("Held for");
        next.press("s");
        next.click("Give the departure up");
        next.click("Flight cancelled");
        next.text("Given up").waitFor();
        left.text("Given up").waitFor();
    }

    @Test
    void aForeignOrUnknownDepartureIsAPageWithAWayBack() {
        CrewMember crew = CrewMember.signIn(browsers, server, "Malin Oddsrud");
        crew.page().navigate(server.address() + "/departures/01a2129b-0000-7000-8000-000000000000");
        crew.page().getByText("There is no such departure at your operator.").waitFor();
        crew.page().navigate(server.address() + "/departures/not-an-id");
        crew.page().getByText("'id' is not of the expected form.").waitFor();
        crew.page().navigate(server.address() + "/nowhere");
        crew.page().getByText("There is nothing at this address").waitFor();
    }

    @Test
    void manyWrongPasswordsAreThrottled() {
        Page page = browsers.page(1280, 800);
        page.navigate(server.address());
        for (int i = 0; i < 6; i++) {
            page.getByLabel("Name").fill("nobody");
            page.getByLabel("Password").first().fill("wrong-" + i);
            // The alert of the try before still stands: it is the answer that is waited for.
            page.waitForResponse(
                    answer -> answer.url().endsWith("/api/session")
                            && answer.request().method().equals("POST"),
                    () -> page.getByRole(
                                    AriaRole.BUTTON,
                                    new Page.GetByRoleOptions()
                                            .setName("Sign in")
                                            .setExact(true))
                            .click());
        }
        page.getByText("Too many wrong passwords for this name.").waitFor();
    }
}
