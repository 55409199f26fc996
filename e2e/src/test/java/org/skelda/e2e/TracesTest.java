package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** Traces from files and from the logbook: opened, replayed, given back, refused. */
class TracesTest extends SharedServer {
    private static final Path EXAMPLE = Path.of("../docs/examples/hot-start.csv");

    private static Page traces() {
        Page page = CrewMember.signIn(browsers, server, "Runa Halden").page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Traces"))
                .click();
        page.getByText("Choose a CSV file").first().waitFor();
        return page;
    }

    private static void choose(Page page, Path file) {
        page.getByLabel("Trace file").setInputFiles(file);
    }

    @Test
    void aFileIsOpenedReplayedAndGivenBackAsItCame() throws IOException {
        Page page = traces();
        page.getByLabel("Type, when the file does not name it").selectOption("HAVERN-2M");
        choose(page, EXAMPLE);
        page.getByRole(AriaRole.MAIN, new Page.GetByRoleOptions().setName("Replay"))
                .waitFor();
        Axe.findsNothing(page, "replay");
        assertThat(page.getByTestId("verdict").getAttribute("data-call")).isEqualTo("RESTING");
        page.getByLabel("Speed").selectOption("5");
        page.locator("h1").first().click();
        page.keyboard().press("Space");
        page.locator("[data-testid='verdict'][data-call='CUT_FUEL']").waitFor();
        page.locator("[data-testid='verdict'][data-call='AFTER_CUT']").waitFor();
        page.getByText("cut on the forecast").first().waitFor();
        page.getByLabel("Speed").selectOption("20");
        page.getByText("77.6 of 77.6 s").waitFor();
        for (int i = 0; i < 12; i++) {
            page.keyboard().press("ArrowDown");
        }
        assertThat(page.getByTestId("verdict").getAttribute("data-call")).isEqualTo("RESTING");
        Download download = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Save as CSV"))
                        .click());
        Path saved = server.data().resolve("saved.csv");
        download.saveAs(saved);
        assertThat(saved).hasSameBinaryContentAs(EXAMPLE);
        isDeletedByTwoPresses(page);
        assertThat(browsers.errors()).isEmpty();
    }

    private static void isDeletedByTwoPresses(Page page) {
        page.navigate(server.address() + "/traces");
        String name = EXAMPLE.getFileName().toString();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Delete " + name).setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Delete " + name + " for good"))
                .click();
        page.getByText(name).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        page.reload();
        page.getByLabel("Type, when the file does not name it").waitFor();
        assertThat(page.getByText(name).count())
                .as("rows of the deleted trace after a reload")
                .isZero();
    }

    @Test
    void aBadFileIsRefusedWithItsLineAndNothingIsKept() throws IOException {
        Page page = traces();
        Path bad = server.data().resolve("bad.csv");
        Files.writeString(bad, "# type: HAVERN-2M\nt_s,n2_pct,egt_c,starter,fuel\n0,1,20,0,0\n0.1,fast,20,0,0\n");
        choose(page, bad);
        page.getByText("n2_pct is 'fast'; expected a number").waitFor();
        page.reload();
        page.getByText("Choose a CSV file").first().waitFor();
        assertThat(page.locator("main").innerText()).doesNotContain("bad.csv");
    }

    @Test
    void theLogbookShowsTheStartsOfASignedDepartureAndReplaysThem() {
        Page page = CrewMember.signIn(browsers, server, "Runa Halden").page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Logbook"))
                .click();
        page.getByText("Engine 2, attempt 1").first().waitFor();
        assertThat(page.locator("main").innerText()).contains("flight 208", "normal", "light-off", "idle");
        Axe.findsNothing(page, "logbook");
        page.getByText("Engine 2, attempt 1").first().click();
        page.getByRole(AriaRole.MAIN, new Page.GetByRoleOptions().setName("Replay"))
                .waitFor();
        page.getByText("QX-LOM, engine 2, attempt 1, flight 208").waitFor();
    }

    @Test
    void twoStartsStandBesideEachOther() throws IOException {
        Page page = traces();
        page.getByLabel("Type, when the file does not name it").selectOption("HAVERN-2M");
        Path late = server.data().resolve("late.csv");
        Files.copy(EXAMPLE, late);
        choose(page, late);
        page.getByRole(AriaRole.MAIN, new Page.GetByRoleOptions().setName("Replay"))
                .waitFor();
        page.navigate(server.address() + "/traces");
        page.getByLabel("Engine of late.csv").selectOption("QX-LOM, engine 2");
        page.navigate(server.address() + "/logbook");
        page.getByText("Engine 2, attempt 1").first().click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Beside others"))
                .click();
        page.getByText("of the last 10 good starts before it").waitFor();
        Axe.findsNothing(page, "beside the last ten");
        assertThat(figure(page, "peak, °C")).contains("512 to 562");
        // From one to the next by the arrows alone, to the file, which is the last of its own engine.
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("The last ten"))
                .focus();
        for (int i = 0; i < 11; i++) {
            page.keyboard().press("ArrowDown");
        }
        page.getByText("late.csv, attempt 1: hot start").waitFor();
        Axe.findsNothing(page, "beside another");
        assertThat(figure(page, "peak, °C")).matches("(?s).*\\d{3}\\s+756\\s+−\\d{3}.*");
        assertThat(figure(page, "to idle, s")).contains("none");
        page.navigate(server.address() + "/traces");
        page.getByLabel("Engine of late.csv").selectOption("not said");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("late.csv"))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Beside others"))
                .click();
        page.getByText("say under Traces of which engine this file is").waitFor();
        assertThat(browsers.errors()).isEmpty();
    }

    private static String figure(Page page, String name) {
        return page.locator("tr", new Page.LocatorOptions().setHasText(name))
                .first()
                .innerText();
    }
}
