package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** The page of the simulated aircraft's lights, beside a desk. */
record SimulatedLamps(Page page) {
    /** A rehearsal on a Havern 2M, its captain in the left seat. */
    static DeskOfDeparture rehearsal(CrewMember captain, String flight) {
        Page page = captain.page();
        page.getByLabel("As").selectOption("REHEARSAL");
        page.getByLabel("Aircraft").selectOption("QX-LOM");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Flight"))
                .fill(flight);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Open").setExact(true))
                .click();
        DeskOfDeparture desk = new DeskOfDeparture(captain);
        desk.text("Left seat").waitFor();
        desk.takeSeat("Left", "flying");
        return desk;
    }

    /** Opens the page from the card of a test; the simulated aircraft is there. */
    static SimulatedLamps opened(DeskOfDeparture desk) {
        Page lights = page(desk);
        lights.getByText("Lamps that fail").first().waitFor();
        return new SimulatedLamps(lights);
    }

    private static Page page(DeskOfDeparture desk) {
        return desk.page()
                .context()
                .waitForPage(() ->
                        desk.page().getByText("The simulated aircraft's lights").click());
    }

    /** Opens the page from the card of a test, and attaches the simulated aircraft. */
    static SimulatedLamps beside(DeskOfDeparture desk) {
        Page lights = page(desk);
        lights.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Attach the simulated aircraft"))
                .click();
        lights.getByText("Lamps that fail").first().waitFor();
        return new SimulatedLamps(lights);
    }

    /** @param becomes failed or whole */
    void lamp(String lamp, String becomes) {
        Locator tell = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Tell which, or choose"));
        if (tell.count() > 0) {
            tell.click();
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + lamp + ": ")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(lamp + ": " + becomes))
                .waitFor();
    }

    /** Moves the switch of a test. */
    void press(String test, String phase) {
        Locator button = DeskOfDeparture.button(
                page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(test)), phase);
        button.click();
        page.waitForCondition(() -> "true".equals(button.getAttribute("aria-pressed")));
    }

    /** What is lit, shown or heard. */
    String showing() {
        return String.join("\n", page.locator("li[data-shows]").allInnerTexts());
    }
}
