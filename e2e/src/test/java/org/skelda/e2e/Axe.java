package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import java.util.List;

/** The accessibility checker's findings that a crew member would trip over: serious and critical ones. */
final class Axe {
    private Axe() {}

    /** @param what the page, for the message of a failure */
    static void findsNothing(Page page, String what) {
        List<String> found = new AxeBuilder(page)
                .setLegacyMode(true).analyze().getViolations().stream()
                        .filter(rule -> rule.getImpact().equals("serious")
                                || rule.getImpact().equals("critical"))
                        .map(Axe::inWords)
                        .toList();
        assertThat(found).as(what).isEmpty();
    }

    private static String inWords(Rule rule) {
        return rule.getId() + ": " + rule.getHelp() + " at "
                + rule.getNodes().stream()
                        .map(node -> node.getTarget() + " " + node.getHtml())
                        .toList();
    }
}
