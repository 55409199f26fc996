package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.regex.Pattern;

/** The sources and buses over a desk, and the simulated ones' switches. */
record PowerOfDesk(Page page) {
    /** Opens them by their key. */
    static PowerOfDesk over(DeskOfDeparture desk) {
        desk.press("k");
        PowerOfDesk power = new PowerOfDesk(desk.page());
        power.desk().waitFor();
        return power;
    }

    Locator desk() {
        return page.getByTestId("power-desk");
    }

    void attachSimulated() {
        DeskOfDeparture.button(desk(), "Attach the simulated aircraft").click();
        desk().getByText("No real switch is touched").waitFor();
    }

    /** Moves a plug, a switch or a tie of the simulated aircraft that shows its position. */
    void turn(String what, String from, String to) {
        button(what, from).click();
        button(what, to).waitFor();
    }

    private Locator button(String what, String position) {
        return desk().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^" + what + "\\s*" + position + "$")));
    }

    /** What is wrong with a simulated source. */
    void becomes(String source, String how) {
        desk().getByLabel(source + " is", new Locator.GetByLabelOptions().setExact(true))
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(how));
    }

    /** Waits until their sentence has these words. */
    void says(String words) {
        try {
            desk().getByRole(AriaRole.STATUS).getByText(words).first().waitFor();
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("'" + words + "' was not said; the desk shows: " + desk().innerText(), e);
        }
    }

    /** Waits until something is shown of a source. */
    void shows(String words) {
        try {
            desk().getByText(words).first().waitFor();
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("'" + words + "' was not shown; the desk shows: " + desk().innerText(), e);
        }
    }

    void close() {
        page.keyboard().press("Escape");
        desk().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }
}
