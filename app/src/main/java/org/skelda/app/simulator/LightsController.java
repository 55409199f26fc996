package org.skelda.app.simulator;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.core.departure.Departure;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.simulator.LightControls;
import org.skelda.sim.indications.SimulatedLights;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What shows on the simulated aircraft of a departure, and what can be pressed and fail there. */
@RestController
class LightsController {
    private final Departures departures;

    LightsController(Departures departures) {
        this.departures = departures;
    }

    /**
     * @param tail of the departure; @param flight its number; @param seq number of its newest event
     * @param attached whether the simulated aircraft is attached
     * @param groups every indication that some test looks at, once
     * @param tests what can be pressed
     * @param pressed the phase in which each switch stands that is not let go, by the test's id
     * @param showing what is lit, shown or heard
     * @param failed what stays dark
     */
    record Lights(
            String tail,
            String flight,
            long seq,
            boolean attached,
            List<IndicationGroup> groups,
            List<Switch> tests,
            Map<String, String> pressed,
            List<String> showing,
            Set<String> failed) {}

    /** @param phases in which it can stand */
    record Switch(String id, String label, List<Position> phases) {}

    /** @param label what is done */
    record Position(String id, String label) {}

    @GetMapping("/api/departures/{id}/lights")
    Lights lights(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        Departure departure = departures.state(id);
        Map<String, IndicationTest> tests =
                new TreeMap<>(departure.plan().type().tests());
        LightControls controls = LightControls.of(departure.controls());
        return new Lights(
                departure.opening().tail(),
                departure.opening().flight(),
                departure.seq(),
                departure.feed() != null && departure.feed().simulated(),
                tests.values().stream()
                        .flatMap(test -> test.groups().stream())
                        .distinct()
                        .toList(),
                tests.values().stream().map(LightsController::pressable).toList(),
                controls.pressed(),
                SimulatedLights.showing(tests, controls, departure.progress()::value),
                new TreeSet<>(controls.failed()));
    }

    private static Switch pressable(IndicationTest test) {
        return new Switch(
                test.id(),
                test.label(),
                test.phases().stream().map(LightsController::position).toList());
    }

    private static Position position(TestPhase phase) {
        return new Position(phase.id(), phase.label());
    }
}
