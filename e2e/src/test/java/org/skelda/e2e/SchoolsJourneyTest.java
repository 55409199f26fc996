package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

/** The standards office chooses another school: the next departure works by it, the open one by the former. */
class SchoolsJourneyTest extends SharedServer {
    private static final String WHY = "Seen on the line check: the yoke goes round in one look";

    @Test
    void bothSchoolsOfAnOptionAreWorkedAndEachTellsItsReason() {
        theOfficeChooses();
        DeskOfDeparture open = CrewMember.signIn(browsers, server, "Eir Strand").open("603");
        open.card().waitFor();
        find(open, "full and free, the right way");
        open.text("Control check: One axis after the other, your operator. Why?")
                .waitFor();
        find(open, "full and free all round");
        assertThat(open.cardText()).contains("Not needed today. Control check: One axis after the other");

        DeskOfDeparture next = openedAnew();
        find(next, "full and free all round");
        next.text("Control check: All together, your operator. Why?").click();
        next.text("It is shorter, and the yoke is seen to go round freely.").waitFor();
        find(next, "full and free, the right way");
        assertThat(next.cardText()).contains("Not needed today. Control check: All together");
        assertThat(browsers.errors()).isEmpty();
    }

    private static void theOfficeChooses() {
        Page page = CrewMember.signIn(browsers, server, "Frida Naust").page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Schools"))
                .click();
        Locator type = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Lomvi T1"));
        type.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Control check: set"))
                .click();
        type.getByLabel("School").selectOption("All together");
        assertThat(button(type, "Set it").isDisabled())
                .as("nothing is set without a reason")
                .isTrue();
        type.getByLabel("Why").fill(WHY);
        Axe.findsNothing(page, "a school is set");
        button(type, "Set it").click();
        type.getByText("Set by the office, once").click();
        type.getByText(WHY).waitFor();
        assertThat(type.getByText(WHY).innerText()).contains("Frida Naust", "All together");
        assertThat(type.innerText()).contains("Control check").contains("All together");
    }

    private static DeskOfDeparture openedAnew() {
        CrewMember pilot = CrewMember.signIn(browsers, server, "Eir Strand");
        Page page = pilot.page();
        theFirstAnswerIsLost(page);
        page.getByLabel("As").selectOption("LINE");
        page.getByLabel("Aircraft").selectOption("QX-PIL");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Flight"))
                .fill("610");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Open").setExact(true))
                .click();
        DeskOfDeparture desk = new DeskOfDeparture(pilot);
        desk.text("Left seat").waitFor();
        desk.takeSeat("Left", "flying");
        return desk;
    }

    /** The departure is opened, its page does not hear of it and asks again under the same id. */
    private static void theFirstAnswerIsLost(Page page) {
        AtomicBoolean lost = new AtomicBoolean();
        page.route("**/api/openings", route -> {
            if ("POST".equals(route.request().method()) && lost.compareAndSet(false, true)) {
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
    }

    private static void find(DeskOfDeparture desk, String words) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("/");
        desk.waitForDialog();
        desk.page().keyboard().type(words);
        desk.press("Enter");
        desk.waitForCard(words);
    }

    private static Locator button(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }
}
