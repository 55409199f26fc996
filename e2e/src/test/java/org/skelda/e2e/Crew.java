package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

/** Two people who work a departure together, each at an own browser, by keyboard. */
final class Crew {
    private static final int MANY_STEPS = 400;

    private Crew() {}

    /**
     * Works a procedure to its end; the desks are tried in turn, so that a challenge is answered by one and confirmed
     * by the other.
     */
    static void work(String procedure, DeskOfDeparture... desks) {
        for (DeskOfDeparture desk : desks) {
            desk.go(procedure);
        }
        for (int step = 0; step < MANY_STEPS; step++) {
            if (List.of(desks).stream().allMatch(desk -> desk.cardText().contains(procedure + " is complete"))) {
                return;
            }
            boolean answered = false;
            for (DeskOfDeparture desk : desks) {
                if (!answered && desk.canAnswer()) {
                    desk.answerByKey();
                    answered = true;
                }
            }
            if (!answered) {
                TestServer.pause(100);
            }
        }
        throw new AssertionError(procedure + " does not end; the desk shows: " + desks[0].cardText());
    }

    /** A number with two digits exchanged is named before anybody confirms it: the record has 6840 kg of fuel. */
    static void exchangedDigitsAreCaught(DeskOfDeparture captain, DeskOfDeparture officer) {
        captain.go("Before start");
        officer.go("Before start");
        while (!captain.line().equals("Fuel")) {
            String before = captain.line();
            captain.answerByKey();
            officer.page()
                    .waitForCondition(() ->
                            officer.line().equals(before) || officer.line().equals(captain.line()));
            if (officer.cardText().contains("Confirm")) {
                officer.answerByKey();
            }
            captain.page().waitForCondition(() -> !captain.line().equals(before));
        }
        officer.text("You read it.").waitFor();
        captain.type("6480");
        captain.press("Enter");
        captain.text("The record has").waitFor();
        assertThat(captain.cardText()).contains("6480 kg", "6840 kg", "two digits exchanged?");
    }
}
