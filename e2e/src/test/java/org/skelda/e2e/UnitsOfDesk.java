package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** The inertial units over a desk, and the simulated ones' selectors. */
record UnitsOfDesk(Page page) {
    /** Opens them by their key. */
    static UnitsOfDesk over(DeskOfDeparture desk) {
        desk.press("i");
        UnitsOfDesk units = new UnitsOfDesk(desk.page());
        units.desk().waitFor();
        return units;
    }

    Locator desk() {
        return page.getByTestId("alignment-desk");
    }

    void attachSimulated() {
        DeskOfDeparture.button(desk(), "Attach the simulated aircraft").click();
        desk().getByText("No real unit is touched").waitFor();
        // Its first reading tells that the units are read from here on.
        desk().getByText("What else is told is of")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    }

    void press(String what) {
        desk().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(what).setExact(true))
                .first()
                .click();
    }

    /** What is told or moved next is of one unit, or of all. */
    void of(String label, String unit) {
        page.getByLabel(label).selectOption(unit);
    }

    /** Types a position, as the units show it or into the simulated ones. */
    void type(String label, String position, String button) {
        page.getByLabel(label).fill(position);
        press(button);
    }

    /** Waits until their sentence, or why, has these words. */
    void says(String words) {
        try {
            page.locator("[data-testid='says'][aria-label='Inertial units']")
                    .getByText(words)
                    .first()
                    .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("'" + words + "' was not said; the desk shows: " + desk().innerText(), e);
        }
    }

    /** Tells what comes next by the one key. */
    void space(String expected) {
        Locator next = desk().getByRole(
                        AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + expected)))
                .first();
        next.waitFor();
        next.focus();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        page.keyboard().press("Space");
    }

    void close() {
        page.keyboard().press("Escape");
        desk().waitFor(new Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    }
}
