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
        ApiCrew others = new ApiCrew(captain.departureId())
                .with("LEFT", ApiClient.signIn(server, "halden"))
                .with("RIGHT", ApiClient.signIn(server, "stenvik"))
                .choosing("start-2/one-or-both", "both");
        others.work("papers", "fire-tests", "apu", "tests");
        aFindingIsMadeAndDecided(captain, officer);
        others.work("walk-around", "alignment");
        holdAndComeBack(captain);
        deviate(captain);
        takeASlipBack(captain);
        others.work("overhead");
        altimetersThatDisagreeNameTheSlip(captain);
        others.work("panels", "numbers", "ground-cabin");
        Crew.exchangedDigitsAreCaught(captain, officer);
        Crew.work("Before start", captain, officer);
        others.work("push");
        server.restart(6);
        captain.page().reload();
        officer.page().reload();
        startEngine(2, captain, officer);
        startEngine(1, captain, officer);
        whatTheDayDecides(captain, officer);
        others.work("after-start");
        somethingIsWrong(captain, officer);
        aLateRunway(captain, officer, others);

        sign(captain);
        officer.text("Signed record").waitFor();
        prove(download(captain));
        assertThat(browsers.errors()).isEmpty();
    }

    /** A defect outside in a few taps, its decision back at the desk. */
    private static void aFindingIsMadeAndDecided(DeskOfDeparture captain, DeskOfDeparture officer) {
        officer.go("Walk-around");
        while (!officer.line().equals("Nose gear")) {
            officer.answerByKey();
        }
        officer.press("f");
        officer.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Worn").setExact(true))
                .click();
        officer.click("Keep the finding");
        officer.page().waitForCondition(() -> !officer.line().equals("Nose gear"));
        captain.go("Walk-around");
        captain.lookBackTo("Nose gear");
        captain.text("Worn at nose gear").waitFor();
        captain.page().getByLabel("Decision on: Worn at nose gear").fill("Within its limits");
        captain.click("Goes like this");
        captain.text("goes like this (Within its limits)").waitFor();
    }

    private static void altimetersThatDisagreeNameTheSlip(DeskOfDeparture captain) {
        captain.go("Panels ahead");
        while (!captain.line().equals("Altimeters")) {
            captain.answerByKey();
        }
        for (String reading : new String[] {"118", "120", "181"}) {
            captain.type(reading);
            captain.press("Enter");
        }
        captain.text("stands out: two digits exchanged?").waitFor();
        assertThat(captain.cardText()).contains("They do not agree", "within 40 ft of each other");
    }

    /** A list for what goes wrong, two presses away, and back to the place afterwards. */
    private static void somethingIsWrong(DeskOfDeparture captain, DeskOfDeparture officer) {
        captain.go("Taxi");
        captain.press("q");
        captain.waitForDialog();
        captain.press("8");
        captain.page().waitForCondition(() -> captain.title().equals("Hot brakes"));
        officer.press("q");
        officer.waitForDialog();
        officer.press("8");
        captain.answerByKey();
        officer.page().waitForCondition(() -> officer.cardText().contains("Confirm"));
        officer.answerByKey();
        for (String line : new String[] {"Wheels", "Ground", "Park brake", "Wheels"}) {
            captain.page().waitForCondition(() -> captain.line().equals(line));
            captain.answerByKey();
        }
        captain.text("Hot brakes is complete").waitFor();
        captain.press("b");
        captain.page().waitForCondition(() -> captain.title().equals("Taxi"));
    }

    /** A late change tells what it costs. */
    private static void aLateRunway(DeskOfDeparture captain, DeskOfDeparture officer, ApiCrew others) {
        others.work("taxi");
        captain.press("v");
        captain.waitForDialog();
        captain.page()
                .getByLabel("What", new Page.GetByLabelOptions().setExact(true))
                .fill("Runway 07 instead of 25");
        captain.page()
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Runway").setExact(true))
                .click();
        officer.text("things to redo").waitFor();
        // The icing that was told otherwise opened what the weather undoes, outside and at the altimeters.
        others.work("walk-around", "panels", "overhead", "numbers");
        others.work("ground-cabin", "before-start", "taxi", "before-take-off");
        assertThat(others.open()).isEmpty();
        captain.page().waitForCondition(() -> captain.cardText().contains("To signing"));
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
        captain.page().waitForCondition(() -> captain.cardText().contains("Needed today. Icing conditions: yes"));
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
        captain.text("Not needed today. Icing conditions: no").waitFor();
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
                        "Source: Havern 2M, APU, battery for its start",
                        "0.3 V under the least to start the APU. Ground power, or another battery.",
                        "Loaded volts 22.9 V: 0.30 V under 23.2 V");
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
