package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Two people take a cold Havern 2M to a signed record: with a hold, a deviation and a slip taken back. */
class ColdToSignedTest {
    private static final double FAST = 60;
    private static TestServer server;
    private static Browsers browsers;

    @BeforeAll
    static void start() {
        server = TestServer.start(FAST);
        browsers = new Browsers();
    }

    @AfterAll
    static void stop() {
        browsers.close();
        server.close();
    }

    @Test
    void fromColdAndDarkToASignedRecord() throws Exception {
        DeskOfDeparture captain =
                CrewMember.signIn(browsers, server, "Runa Halden").open("214");
        captain.takeSeat("Left", "flying");
        DeskOfDeparture officer =
                CrewMember.signIn(browsers, server, "Joar Stenvik").open("214");
        officer.takeSeat("Right", "monitoring");

        Crew.work("First look", captain);
        eachSeesTheOthersLines(captain, officer);
        batteryVoltsAreJudged(captain);
        Crew.work("Safety and power", captain);
        Crew.work("Fire tests", captain);
        Crew.work("APU", captain);
        Crew.work("Alignment", captain);
        Crew.work("Walk-around", officer);
        holdAndComeBack(captain);
        deviate(captain);
        takeASlipBack(captain);
        Crew.work("Overhead flow", captain);
        Crew.work("Before start", captain, officer);
        Crew.work("Pushback", captain);
        server.restart(6);
        captain.page().reload();
        officer.page().reload();
        startEngine(2, captain, officer);
        startEngine(1, captain, officer);
        whatTheDayDecides(captain, officer);
        Crew.work("After start", captain);

        sign(captain);
        officer.text("Signed record").waitFor();
        prove(download(captain));
        assertThat(browsers.errors()).isEmpty();
    }

    /** What nobody knows yet is asked for where it matters, and one key tells it. */
    private static void whatTheDayDecides(DeskOfDeparture captain, DeskOfDeparture officer) {
        officer.go("After start");
        captain.go("After start");
        while (!captain.line().equals("Engine anti-ice")) {
            captain.answerByKey();
        }
        assertThat(captain.cardText()).contains("Icing conditions: not known yet");
        captain.press("y");
        captain.text("Icing conditions: one line changes, Engine anti-ice").waitFor();
        captain.page().waitForCondition(() -> captain.cardText().contains("Needed today: Icing conditions yes"));
        captain.press("v");
        captain.waitForDialog();
        captain.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Icing conditions: tell"))
                .click();
        captain.page()
                .getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Icing conditions"))
                .getByText("No", new Locator.GetByTextOptions().setExact(true))
                .click();
        captain.press("Escape");
        officer.text("Icing conditions: one line changes, Engine anti-ice").waitFor();
        captain.page().waitForCondition(() -> captain.line().equals("APU bleed"));
        captain.text("Not needed today: Icing conditions no").waitFor();
    }

    private static void eachSeesTheOthersLines(DeskOfDeparture captain, DeskOfDeparture officer) {
        officer.go("Walk-around");
        captain.go("Safety and power");
        captain.answerByKey();
        officer.text("Answered: Radar beam").waitFor();
        officer.answerByKey();
        captain.text("Answered: Intakes and hot parts").waitFor();
    }

    private static void batteryVoltsAreJudged(DeskOfDeparture captain) {
        while (!captain.line().equals("Battery volts, loaded")) {
            captain.answerByKey();
        }
        String before = captain.cardText();
        captain.type("22.9");
        captain.press("Enter");
        captain.waitUntilChanged(before);
        assertThat(captain.cardText())
                .contains(
                        "22.9 V",
                        "outside",
                        "0.3 V beyond the limit of 23.2 V",
                        "Source: Havern 2M, APU, battery for its start");
    }

    private static void holdAndComeBack(DeskOfDeparture captain) {
        captain.go("Overhead flow");
        captain.answerByKey();
        captain.press("h");
        captain.click("Fueller");
        captain.waitForCard("Held for");
        assertThat(captain.cardText()).contains("On hold since", "Fueller", "You were at: Yaw damper");
        String held = captain.cardText();
        captain.press("Space");
        while (captain.cardText().contains("On hold since")) {
            captain.waitUntilChanged(held);
            held = captain.cardText();
        }
        assertThat(captain.line()).isEqualTo("Yaw damper");
    }

    private static void deviate(DeskOfDeparture captain) {
        captain.press("d");
        captain.click("Unserviceable, in the technical log");
        captain.waitForCard("Fuel shut-off bars");
        captain.text("deviation: Unserviceable, in the technical log").waitFor();
    }

    private static void takeASlipBack(DeskOfDeparture captain) {
        captain.answerByKey();
        captain.waitForCard("Ignition selector");
        captain.press("ArrowUp");
        captain.waitForCard("Fuel shut-off bars");
        captain.press("u");
        captain.page()
                .getByRole(AriaRole.DIALOG)
                .getByRole(
                        AriaRole.BUTTON, new com.microsoft.playwright.Locator.GetByRoleOptions().setName("Take back"))
                .click();
        captain.page()
                .getByRole(AriaRole.DIALOG)
                .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
        captain.press("Escape");
        // The dialog closes before the server has answered; only then is the line the next one again.
        captain.page()
                .waitForCondition(() ->
                        captain.cardText().startsWith("Now") && captain.line().equals("Fuel shut-off bars"));
    }

    /** The captain's hands start it on the simulated aircraft; the officer's desk shows the same. */
    private static void startEngine(int engine, DeskOfDeparture captain, DeskOfDeparture officer) {
        String procedure = "Start engine " + engine;
        captain.go(procedure);
        officer.go(procedure);
        while (!"START".equals(captain.card().getAttribute("data-kind"))) {
            captain.answerByKey();
        }
        StartOfEngine start = new StartOfEngine(captain);
        if (engine == 2) {
            start.onTheSimulatedAircraft().starterOnAir();
        } else {
            start.press("e");
        }
        officer.text("Engine " + engine + ": on track").waitFor();
        start.goesWell(23);
        officer.text("Engine " + engine + ": started, at idle").waitFor();
        captain.press("Space");
        Crew.work(procedure, captain, officer);
    }

    private static void sign(DeskOfDeparture captain) {
        captain.press("Space");
        captain.text("Ready to sign").waitFor();
        Axe.findsNothing(captain.page(), "ready to sign");
        captain.page().getByLabel("Password of Runa Halden").fill("not-this-one");
        captain.click("Sign the record");
        captain.text("That is not your password").waitFor();
        captain.page().getByLabel("Password of Runa Halden").fill(CrewMember.PASSWORD);
        captain.click("Sign the record");
        captain.text("Signed record").waitFor();
    }

    private static Path download(DeskOfDeparture captain) {
        Download download = captain.page()
                .waitForDownload(() -> captain.page()
                        .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Download as JSON"))
                        .click());
        Path file = server.data().resolve("record.json");
        download.saveAs(file);
        return file;
    }

    private static void prove(Path record) throws IOException, InterruptedException {
        assertThat(verify(record)).contains("unchanged", "Sealed by installation", "Complete");
        String text = Files.readString(record);
        Path changed = record.resolveSibling("changed.json");
        Files.writeString(changed, text.replaceFirst("\"value\" : 24.6", "\"value\" : 25.6"));
        assertThat(verify(changed)).contains("changed", "LineMeasured, line:safety-power/battery-volts");
    }

    private static String verify(Path record) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(System.getProperty("skelda.cli", "../skelda"), "verify", record.toString())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return output;
    }
}
