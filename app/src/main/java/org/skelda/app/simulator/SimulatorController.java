package org.skelda.app.simulator;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.SignedIn;
import org.skelda.sim.Surroundings;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Attaches the simulated aircraft to a departure, and tells where it stands. */
@RestController
class SimulatorController {
    private final Simulator simulator;
    private final Departures departures;

    SimulatorController(Simulator simulator, Departures departures) {
        this.simulator = simulator;
        this.departures = departures;
    }

    /** @param weather in which it stands; null while there is none */
    record Stand(@Nullable Surroundings weather) {}

    @GetMapping("/api/departures/{id}/simulator")
    Stand stand(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        return new Stand(simulator.weather(id).orElse(null));
    }

    @PostMapping("/api/departures/{id}/simulator")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void attach(@PathVariable UUID id, @AuthenticationPrincipal SignedIn person) {
        departures.checkOwner(id, person.operatorId());
        simulator.attach(id, person.person());
    }
}
