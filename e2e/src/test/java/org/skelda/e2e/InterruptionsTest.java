package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Reload, closed browser, lost link, killed server: nothing acknowledged is lost, and the page goes on where it was.
 */
class InterruptionsTest {
    private static final int A_MINUTE_MS = 60_000;

    private TestServer server;
    private Browsers browsers;
    private CuttableLink link;
    private DeskOfDeparture captain;

    @BeforeEach
    void atWork() {
        server = TestServer.start(1);
        browsers = new Browsers();
        link = new CuttableLink(server);
        captain = CrewMember.signIn(browsers.page(1280, 800), link.address(), "Runa Halden")
                .open("214");
        captain.takeSeat("Left", "flying");
        captain.go("Safety and power");
        captain.answerByKey();
        captain.answerByKey();
    }

    @AfterEach
    void stop() {
        browsers.close();
        link.close();
        server.close();
    }

    @Test
    void aReloadGoesOnWhereItWas() {
        String before = captain.line();
        captain.page().reload();
        captain.card().waitFor();
        assertThat(captain.line()).isEqualTo(before).isEqualTo("Wipers");
        captain.text("2 of 17").waitFor();
    }

    @Test
    void aClosedBrowserComesBackSignedIn() {
        assertThat(captain.page().context().cookies())
                .filteredOn(cookie -> cookie.name.equals("SKELDA"))
                .singleElement()
                .satisfies(cookie -> assertThat(cookie.expires)
                        .as("the session outlives the browser")
                        .isGreaterThan(0));
        String address = captain.address();
        Page again = browsers.watched(captain.page().context().newPage());
        captain.page().close();
        again.navigate(address);
        again.getByTestId("line-card").waitFor();
        assertThat(again.getByTestId("line-card").innerText()).contains("Wipers");
    }

    @Test
    @Tag("alone")
    void aKilledServerLosesNothingAndAnAnswerSentMeanwhileArrivesOnce() {
        server.kill();
        captain.text("No link.").waitFor();
        TestServer.pause(500);
        captain.press("Space");
        captain.text("not acknowledged yet").waitFor();
        server.start();
        captain.waitForCard("Landing gear lever");
        captain.text("3 of 17").waitFor();
        captain.text("Live").waitFor();
        captain.page().reload();
        captain.waitForCard("Landing gear lever");
        ApiClient api = ApiClient.signIn(server, "halden");
        assertThat(api.events(captain.departureId()).stream()
                        .filter(event -> event.path("subject").asString().equals("line:safety-power/wipers")))
                .hasSize(1);
    }

    @Test
    void aLinkLostForAMinuteIsShownAndHealsByItself() {
        link.cut();
        captain.text("No link.").waitFor();
        captain.press("Space");
        captain.text("not acknowledged yet").waitFor();
        TestServer.pause(A_MINUTE_MS);
        captain.text("No link.").waitFor();
        ApiClient officer = ApiClient.signIn(server, "stenvik");
        officer.command(captain.departureId(), 99, "TAKE_SEAT", "\"seat\":\"RIGHT\",\"role\":\"MONITORING\"");
        link.mend();
        captain.waitForCard("Landing gear lever");
        captain.text("Joar Stenvik, right").waitFor();
        assertThat(browsers.errors()).isEmpty();
    }
}
