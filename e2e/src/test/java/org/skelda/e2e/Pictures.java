package org.skelda.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.Locale;

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
        for (String theme : new String[] {"Day", "Night"}) {
            light(page, theme);
            TestServer.pause(THEME_SETTLES_MS);
            page.screenshot(new Page.ScreenshotOptions()
                    .setPath(Path.of(FOLDER, name + "-" + theme.toLowerCase(Locale.ROOT) + ".png")));
        }
        light(page, "Day");
    }

    /** By the page's own switch, also where a sheet lies over it. */
    private static void light(Page page, String theme) {
        page.evaluate("""
                theme => [...document.querySelectorAll('[aria-label="Light"] label')]
                    .find(label => label.textContent === theme).querySelector('input').click()""", theme);
    }
}
