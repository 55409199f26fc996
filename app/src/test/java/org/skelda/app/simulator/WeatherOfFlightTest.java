package org.skelda.app.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.departure.Rehearsals;
import org.skelda.app.fact.DayNews;
import org.skelda.app.procedure.Packs;
import org.skelda.core.departure.Event;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Value;
import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.sim.Surroundings;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;

/** The simulated aircraft stands in the weather of the day, and goes on in it once a hand is on an engine. */
@ServerTest
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class WeatherOfFlightTest {
    private static final Duration HEARD_WITHIN = Duration.ofSeconds(20);

    @Autowired
    private Departures departures;

    @Autowired
    private DayNews news;

    @Autowired
    private Packs packs;

    @Autowired
    private Simulator simulator;

    @Autowired
    private ServerClock clock;

    private void tap(UUID id, String control, String position) {
        new Rehearsals(departures, packs)
                .happens(id, Event.of(new SimulatorEvent.ControlTapped(control, position)), clock.instant());
    }

    private void air(UUID id, double oat_c) {
        news.tell(id, FactEvent.Source.WEATHER, Map.of(DayFact.OAT_C, new Value.Number(oat_c)), clock.instant());
    }

    private void stands(UUID id, Surroundings weather) throws InterruptedException {
        Instant until = Instant.now().plus(HEARD_WITHIN);
        while (!weather.equals(simulator.weather(id).orElse(null))) {
            assertThat(Instant.now())
                    .as("it stands in %s", simulator.weather(id))
                    .isBefore(until);
            Thread.sleep(20);
        }
    }

    @Test
    void itStandsInTheDaysAirUntilAHandIsOnAnEngineAndGoesOnInItAfterARestart() throws InterruptedException {
        UUID id = new Rehearsals(departures, packs).open("QX-PIL", "LOMVI-T1", Map.of(), clock.instant());
        simulator.attach(id, Rehearsals.CAPTAIN);
        stands(id, new Surroundings(15, 330, 0));
        air(id, -4);
        stands(id, new Surroundings(-4, 330, 0));
        tap(id, "soak", "-20");
        stands(id, new Surroundings(-4, 330, 0, -20));
        tap(id, "engine-1/ignition", "on");
        air(id, 12);
        // It is left alone and comes back, as after a restart: what it is comes from the log.
        simulator.tidy(System.nanoTime() + Duration.ofMinutes(5).toNanos());
        assertThat(simulator.weather(id)).isEmpty();
        simulator.attach(id, Rehearsals.CAPTAIN);
        stands(id, new Surroundings(-4, 330, 0, -20));
        Thread.sleep(300);
        assertThat(simulator.weather(id)).contains(new Surroundings(-4, 330, 0, -20));
    }
}
