package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** One pilot of a second operator, with schools of its own: nothing waits for another, nothing is seen by others. */
class SinglePilotTest extends SharedServer {

    @Test
    void oneWhoIsAloneNamesWhatCannotBeUndoneAndWorksByTheOwnOperatorsSchools() {
        DeskOfDeparture pilot =
                CrewMember.signIn(browsers, server, "Tora Solberg").open("72");
        pilot.takeSeat("Left", "flying");
        pilot.press("q");
        pilot.waitForDialog();
        pilot.press("3");
        pilot.text("Engine fire on the ground").waitFor();
        pilot.answerByKey();
        pilot.page().waitForCondition(() -> pilot.line().equals("Fuel lever"));
        assertThat(pilot.cardText()).contains("Fuel lever of the running engine cannot be undone");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        pilot.press("Space");
        pilot.text("Name it aloud: Fuel lever of the running engine").waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        pilot.press("Space");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        assertThat(pilot.line()).as("the same key twice is no second step").isEqualTo("Fuel lever");
        pilot.press("Enter");
        pilot.page().waitForCondition(() -> pilot.line().equals("Firewall fuel valve"));
        pilot.lookBackTo("Fuel lever");
        pilot.text("named aloud: Fuel lever of the running engine").waitFor();
        pilot.press("Escape");
        pilot.press("/");
        pilot.waitForDialog();
        pilot.page().keyboard().type("full and free all round");
        pilot.press("Enter");
        pilot.waitForCard("Flight controls");
        pilot.text("Control check: All together, your operator. Why?").waitFor();
        pilot.press("b");
        Axe.findsNothing(pilot.page(), "single pilot");
        Page other = CrewMember.signIn(browsers, server, "Runa Halden").page();
        other.getByText("flight 214").waitFor();
        assertThat(other.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Flight 72"))
                        .count())
                .isZero();
    }
}
