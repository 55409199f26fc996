package org.skelda.core.departure;

import java.util.List;
import org.skelda.core.aligning.UnitFact;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.line.LineEvent;
import org.skelda.core.log.Fact;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.seat.SeatEvent;
import org.skelda.core.simulator.SimulatorEvent;

/**
 * What can have happened to a departure, by the room that tells it. Facts only; whatever depends on the passing of time
 * is told by a view.
 */
public sealed interface Event extends Fact {

    /** What happened, in the words of its room. */
    Fact fact();

    record OfRecord(RecordEvent fact) implements Event {}

    record OfSeat(SeatEvent fact) implements Event {}

    record OfLine(LineEvent fact) implements Event {}

    record OfAttempt(AttemptEvent fact) implements Event {}

    record OfApu(ApuFact fact) implements Event {}

    record OfUnits(UnitFact fact) implements Event {}

    record OfFeed(FeedEvent fact) implements Event {}

    record OfFact(FactEvent fact) implements Event {}

    record OfSimulator(SimulatorEvent fact) implements Event {}

    static Event of(RecordEvent fact) {
        return new OfRecord(fact);
    }

    static Event of(SeatEvent fact) {
        return new OfSeat(fact);
    }

    static Event of(LineEvent fact) {
        return new OfLine(fact);
    }

    static Event of(AttemptEvent fact) {
        return new OfAttempt(fact);
    }

    static Event of(ApuFact fact) {
        return new OfApu(fact);
    }

    static Event of(UnitFact fact) {
        return new OfUnits(fact);
    }

    static Event of(FeedEvent fact) {
        return new OfFeed(fact);
    }

    static Event of(FactEvent fact) {
        return new OfFact(fact);
    }

    static Event of(SimulatorEvent fact) {
        return new OfSimulator(fact);
    }

    @Override
    default String subject() {
        return fact().subject();
    }

    @Override
    default List<String> touches() {
        return fact().touches();
    }
}
