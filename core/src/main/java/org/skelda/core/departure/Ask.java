package org.skelda.core.departure;

import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.apurun.ApuAsk;
import org.skelda.core.attempt.AttemptAsk;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.line.LineAsk;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.simulator.SimulatorAsk;

/** What a crew member can ask of a departure, by the room that decides it. */
public sealed interface Ask {

    record OfSeat(SeatAsk ask) implements Ask {}

    record OfLine(LineAsk ask) implements Ask {}

    record OfAttempt(AttemptAsk ask) implements Ask {}

    record OfApu(ApuAsk ask) implements Ask {}

    record OfUnits(UnitAsk ask) implements Ask {}

    record OfFact(FactAsk ask) implements Ask {}

    record OfSimulator(SimulatorAsk ask) implements Ask {}

    record OfRecord(RecordAsk ask) implements Ask {}

    static Ask of(SeatAsk ask) {
        return new OfSeat(ask);
    }

    static Ask of(LineAsk ask) {
        return new OfLine(ask);
    }

    static Ask of(AttemptAsk ask) {
        return new OfAttempt(ask);
    }

    static Ask of(ApuAsk ask) {
        return new OfApu(ask);
    }

    static Ask of(UnitAsk ask) {
        return new OfUnits(ask);
    }

    static Ask of(FactAsk ask) {
        return new OfFact(ask);
    }

    static Ask of(SimulatorAsk ask) {
        return new OfSimulator(ask);
    }

    static Ask of(RecordAsk ask) {
        return new OfRecord(ask);
    }
}
