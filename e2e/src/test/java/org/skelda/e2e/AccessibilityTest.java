package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.Test;

/** axe finds nothing serious or critical on any page; the desk in all three themes and at the smaller sizes. */
class AccessibilityTest extends SharedServer {

    @Test
    void signInAndToday() {
        Page page = browsers.page(1280, 800);
        page.navigate(server.address());
        page.getByText("Demo crew").waitFor();
        Axe.findsNothing(page, "sign-in");
        CrewMember.signIn(page, server.address(), "Malin Oddsrud");
        page.getByText("flight 307").waitFor();
        Axe.findsNothing(page, "today");
    }

    @Test
    void theDeskInAllThemes() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open("307");
        desk.card().waitFor();
        for (String theme : List.of("Dusk", "Night", "Day")) {
            desk.page()
                    .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(theme))
                    .check();
            Axe.findsNothing(desk.page(), "desk, " + theme);
            desk.go("Before start");
            Axe.findsNothing(desk.page(), "closed gate, " + theme);
            desk.go("Overhead flow");
            desk.lookAheadTo("Hydraulic quantity");
            Axe.findsNothing(desk.page(), "measure, " + theme);
            desk.press("Escape");
        }
    }

    @Test
    void sheetsSeatsHoldAndRecord() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open("221");
        desk.waitForCard("Held for");
        Axe.findsNothing(desk.page(), "on hold");
        desk.press("?");
        desk.text("record a deviation").waitFor();
        Axe.findsNothing(desk.page(), "keys");
        desk.press("Escape");
        desk.page()
                .getByRole(AriaRole.DIALOG)
                .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
        desk.press("s");
        desk.text("Seats and roles").waitFor();
        Axe.findsNothing(desk.page(), "seats");
        desk.press("g");
        desk.press("t");
        DeskOfDeparture signed = new CrewMember("Malin Oddsrud", desk.page(), server.address()).open("208");
        signed.text("Signed record").waitFor();
        Axe.findsNothing(signed.page(), "record");
    }

    @Test
    void everyDialogOfTheDesk() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open("307");
        desk.card().waitFor();
        aDialog(desk, "d", "Why it is not done as written");
        aDialog(desk, "h", "Fueller");
        aDialog(desk, "l", "Minutes ago");
        aDialog(desk, "/", "Find a line");
        desk.press("ArrowUp");
        desk.waitForCard("Done");
        aDialog(desk, "u", "The line opens again");
    }

    private static void aDialog(DeskOfDeparture desk, String key, String words) {
        desk.press(key);
        desk.page().getByRole(AriaRole.DIALOG).getByText(words).first().waitFor();
        Axe.findsNothing(desk.page(), "dialog: " + words);
        desk.press("Escape");
        desk.page()
                .getByRole(AriaRole.DIALOG)
                .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    }

    @Test
    void aDepartureWithoutASeatAndAnAddressWithoutAPage() {
        DeskOfDeparture desk =
                CrewMember.signIn(browsers, server, "Runa Halden").open("312");
        desk.text("Take it, flying").waitFor();
        Axe.findsNothing(desk.page(), "no seat taken yet");
        desk.page().navigate(server.address() + "/nowhere");
        desk.text("No such page").waitFor();
        Axe.findsNothing(desk.page(), "no such page");
    }

    @Test
    void theDeskOfAStartInAllThreeThemes() {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Eir Strand").open("305");
        Axe.findsNothing(desk.page(), "start without a feed");
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft().wrong("hot");
        start.starterOnAir();
        start.waitForCall("ON_TRACK", 10);
        for (String theme : new String[] {"Day", "Dusk", "Night"}) {
            desk.page()
                    .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(theme))
                    .first()
                    .check();
            Axe.findsNothing(desk.page(), "start, " + theme);
        }
        desk.page().locator("h1").first().focus();
        start.press("f");
        start.waitForCall("CUT_FUEL", 60);
        Axe.findsNothing(desk.page(), "cut the fuel, Night");
        desk.page()
                .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Day"))
                .first()
                .check();
        Axe.findsNothing(desk.page(), "cut the fuel, Day");
    }

    @Test
    void theDeskOfATappedStartInAllThreeThemes() {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Eir Strand").open("603");
        desk.text("Nothing reads this engine").waitFor();
        Axe.findsNothing(desk.page(), "before the first tap");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("Space");
        desk.text("Starter ON").waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.press("Space");
        desk.text("does Ng turn?").waitFor();
        for (String theme : new String[] {"Dusk", "Night", "Day"}) {
            desk.page()
                    .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(theme))
                    .first()
                    .check();
            Axe.findsNothing(desk.page(), "a question, " + theme);
        }
        desk.page().locator("h1").first().focus();
        desk.press("4");
        desk.text("ITT too high").waitFor();
        desk.press("w");
        desk.text("then the number").waitFor();
        desk.press("1");
        desk.text("cut the fuel").waitFor();
        Axe.findsNothing(desk.page(), "a tapped start that is to be cut");
    }

    @Test
    void smallerScreensKeepTheNextLineAndTheSoonestClockInView() {
        for (int[] size : new int[][] {{1280, 680}, {1024, 700}, {390, 780}}) {
            DeskOfDeparture desk = CrewMember.signIn(browsers.page(size[0], size[1]), server.address(), "Malin Oddsrud")
                    .open("307");
            desk.card().waitFor();
            String name = size[0] + " x " + size[1];
            Axe.findsNothing(desk.page(), name);
            Object fits = desk.page()
                    .evaluate("() => { const b = document.querySelector('[data-testid=line-card] "
                            + "button').getBoundingClientRect(); "
                            + "return b.bottom <= innerHeight && b.right <= innerWidth && "
                            + "document.documentElement.scrollWidth <= innerWidth; }");
            assertThat(fits).as("the answer's button is in view at " + name).isEqualTo(true);
            everyWayToAnswerAMeasuredLineIsInView(desk, size[1]);
            if (size[0] < 1280) {
                desk.press("c");
                desk.page()
                        .getByRole(AriaRole.DIALOG)
                        .getByText("Navigation mode")
                        .waitFor();
                Axe.findsNothing(desk.page(), "clocks drawer at " + name);
            }
        }
    }

    private static void everyWayToAnswerAMeasuredLineIsInView(DeskOfDeparture desk, int height) {
        if (height > 700) {
            return; // A phone scrolls to what is not the entry itself.
        }
        desk.press("g");
        desk.press("o");
        desk.lookAheadTo("Hydraulic quantity");
        Object bottom = desk.page()
                .evaluate("() => Math.max(...[...document.querySelectorAll('[data-testid=line-card] button')].map(b "
                        + "=> b.getBoundingClientRect().bottom))");
        assertThat(((Number) bottom).doubleValue())
                .as("lowest button of a measured line, in a page " + height + " high")
                .isLessThanOrEqualTo(height);
        desk.press("Escape");
    }
}
