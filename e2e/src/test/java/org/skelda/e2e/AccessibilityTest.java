package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
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
        clean(page, "sign-in");
        CrewMember.signIn(page, server.address(), "Malin Oddsrud");
        page.getByText("flight 307").waitFor();
        clean(page, "today");
    }

    @Test
    void theDeskInAllThemes() {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Malin Oddsrud").open("307");
        desk.card().waitFor();
        for (String theme : List.of("Dusk", "Night", "Day")) {
            desk.page().getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(theme)).check();
            clean(desk.page(), "desk, " + theme);
            desk.go("Before start");
            clean(desk.page(), "closed gate, " + theme);
            desk.go("Overhead flow");
            desk.press("ArrowDown");
            desk.waitForCard("Hydraulic quantity");
            clean(desk.page(), "measure, " + theme);
            desk.press("Escape");
        }
    }

    @Test
    void sheetsSeatsHoldAndRecord() {
        DeskOfDeparture desk = CrewMember.signIn(browsers, server, "Malin Oddsrud").open("221");
        desk.waitForCard("Held for");
        clean(desk.page(), "on hold");
        desk.press("?");
        desk.text("record a deviation").waitFor();
        clean(desk.page(), "keys");
        desk.press("Escape");
        desk.page().getByRole(AriaRole.DIALOG).waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
        desk.press("s");
        desk.text("Seats and roles").waitFor();
        clean(desk.page(), "seats");
        desk.press("g");
        desk.press("t");
        DeskOfDeparture signed = new CrewMember("Malin Oddsrud", desk.page(), server.address()).open("208");
        signed.text("Signed record").waitFor();
        clean(signed.page(), "record");
    }

    @Test
    void smallerScreensKeepTheNextLineAndTheSoonestClockInView() {
        for (int[] size : new int[][] {{1280, 680}, {1024, 700}, {390, 780}}) {
            DeskOfDeparture desk = CrewMember.signIn(browsers.page(size[0], size[1]), server.address(), "Malin Oddsrud").open("307");
            desk.card().waitFor();
            String name = size[0] + " x " + size[1];
            clean(desk.page(), name);
            Object fits = desk.page().evaluate("() => { const b = document.querySelector('[data-testid=line-card] button').getBoundingClientRect(); "
                    + "return b.bottom <= innerHeight && b.right <= innerWidth && document.documentElement.scrollWidth <= innerWidth; }");
            assertThat(fits).as("the answer's button is in view at " + name).isEqualTo(true);
            if (size[0] < 1280) {
                desk.press("c");
                desk.page().getByRole(AriaRole.DIALOG).getByText("Navigation mode").waitFor();
                clean(desk.page(), "clocks drawer at " + name);
            }
        }
    }

    private static void clean(Page page, String what) {
        List<String> found = new AxeBuilder(page).setLegacyMode(true).analyze().getViolations().stream()
                .filter(rule -> rule.getImpact().equals("serious") || rule.getImpact().equals("critical"))
                .map(AccessibilityTest::inWords).toList();
        assertThat(found).as(what).isEmpty();
    }

    private static String inWords(Rule rule) {
        return rule.getId() + ": " + rule.getHelp() + " at " + rule.getNodes().stream().map(node -> node.getTarget() + " " + node.getHtml()).toList();
    }
}
