package org.skelda.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** A desk that is worked with one finger: nothing is pressed on a keyboard that is not on the screen. */
final class TouchedDesk extends DeskOfDeparture {
    private static final double GONE_AFTER_MS = 3000;

    TouchedDesk(CrewMember who) {
        super(who);
    }

    @Override
    void answerKind(String line, String before) {
        if (before.contains("not known yet")) {
            tap("No");
            return;
        }
        switch (card().getAttribute("data-kind")) {
            case "MEASURE", "CHALLENGE", "COMPARE" -> {
                if (card().getByRole(AriaRole.TEXTBOX).count() == 0) {
                    main();
                    return;
                }
                int readings = Math.max(1, card().locator("ol li").count());
                for (int i = 0; i < readings; i++) {
                    keypad(before.contains("not proved yet") ? fallen(shown(line)) : shown(line));
                }
            }
            case "COMMUNICATION" -> hear();
            case "DECISION" -> card().locator("[role=group] button").first().tap();
            default -> main();
        }
    }

    private void keypad(String reading) {
        for (char digit : reading.toCharArray()) {
            tap(digit == '.' ? "point" : String.valueOf(digit));
        }
        main();
    }

    private void hear() {
        int fields = fields().count();
        for (int i = 0; i < fields; i++) {
            Locator field = fields().nth(i);
            if ("SELECT".equals(field.evaluate("one => one.tagName"))) {
                field.selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1));
            } else {
                field.tap();
                page().keyboard().type(heard(i));
            }
        }
        if (fields == 0) {
            main();
        } else {
            card().locator("form button[type=submit]").tap();
        }
    }

    @Override
    void main() {
        card().locator("button[data-variant=filled]").first().tap();
    }

    @Override
    void goWrong(String list) {
        page().getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Abnormal"))
                .tap();
        page().getByRole(AriaRole.DIALOG).getByText(list).tap();
    }

    @Override
    void goBack() {
        page().getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Back to"))
                .tap();
    }

    /** A question comes in the place of what was next, when its time has passed. */
    @Override
    void tellNext() {
        try {
            card().locator("[aria-label=Question] button, button[data-variant=filled]")
                    .first()
                    .tap(new Locator.TapOptions().setTimeout(GONE_AFTER_MS));
        } catch (TimeoutError _) {
            // What was there went away under the finger: whoever calls looks again.
        }
    }

    /** A button of the card. */
    private void tap(String name) {
        card().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name + "( |$)")))
                .first()
                .tap();
    }
}
