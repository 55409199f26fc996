package org.skelda.app.fact;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.app.departure.Departures;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.LateChange;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactDeciding;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Value;
import org.springframework.stereotype.Service;

/**
 * The door by which the schedule, the weather line and the load tell facts of a departure's day. The lines themselves
 * are outside; what is behind this door in the demonstration is made up.
 */
@Service
public class DayNews {
    private static final Map<FactEvent.Source, Person> TELLERS = Map.of(
            FactEvent.Source.SCHEDULE, new Person("schedule", "Schedule"),
            FactEvent.Source.WEATHER, new Person("weather", "Weather line"),
            FactEvent.Source.LOAD, new Person("load", "Load sheet"));

    private final Departures departures;

    DayNews(Departures departures) {
        this.departures = departures;
    }

    /**
     * Tells facts, one after the other; what they change is told with each.
     *
     * @throws IllegalArgumentException when one is no value of its fact, or the source is the crew
     */
    public void tell(UUID departureId, FactEvent.Source source, Map<DayFact, Value> facts, Instant at) {
        Person teller = TELLERS.get(source);
        if (teller == null) {
            throw new IllegalArgumentException("the crew tells by its commands");
        }
        facts.forEach((fact, value) -> {
            Departure before = departures.state(departureId);
            List<Event> events =
                    new ArrayList<>(List.of(Event.of(FactDeciding.told(before.progress(), fact, value, source))));
            departures.record(departureId, LateChange.with(before, events), teller, at);
        });
    }
}
