package org.skelda.e2e;

import com.microsoft.playwright.JSHandle;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;

/** The desk of an engine start, with the simulated aircraft's controls under somebody's fingers. */
final class StartOfEngine {
    private static final int SETTLED_MS = 300;

    private final DeskOfDeparture desk;
    private final Page page;

    StartOfEngine(DeskOfDeparture desk) {
        this.desk = desk;
        this.page = desk.page();
    }

    /** Attaches the simulated aircraft where it is not there yet, and waits for its controls. */
    StartOfEngine onTheSimulatedAircraft() {
        Locator attach =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Attach the simulated aircraft"));
        Locator ready = controls().getByText("Each takes two presses");
        attach.or(ready).first().waitFor();
        if (attach.count() > 0) {
            attach.click();
        }
        ready.waitFor();
        return this;
    }

    DeskOfDeparture desk() {
        return desk;
    }

    Locator controls() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Simulated aircraft"));
    }

    StartOfEngine wrong(String what) {
        controls().getByLabel("What goes wrong at the next start").selectOption(what);
        page.locator("h1").first().focus();
        return this;
    }

    /** Moves a control by its key, which it takes twice. */
    void press(String key) {
        ready(key);
        pressReady(key);
    }

    /** The first press of a control: the finger is on it. */
    void ready(String key) {
        page.keyboard().press(key);
        controls().getByText("press again").waitFor();
    }

    /** The second press of a control that is ready. */
    void pressReady(String key) {
        page.keyboard().press(key);
        controls()
                .getByText("press again")
                .waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    }

    /**
     * The second press of a control that is ready, in the moment that the bar calls for it, as quick as a finger that
     * waits.
     *
     * @param after the call that follows when the moment has passed
     * @return what the bar said when it was pressed
     */
    String pressReadyAt(String call, String after, String key) {
        JSHandle said = page.waitForFunction("""
                calls => {
                  const bar = document.querySelector('[data-testid="verdict"]');
                  return calls.includes(bar?.dataset.call) && bar.innerText;
                }
                """, List.of(call, after));
        pressReady(key);
        return String.valueOf(said.jsonValue());
    }

    /** Moves the starter's control to OFF, unless the starter has cut itself out by then. */
    void starterOff() {
        if (controls()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Starter"))
                .innerText()
                .contains("ON")) {
            press("e");
        }
    }

    /** Air on and settled, then the starter. */
    void starterOnAir() {
        press("a");
        TestServer.pause(1500);
        press("e");
    }

    /** Waits until the start spool reaches a speed. */
    void spoolAt(double pct) {
        waitUntil("spool at " + pct, () -> spool() >= pct, 60);
    }

    private double spool() {
        String value = page.locator("section[aria-label^='N2'] b, section[aria-label^='Ng'] b")
                .first()
                .innerText();
        return value.matches("[0-9.]+") ? Double.parseDouble(value) : 0;
    }

    Locator verdict() {
        return page.getByTestId("verdict").first();
    }

    String call() {
        return verdict().getAttribute("data-call");
    }

    void waitForCall(String call, int withinSeconds) {
        waitUntil("verdict " + call, () -> call.equals(call()), withinSeconds);
    }

    private void waitUntil(String what, java.util.function.BooleanSupplier holds, int withinSeconds) {
        long deadline = System.nanoTime() + withinSeconds * 1_000_000_000L;
        while (!holds.getAsBoolean()) {
            if (System.nanoTime() > deadline) {
                throw new AssertionError(what + " did not come; the desk shows: " + desk.cardText());
            }
            page.waitForTimeout(50);
        }
    }

    /** A start as it should be: air or ignition, starter, fuel at its preferred speed, idle. */
    void goesWell(double fuelAt_pct) {
        spoolAt(fuelAt_pct);
        press("f");
        waitUntil("idle", () -> verdict().innerText().contains("started, at idle"), 100);
        TestServer.pause(SETTLED_MS);
    }
}
