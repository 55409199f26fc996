package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Starters that a hand switches off, both engines of one aircraft. */
@Tag("quiet")
class StarterByHandTest extends StartJourney {
    private static final long TOLD_WITHIN_MS = 1000;
    private static final double FINGER_ON_THE_SWITCH_pct = 45;

    StarterByHandTest() {
        super(4);
    }

    /** At four times life's speed the moment is half a second: a machine that stalls gets a slower clock. */
    @Test
    void theHandHasItsMomentAndTheSecondWaitsForTheRunningGenerator() {
        for (double slower : new double[] {2, 1}) {
            if (bothInTime()) {
                return;
            }
            beginAgain(slower);
        }
        assertThat(bothInTime()).as("the hand is in time at life's own speed").isTrue();
    }

    private boolean bothInTime() {
        DeskOfDeparture desk = at("Teitur Vagsborg", "702")
                .reads(Map.of(
                        "Oil pressure at idle", "498",
                        "ITT at idle", "588",
                        "ITT before the starter", "39",
                        "High idle", "72",
                        "Load of the running generator", "28",
                        "Far bus volts, ties NORMAL", "27.9",
                        "Far bus volts, ties CLOSED by hand", "27.6"));
        StartOfEngine start = new StartOfEngine(desk).onTheSimulatedAircraft();
        if (!inTime(start, 2)) {
            return false;
        }
        start.press("t");
        desk.workUntil(() -> desk.line().equals("Load of the running generator"));
        readWrong(desk, "41", "35");
        desk.lookAheadTo("The second engine may be started");
        desk.card().getByText("Load of the running generator").first().waitFor();
        picture(desk, "load-gate-shut");
        desk.go("Between the engines");
        desk.workUntil(() -> desk.line().startsWith("Far bus volts, ties CLOSED"));
        readWrong(desk, "26.8", "27.2");
        desk.workUntil(() -> desk.isStart() && desk.title().equals("Start engine 1"));
        if (!inTime(start, 1)) {
            return false;
        }
        assertThat(outcomes(log(desk))).containsExactly("NORMAL", "NORMAL");
        assertThat(browsers.errors()).isEmpty();
        return true;
    }

    /** Types a reading that its limit does not allow, and sees it named; the next answer reads it anew. */
    private static void readWrong(DeskOfDeparture desk, String reading, String limit) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        desk.type(reading);
        desk.press("Enter");
        desk.card().getByText("outside").first().waitFor();
        assertThat(desk.cardText()).contains(limit);
    }

    /** @return whether the starter was off before it overran; where it was not, the bar and the record say so */
    private boolean inTime(StartOfEngine start, int engine) {
        start.press("i");
        start.press("e");
        start.waitForCall("ON_TRACK", 10);
        start.spoolAt(15);
        start.press("f");
        start.spoolAt(FINGER_ON_THE_SWITCH_pct);
        start.ready("e");
        String said = start.pressReadyAt("HAND_DUE", "STOP_STARTER", "e");
        TestServer.pause(TOLD_WITHIN_MS);
        if (findings(log(start.desk())).contains("STARTER_OVERRUN")) {
            return false;
        }
        assertThat(said).contains("Engine " + engine + ": starter OFF").contains("fuel stays on");
        start.desk()
                .text("Engine " + engine + ": started, at idle")
                .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        return true;
    }
}
