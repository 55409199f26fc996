package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** Two people who work a departure together, each at an own browser, by keyboard. */
final class Crew {
    private static final int MANY_STEPS = 400;

    private Crew() {}

    /**
     * Works a procedure to its end; the desks are tried in turn, so that a challenge is answered by one and confirmed
     * by the other.
     */
    static void work(String procedure, DeskOfDeparture... desks) {
        workUntil(
                procedure,
                () -> List.of(desks).stream().allMatch(desk -> desk.cardText().contains(procedure + " is complete")),
                desks);
    }

    private static void workUntil(String procedure, BooleanSupplier there, DeskOfDeparture... desks) {
        for (DeskOfDeparture desk : desks) {
            desk.go(procedure);
        }
        for (int step = 0; step < MANY_STEPS; step++) {
            if (there.getAsBoolean()) {
                return;
            }
            Optional<DeskOfDeparture> answering =
                    List.of(desks).stream().filter(DeskOfDeparture::canAnswer).findFirst();
            answering.ifPresentOrElse(DeskOfDeparture::answerByKey, () -> TestServer.pause(100));
        }
        throw new AssertionError(procedure + " does not come there; the desk shows: " + desks[0].cardText());
    }

    /** A number with two digits exchanged is named before anybody confirms it: the record has 6840 kg of fuel. */
    static void exchangedDigitsAreCaught(DeskOfDeparture captain, DeskOfDeparture officer) {
        workUntil("Before start", () -> captain.line().equals("Fuel"), captain, officer);
        officer.text("You read it.").waitFor();
        captain.type("6480");
        captain.press("Enter");
        captain.text("The record has").waitFor();
        assertThat(captain.cardText()).contains("6480 kg", "6840 kg", "two digits exchanged?");
    }
}
