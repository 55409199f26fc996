package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** The APU over a desk, and the simulated one's switches. */
record ApuOfDesk(Page page) {
    /** Opens it by its key. */
    static ApuOfDesk over(DeskOfDeparture desk) {
        desk.press("p");
        ApuOfDesk apu = new ApuOfDesk(desk.page());
        apu.desk().waitFor();
        return apu;
    }

    Locator desk() {
        return page.getByTestId("apu-desk");
    }

    void attachSimulated() {
        DeskOfDeparture.button(desk(), "Attach the simulated aircraft").click();
        desk().getByText("No real APU is touched").waitFor();
        // Its first reading tells that the APU is read from here on.
        desk().getByText("No readings of the APU arrive")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    }

    /** Moves a switch of the simulated APU that shows its position. */
    void turn(String what, String from, String to) {
        Locator button = desk().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^" + what + "\\s*" + from + "$")));
        button.click();
        desk().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^" + what + "\\s*" + to + "$")))
                .waitFor();
    }

    void press(String what) {
        desk().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(what).setExact(true))
                .click();
    }

    /** Tells something, however strongly the desk warns of it. */
    void tell(String what) {
        desk().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + what)))
                .first()
                .click();
    }

    void goesWrong(String what) {
        page.getByLabel("What goes wrong").selectOption(what);
    }

    /** Waits until its sentence, or why, has these words. */
    void says(String words) {
        try {
            page.locator("[data-testid='says'][aria-label='APU']")
                    .getByText(words)
                    .first()
                    .waitFor();
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError(
                    "'" + words + "' was not said; the focus is on "
                            + page.evaluate("() => document.activeElement.textContent.slice(0, 40)")
                            + ", the desk shows: " + desk().innerText(),
                    e);
        }
    }

    /** Tells what comes next by the one key. */
    void space(String expected) {
        desk().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + expected)))
                .first()
                .waitFor();
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        page.keyboard().press("Space");
    }

    void close() {
        page.keyboard().press("Escape");
        desk().waitFor(new Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    }
}
