package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashMap;
import java.util.Map;
import java.util.function.BooleanSupplier;

/** What a crew member does at the desk of a departure, and what they see there. */
class DeskOfDeparture {
    static final int LONGER_THAN_ONE_PRESS_MS = 450;
    private static final int MANY_STEPS = 500;
    private static final long PATIENCE_NS = 30_000_000_000L;
    private static final Map<String, String> READINGS = Map.ofEntries(
            Map.entry("Outside air temperature", "9"),
            Map.entry("Tailwind", "3"),
            Map.entry("Duct pressure before starter 2", "241"),
            Map.entry("Duct pressure before starter 1", "240"),
            Map.entry("Duct pressure before the starter", "229"),
            Map.entry("Battery volts, loaded", "24.6"),
            Map.entry("Battery 1 volts", "25.4"),
            Map.entry("Battery 2 volts", "25.2"),
            Map.entry("Charge current", "31"),
            Map.entry("Hydraulic quantity", "91"),
            Map.entry("Crew oxygen pressure", "11.4"),
            Map.entry("Engine 2 oil quantity", "14.5"),
            Map.entry("Brake accumulator", "11.2"),
            Map.entry("Engine 1 oil quantity", "13"),
            Map.entry("Engine 2 EGT before the starter", "62"),
            Map.entry("Engine 2 oil pressure at idle", "244"),
            Map.entry("Engine 1 EGT before the starter", "58"),
            Map.entry("Engine 1 oil pressure at idle", "251"),
            Map.entry("EGT before the starter", "55"),
            Map.entry("Oil pressure at idle", "231"),
            Map.entry("Fuel on board", "6840"),
            Map.entry("Fuel", "6840"),
            Map.entry("Fuel, left wing", "3420"),
            Map.entry("Fuel, right wing", "3420"),
            Map.entry("Fuel, centre tank", "0"),
            Map.entry("Zero-fuel mass", "43150"),
            Map.entry("Take-off mass", "49810"),
            Map.entry("Take-off centre of gravity", "22.4"),
            Map.entry("Stabiliser trim", "4.2"),
            Map.entry("Trim", "4.2"),
            Map.entry("Decision speed V1", "128"),
            Map.entry("Take-off safety speed V2", "139"),
            Map.entry("V2", "139"),
            Map.entry("Hottest brake", "84"),
            Map.entry("Minutes at idle after reverse", "4"),
            Map.entry("Drift of the last leg", "1.1"),
            Map.entry("Speed shown at the last stop", "4"),
            Map.entry("Difference from the stand", "2.3"),
            Map.entry("Altimeters", "118"));

    private static final Map<String, String> HEARD = Map.of(
            "People", "3",
            "QNH", "1009",
            "Cleared altitude", "5000",
            "First course", "104",
            "Code", "2145",
            "Way", "B to holding point 25");

    private final CrewMember who;
    private final Page page;
    private final Map<String, String> own = new HashMap<>();

    DeskOfDeparture(CrewMember who) {
        this.who = who;
        this.page = who.page();
    }

    /** What is read off a measure, or answered to a challenge that asks for a number. */
    static String reading(String label) {
        String reading = READINGS.get(label);
        if (reading == null) {
            throw new AssertionError("nothing is known to read for " + label);
        }
        return reading;
    }

    /** What this aircraft's instruments show, where it is not what the others' show. */
    DeskOfDeparture reads(Map<String, String> readings) {
        own.putAll(readings);
        return this;
    }

    String shown(String label) {
        String shown = own.get(label);
        return shown == null ? reading(label) : shown;
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
                        new Page.GetByRoleOptions()
                                .setName(procedure)
                                .setExact(true)
                                .setLevel(1))
                .waitFor();
    }

    /** Looks ahead in the displayed procedure until a line is displayed. */
    void lookAheadTo(String label) {
        for (int i = 0; i < 20 && !line().equals(label); i++) {
            press("ArrowDown");
        }
        waitForCard(label);
    }

    /** Looks back in the displayed procedure until a line is displayed. */
    void lookBackTo(String label) {
        for (int i = 0; i < 30 && !line().equals(label); i++) {
            press("ArrowUp");
        }
        waitForCard(label);
    }

    String title() {
        return page.locator("#procedure-title").innerText();
    }

    /** Waits until the displayed card shows something. */
    void waitForCard(String text) {
        try {
            card().getByText(text).first().waitFor();
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("'" + text + "' was not shown; the desk shows: " + cardText(), e);
        }
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

    void answerByKey(String before) {
        String line = line();
        TestServer.pause(LONGER_THAN_ONE_PRESS_MS);
        if (!line().equals(line) || !before.contains(line)) {
            // The answer before was still on its way.
            return;
        }
        answerKind(line, before);
        waitUntilChanged(before);
    }

    /** Answers in the way of the line's kind; a fact of the day that is asked for is told to be none. */
    void answerKind(String line, String before) {
        if (before.contains("not known yet")) {
            press("n");
            return;
        }
        if (before.contains("Name it aloud")) {
            press("Enter");
            return;
        }
        switch (card().getAttribute("data-kind")) {
            case "MEASURE" -> enter(before.contains("not proved yet") ? fallen(shown(line)) : shown(line));
            case "CHALLENGE" -> {
                if (card().getByRole(AriaRole.TEXTBOX).count() > 0) {
                    enter(shown(line));
                } else {
                    press("Space");
                }
            }
            case "COMPARE" -> {
                for (int i = 0; i < 3 && card().getByRole(AriaRole.TEXTBOX).count() > 0; i++) {
                    enter(shown(line));
                }
            }
            case "COMMUNICATION" -> hear();
            case "DECISION" -> press("1");
            case "INDICATIONS" -> lookAtGroup();
            case "CAUTION" -> press(before.contains("On hold") ? "Space" : "Enter");
            case "NOTE" -> press(before.contains("Understood") ? "Enter" : "Space");
            default -> press("Space");
        }
    }

    /** What falls shows less when it is looked at again. */
    static String fallen(String shown) {
        return String.valueOf(Integer.parseInt(shown) - 4);
    }

    /** A button by its whole name. */
    static Locator button(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    /** All of a group shows as it must; it can be said only once it was displayed for a moment. */
    void lookAtGroup() {
        try {
            card().locator("button[data-variant=filled]:enabled").waitFor();
        } catch (com.microsoft.playwright.TimeoutError e) {
            throw new AssertionError("nothing to be said of a group; the desk shows: " + cardText(), e);
        }
        press("Space");
    }

    /** The one answer of what is displayed. */
    void main() {
        press("Space");
    }

    /** Opens a list for what went wrong. */
    void goWrong(String list) {
        press("q");
        waitForDialog();
        press(page.getByRole(AriaRole.DIALOG)
                .locator("button")
                .filter(new Locator.FilterOptions().setHasText(list))
                .locator("kbd")
                .innerText());
    }

    /** Goes back to the place before. */
    void goBack() {
        press("b");
    }

    /** Tells the next thing of a start that nothing reads: what is asked, or what comes next. */
    void tellNext() {
        boolean asked = page.getByRole(AriaRole.ALERT, new Page.GetByRoleOptions().setName("Question"))
                        .count()
                > 0;
        press(asked ? "y" : "Space");
    }

    /** Answers line after line and goes on from procedure to procedure, until something is displayed. */
    void workUntil(BooleanSupplier there) {
        for (int step = 0; step < MANY_STEPS; step++) {
            // In this order: what is displayed can change by itself between the two looks, to what was waited for.
            String before = cardText();
            if (there.getAsBoolean()) {
                return;
            }
            if (before.contains(" is complete")) {
                TestServer.pause(LONGER_THAN_ONE_PRESS_MS);
                main();
                waitUntilChanged(before);
            } else if (before.contains("Opens in") || before.contains("it opens by itself")) {
                TestServer.pause(200);
            } else {
                answerByKey(before);
            }
        }
        throw new AssertionError(who.name() + ": never there; the desk shows: " + cardText());
    }

    /** Tells a start by taps, as nothing reads it, until its engine is at idle and its line is answered. */
    void startByTaps() {
        for (int tap = 0; tap < MANY_STEPS && isStart(); tap++) {
            TestServer.pause(LONGER_THAN_ONE_PRESS_MS);
            if (isStart()) {
                tellNext();
            }
        }
        if (isStart()) {
            throw new AssertionError("the start does not end; the desk shows: " + cardText());
        }
    }

    boolean isStart() {
        return "START".equals(card().getAttribute("data-kind"));
    }

    /** Fields in a card, as a communication has them. */
    Locator fields() {
        return card().locator("form select, form input");
    }

    /** Says it; or types what is heard, field by field. */
    private void hear() {
        int fields = fields().count();
        press(fields == 0 ? "Space" : "Enter");
        for (int i = 0; i < fields; i++) {
            if ("SELECT".equals(page.evaluate("document.activeElement.tagName"))) {
                press("ArrowDown");
            } else {
                page.keyboard().type(heard(i));
            }
            press(i == fields - 1 ? "Enter" : "Tab");
        }
    }

    /** What is heard for a field: within its bounds. */
    String heard(int field) {
        String label = String.valueOf(fields().nth(field).evaluate("one => one.labels[0].textContent"));
        return HEARD.entrySet().stream()
                .filter(entry -> label.startsWith(entry.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing is known to be heard for " + label));
    }

    private void enter(String reading) {
        type(reading);
        press("Enter");
    }

    void type(String digits) {
        for (char digit : digits.toCharArray()) {
            press(String.valueOf(digit));
        }
    }

    void waitUntilChanged(String before) {
        long deadline = System.nanoTime() + PATIENCE_NS;
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
                && !text.contains("You read it.")
                && !text.contains("You say it.")
                && !text.contains("Read back.")
                && !text.contains("Done. ")
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
