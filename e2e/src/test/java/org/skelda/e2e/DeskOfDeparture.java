package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;

/** What a crew member does at the desk of a departure, and what they see there. */
final class DeskOfDeparture {
    static final int LONGER_THAN_ONE_PRESS_MS = 450;
    private static final Map<String, String> READINGS = joined(
            Map.of(
                    "Outside air temperature",
                    "9",
                    "Tailwind",
                    "3",
                    "Duct pressure before starter 2",
                    "241",
                    "Duct pressure before starter 1",
                    "240"),
            Map.of(
                    "Battery volts, loaded",
                    "24.6",
                    "Hydraulic quantity",
                    "91",
                    "Crew oxygen pressure",
                    "11.4",
                    "Engine 2 oil quantity",
                    "14.5",
                    "Brake accumulator",
                    "11.2",
                    "Engine 1 oil quantity",
                    "13",
                    "Engine 2 EGT before the starter",
                    "62",
                    "Engine 2 oil pressure at idle",
                    "244",
                    "Engine 1 EGT before the starter",
                    "58",
                    "Engine 1 oil pressure at idle",
                    "251"));

    private final CrewMember who;
    private final Page page;

    DeskOfDeparture(CrewMember who) {
        this.who = who;
        this.page = who.page();
    }

    private static Map<String, String> joined(Map<String, String> some, Map<String, String> others) {
        Map<String, String> all = new java.util.HashMap<>(some);
        all.putAll(others);
        return Map.copyOf(all);
    }

    Page page() {
        return page;
    }

    CrewMember who() {
        return who;
    }

    void takeSeat(String seat, String role) {
        page.getByText(seat + " seat")
                .locator("xpath=..")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take it, " + role))
                .click();
        card().waitFor();
    }

    Locator card() {
        return page.getByTestId("line-card");
    }

    /** The large words of the displayed line. */
    String line() {
        return card().getByRole(AriaRole.HEADING).innerText().replace("⚠ ", "").strip();
    }

    String cardText() {
        return card().innerText();
    }

    void press(String key) {
        page.keyboard().press(key);
    }

    /** Works the first look outside, and goes on with safety and power. */
    void lookRound() {
        answerToItsEnd();
        go("Safety and power");
    }

    /** Goes to a procedure on the thread. */
    void go(String procedure) {
        Locator step = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Preparation"))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions()
                                .setName(java.util.regex.Pattern.compile("^" + procedure + "\\b")));
        step.click();
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(procedure).setExact(true))
                .waitFor();
    }

    /** Looks ahead in the displayed procedure until a line is displayed. */
    void lookAheadTo(String label) {
        for (int i = 0; i < 20 && !line().equals(label); i++) {
            press("ArrowDown");
        }
        waitForCard(label);
    }

    String title() {
        return page.locator("#procedure-title").innerText();
    }

    /** Waits until the displayed card shows something. */
    void waitForCard(String text) {
        card().getByText(text).first().waitFor();
    }

    /**
     * Answers line after line of the displayed procedure until it is complete, upon which the desk goes on by itself.
     */
    void answerToItsEnd() {
        String procedure = title();
        for (String before = cardText();
                title().equals(procedure) && !before.contains(" is complete");
                before = cardText()) {
            answerByKey(before);
        }
    }

    /**
     * Answers the displayed line with its own key, typing the value of a measured one. Waits until the card has
     * changed.
     */
    void answerByKey() {
        answerByKey(cardText());
    }

    /** Waits until a dialog is open and hears keys. */
    void waitForDialog() {
        page.locator("[role=dialog] *:focus").waitFor();
    }

    /** Waits until the cursor is in a field: what is typed goes there. */
    void waitForCursorIn(String label) {
        page.locator("*:focus").and(page.getByLabel(label)).waitFor();
    }

    private void answerByKey(String before) {
        String line = line();
        TestServer.pause(LONGER_THAN_ONE_PRESS_MS);
        if (!line().equals(line) || !before.contains(line)) {
            // The answer before was still on its way.
            return;
        }
        String reading = READINGS.get(line);
        if (reading != null) {
            type(reading);
            press("Enter");
        } else {
            press(
                    card().getAttribute("data-kind").equals("CAUTION") && !before.contains("On hold")
                            ? "Enter"
                            : "Space");
        }
        waitUntilChanged(before);
    }

    void type(String digits) {
        for (char digit : digits.toCharArray()) {
            press(String.valueOf(digit));
        }
    }

    void waitUntilChanged(String before) {
        long deadline = System.nanoTime() + 10_000_000_000L;
        while (cardText().equals(before)) {
            if (System.nanoTime() > deadline) {
                throw new AssertionError(who.name() + ": the desk still shows: " + before);
            }
            TestServer.pause(20);
        }
    }

    /** Whether the displayed line can be answered by this person now. */
    boolean canAnswer() {
        String text = cardText();
        return !text.contains("Opens in")
                && !text.contains("it opens by itself")
                && !text.contains("Your response is given")
                && !text.contains(" is complete")
                && !text.contains("comes first")
                && !text.contains("is not complete")
                && !text.contains("has not been started");
    }

    void click(String button) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                .first()
                .click();
    }

    Locator text(String text) {
        return page.getByText(text).first();
    }

    String address() {
        return page.url();
    }

    /** Path of the departure, without the procedure. */
    String departureId() {
        return page.url().replaceAll("^.*/departures/([0-9a-f-]+).*$", "$1");
    }
}
