package org.skelda.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** One of the demo's made-up crew, at a browser of their own. */
record CrewMember(String name, Page page, String address) {

    static final String PASSWORD = "skerry-light";

    /** Signs in by the demo's offer and lands on Today. */
    static CrewMember signIn(Browsers browsers, TestServer server, String name) {
        return signIn(browsers.page(1280, 800), server.address(), name);
    }

    static CrewMember signIn(Page page, String address, String name) {
        page.navigate(address);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .click();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Today"))
                .waitFor();
        return new CrewMember(name, page, address);
    }

    /** Opens a departure from Today by its flight number. */
    DeskOfDeparture open(String flight) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Flight " + flight))
                .click();
        page.getByRole(AriaRole.MAIN, new Page.GetByRoleOptions().setName("Desk"))
                .waitFor();
        return new DeskOfDeparture(this);
    }
}
