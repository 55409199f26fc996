package org.skelda.app.start;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.skelda.app.departure.Departures;
import org.skelda.app.fact.DayNews;
import org.skelda.app.problem.ProblemException;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;
import org.skelda.core.procedure.Option;
import org.skelda.core.seat.SeatEvent;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Where the engines go first in turns, the starts on record tell which it was last time, as soon as a crew takes its
 * first seat. Nobody is told anything who knows it already, or whose school does not ask.
 */
@Service
class FirstLastTime {
    private static final Logger LOG = LoggerFactory.getLogger(FirstLastTime.class);

    private final StartHistory history;
    private final DayNews news;

    FirstLastTime(StartHistory history, DayNews news) {
        this.history = history;
        this.news = news;
    }

    @EventListener
    void appended(Departures.Appended appended) {
        boolean seat =
                appended.events().stream().anyMatch(event -> event instanceof Event.OfSeat(SeatEvent.SeatTaken _));
        if (seat && asks(appended.after())) {
            // Not here: the departure is held, and telling appends to it.
            Thread.ofVirtual().name("starts on record").start(() -> tell(appended));
        }
    }

    private static boolean asks(Departure departure) {
        String fact = DayFact.ENGINE_1_FIRST_LAST.id();
        Map<String, Value> schools = new HashMap<>();
        for (Option option : departure.plan().options().values()) {
            String name = Names.option(option.id());
            departure.progress().value(name).ifPresent(school -> schools.put(name, school));
        }
        return departure.progress().value(fact).isEmpty() && departure.plan().decides(fact, schools) > 0;
    }

    private void tell(Departures.Appended appended) {
        Optional<Integer> first = history.firstLastTime(
                appended.after().opening().operatorId(),
                appended.after().opening().tail(),
                appended.departureId());
        try {
            first.ifPresent(engine -> news.tell(
                    appended.departureId(),
                    FactEvent.Source.ENGINE_LOG,
                    Map.of(DayFact.ENGINE_1_FIRST_LAST, new Value.YesNo(engine == 1)),
                    appended.at()));
        } catch (ProblemException e) {
            // The crew is asked then, as where nothing is on record.
            LOG.warn("what went first last time could not be kept for {}: {}", appended.departureId(), e.getMessage());
        }
    }
}
