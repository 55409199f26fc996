package org.skelda.app.demo;

import com.github.f4b6a3.uuid.UuidCreator;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Viewing;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.seat.SeatView;

/** Works a departure as a crew would, through the same commands, at times of its own. */
final class ScriptedCrew {
    private static final String REQUEST_HASH = "0".repeat(64);

    private static final Map<DayFact, Boolean> DRY_DAY = Map.of(DayFact.ICING, false);

    private final Departures departures;
    private final ScriptedStarts starts;
    private final Map<String, Double> readings;
    private final UUID departureId;
    private Instant at;

    ScriptedCrew(
            Departures departures,
            ScriptedStarts starts,
            Map<String, Double> readings,
            UUID departureId,
            Instant begin) {
        this.departures = departures;
        this.starts = starts;
        this.readings = readings;
        this.departureId = departureId;
        this.at = begin;
    }

    void seat(Person left, @Nullable Person right) {
        ask(left, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        DRY_DAY.forEach((fact, yes) -> {
            if (!departures.state(departureId).plan().asking(fact.id()).isEmpty()) {
                ask(left, Ask.of(new FactAsk.GiveFact(fact.id(), new Value.YesNo(yes), "")));
            }
        });
        if (right != null) {
            ask(right, Ask.of(new SeatAsk.TakeSeat(Seat.RIGHT, Role.MONITORING, null)));
        }
    }

    /** Works on at a pace until a time, until a line is next, or until nothing is left to do. */
    void workUntil(Instant until, Duration pace, @Nullable String upTo) {
        while (at.isBefore(until)) {
            Departure state = departures.state(departureId);
            DepartureView view = Viewing.view(state, at);
            boolean did = false;
            for (SeatView seat : view.seats()) {
                LineRef next = seat.seat() == Seat.LEFT ? view.nextLeft() : view.nextRight();
                if (next != null && next.toString().equals(upTo)) {
                    return;
                }
                boolean others = seat.seat() == Seat.RIGHT && next != null && next.equals(view.nextLeft());
                if (next != null && !others) {
                    answer(state, next, seat.person());
                    did = true;
                }
            }
            at = at.plus(pace);
            if (!did) {
                if (view.nextOpening() == null) {
                    return;
                }
                at = view.nextOpening().isAfter(at) ? view.nextOpening() : at;
            }
        }
    }

    private void answer(Departure state, LineRef ref, Person person) {
        Line line = state.plan().line(ref).orElseThrow();
        switch (line) {
            case Line.Measure measure ->
                ask(
                        person,
                        Ask.of(new LineAsk.MeasureLine(
                                ref, reading(ref), measure.spec().unit())));
            case Line.Challenge _ -> {
                ask(person, Ask.of(new LineAsk.AnswerLine(ref)));
                Person other = state.seats().values().stream()
                        .map(seated -> seated.person())
                        .filter(p -> !p.id().equals(person.id()))
                        .findFirst()
                        .orElseThrow();
                ask(other, Ask.of(new LineAsk.ConfirmLine(ref)));
            }
            case Line.Start start -> {
                at = at.plus(starts.start(departureId, start, at));
                ask(person, Ask.of(new LineAsk.AnswerLine(ref)));
            }
            case Line.Action _, Line.Check _, Line.Read _, Line.Gate _, Line.Caution _ ->
                ask(person, Ask.of(new LineAsk.AnswerLine(ref)));
        }
    }

    private double reading(LineRef ref) {
        Double own =
                readings.get(ref + " " + departures.state(departureId).opening().tail());
        Double value = own == null ? readings.get(ref.toString()) : own;
        if (value == null) {
            throw new IllegalStateException("the demo has no reading for " + ref);
        }
        return value;
    }

    void hold(Person person, String reason) {
        LineRef next = Viewing.view(departures.state(departureId), at).nextLeft();
        if (next != null) {
            ask(person, Ask.of(new LineAsk.Hold(next.procedure(), reason, next)));
        }
    }

    void sign(Person person) {
        ask(person, Ask.of(new RecordAsk.Sign()));
    }

    private void ask(Person person, Ask ask) {
        long seen = departures.state(departureId).seq();
        departures.execute(
                departureId, new Command(UuidCreator.getTimeOrderedEpoch(), seen, null, ask), REQUEST_HASH, person, at);
    }
}
