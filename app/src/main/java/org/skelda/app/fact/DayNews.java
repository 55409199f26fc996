package org.skelda.app.fact;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
 * The door by which the schedule, the weather line, the load and the starts on record tell facts of a departure's day.
 * The lines themselves are outside; what is behind this door in the demonstration is made up.
 */
@Service
public class DayNews {
    private static final Map<FactEvent.Source, Person> TELLERS = Map.of(
            FactEvent.Source.SCHEDULE, new Person("schedule", "Schedule"),
            FactEvent.Source.WEATHER, new Person("weather", "Weather line"),
            FactEvent.Source.LOAD, new Person("load", "Load sheet"),
            FactEvent.Source.ENGINE_LOG, new Person("engine-log", "Starts on record"));

    private final Departures departures;

    DayNews(Departures departures) {
        this.departures = departures;
    }

    /**
     * Tells facts, one after the other; what they change is told with each. What is known so already is not told again.
     *
     * @throws IllegalArgumentException when one is no value of its fact, or the source is the crew; none is told then
     */
    public void tell(UUID departureId, FactEvent.Source source, Map<DayFact, Value> facts, Instant at) {
        Person teller = TELLERS.get(source);
        if (teller == null) {
            throw new IllegalArgumentException("the crew tells by its commands");
        }
        facts.forEach(FactDeciding::check);
        facts.forEach((fact, value) -> {
            if (!departures.state(departureId).progress().value(fact.id()).equals(Optional.of(value))) {
                departures.record(departureId, before -> told(before, fact, value, source), teller, at);
            }
        });
    }

    private static List<Event> told(Departure before, DayFact fact, Value value, FactEvent.Source source) {
        return LateChange.with(before, List.of(Event.of(FactDeciding.told(before.progress(), fact, value, source))));
    }

    /**
     * Tells facts of the departure of a tail that is being worked.
     *
     * @return whether there is one
     * @throws IllegalArgumentException as {@link #tell}
     */
    public boolean tellOfTail(
            String operatorId, String tail, FactEvent.Source source, Map<DayFact, Value> facts, Instant at) {
        Optional<Departure> worked = departures.worked(operatorId, tail, at);
        worked.ifPresent(departure -> tell(departure.opening().departureId(), source, facts, at));
        return worked.isPresent();
    }
}
