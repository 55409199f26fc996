package org.skelda.app.alignment;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.skelda.app.departure.Departures;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.aligning.Units;
import org.skelda.core.aligning.UnitsWatch;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** The inertial units that are read. What is found goes into the log; the view tells it to whoever looks. */
@Service
public class LiveUnits {
    private final Departures departures;
    /** The newest reading of each departure: what is older tells nothing. */
    private final ConcurrentHashMap<UUID, Long> newest_us = new ConcurrentHashMap<>();

    LiveUnits(Departures departures) {
        this.departures = departures;
    }

    /**
     * Takes readings of a departure's inertial units; those of a type that has none tell nothing.
     *
     * @param samples in the order of their time
     * @param by the feed, as the log knows it
     */
    public void take(UUID departureId, List<UnitsSample> samples, Person by, Instant now) {
        Departure departure = departures.state(departureId);
        Units units = departure.units();
        if (units == null || samples.isEmpty()) {
            return;
        }
        List<UnitFact> facts = new ArrayList<>();
        if (!units.isRead(departure.feed())) {
            facts.add(new UnitFact.UnitsRead(now));
        }
        for (UnitsSample sample : samples) {
            Long before = newest_us.get(departureId);
            if (before == null || before < sample.at_us()) {
                newest_us.put(departureId, sample.at_us());
                for (UnitFact fact : UnitsWatch.tells(units, sample)) {
                    facts.add(fact);
                    units = units.told(fact, by);
                }
            }
        }
        if (!facts.isEmpty()) {
            departures.record(departureId, facts.stream().map(Event::of).toList(), by, now);
        }
    }

    /** Its readings are forgotten with the departure's end. */
    @EventListener
    void appended(Departures.Appended appended) {
        if (appended.after().lifecycle().closed()) {
            newest_us.remove(appended.departureId());
        }
    }
}
