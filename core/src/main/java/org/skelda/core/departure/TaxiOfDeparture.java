package org.skelda.core.departure;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.skelda.core.clock.ClockView;
import org.skelda.core.fact.DayFact;
import org.skelda.core.kind.Mark;
import org.skelda.core.line.Progress;
import org.skelda.core.need.Value;
import org.skelda.core.taxi.OneEngineTaxi;

/** The taxi-out of a departure: what is still to be started, and until when. */
final class TaxiOfDeparture {
    private TaxiOfDeparture() {}

    /** The latest start of what is left, while the crew means to taxi on one engine and the departure is not closed. */
    static Stream<ClockView> clocks(Departure departure, Progress progress, Instant at) {
        OneEngineTaxi taxi = departure.plan().type().taxi();
        if (taxi == null
                || departure.lifecycle().closed()
                || !Boolean.TRUE.equals(progress.toldOfState(taxi.onOne()))) {
            return Stream.of();
        }
        if (!(progress.value(DayFact.TAXI_MIN.id()).orElse(null) instanceof Value.Number(double way_min))) {
            return Stream.of();
        }
        List<Integer> left = departure.plan().engines().stream()
                .filter(engine -> !progress.idling().contains(engine))
                .sorted()
                .toList();
        Instant takeOff = OneEngineTaxi.takeOff(leaves(departure, progress), way_min);
        return taxi.latestStart(left, departure.openedAt(), takeOff).stream()
                .map(clock -> clock.view(taxi.source(), at));
    }

    /** When it left its stand; until then, when it should. */
    private static Instant leaves(Departure departure, Progress progress) {
        return departure.plan().lines().entrySet().stream()
                .filter(entry -> entry.getValue().head().marksOffBlock())
                .map(entry -> progress.lines().line(entry.getKey()).answered())
                .filter(Objects::nonNull)
                .map(Mark::doneAt)
                .findFirst()
                .orElse(departure.opening().offBlock());
    }
}
