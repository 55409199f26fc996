package org.skelda.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** A keyboard without a mouse beside it. */
record Keys(Page page) {
    void signIn(TestServer server, String account) {
        page.navigate(server.address());
        page.getByLabel("Name").waitFor();
        page.keyboard().type(account);
        page.keyboard().press("Tab");
        page.keyboard().type(CrewMember.PASSWORD);
        page.keyboard().press("Enter");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Today"))
                .waitFor();
    }

    /** Presses Tab until something of that name has the focus. */
    void tabTo(String name) {
        // What comes from the server may come a moment later: nobody tabs to what is not there.
        page.waitForFunction(
                "name => [...document.querySelectorAll('a, button, input')].some(e => ((e.getAttribute('aria-label') "
                        + "?? '') + ' ' + (e.labels?.[0]?.textContent ?? '') + e.textContent).includes(name))",
                name);
        for (int i = 0; i < 60; i++) {
            page.keyboard().press("Tab");
            String focused = (String)
                    page.evaluate("() => { const e = document.activeElement; return e === document.body ? '' : "
                            + "(e.getAttribute('aria-label') ?? '') + ' ' + (e.labels?.[0]?.textContent ?? "
                            + "'') + e.textContent; }");
            if (focused.contains(name)) {
                return;
            }
        }
        throw new AssertionError("the Tab key does not reach '" + name + "'");
    }
}
