package org.skelda.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Path;

/** Pictures of what a journey looks at, by day and by night, into the folder that was asked for; none otherwise. */
final class Pictures {
    private static final String FOLDER = System.getProperty("skelda.pictures");
    private static final int THEME_SETTLES_MS = 150;

    private Pictures() {}

    static void take(DeskOfDeparture desk, String name) {
        if (FOLDER == null) {
            return;
        }
        Page page = desk.page();
        for (String theme : new String[] {"day", "night"}) {
            page.evaluate("theme => document.documentElement.dataset.theme = theme", theme);
            TestServer.pause(THEME_SETTLES_MS);
            page.screenshot(new Page.ScreenshotOptions().setPath(Path.of(FOLDER, name + "-" + theme + ".png")));
        }
        page.evaluate("() => document.documentElement.dataset.theme = 'day'");
    }
}
