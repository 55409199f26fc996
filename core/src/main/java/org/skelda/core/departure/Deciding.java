package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.UnitsDeciding;
import org.skelda.core.apurun.ApuDeciding;
import org.skelda.core.attempt.AttemptDeciding;
import org.skelda.core.crew.Person;
import org.skelda.core.fact.FactDeciding;
import org.skelda.core.line.LineDeciding;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.record.RecordDeciding;
import org.skelda.core.seat.SeatDeciding;
import org.skelda.core.simulator.Controls;

/** Turns a command into events or a refusal. Pure: the state, the command, who asks and the time are all it knows. */
public final class Deciding {
    private static final Duration USUAL_WORK_BEFORE_OFF_BLOCK = Duration.ofHours(2);

    private final Departure departure;
    private final Command command;
    private final Grounds grounds;

    private Deciding(Departure departure, Command command, Grounds grounds) {
        this.departure = departure;
        this.command = command;
        this.grounds = grounds;
    }

    /**
     * @param departure the state to decide on
     * @param command what is asked
     * @param actor who asks
     * @param at the time of acceptance; a time before the log's newest entry counts as that entry's time
     * @return the events to append, or why not, or that it was accepted before
     */
    public static Decision<Event> decide(Departure departure, Command command, Person actor, Instant at) {
        Instant acceptedAt = at.isBefore(departure.at()) ? departure.at() : at;
        Instant doneAt = command.doneAt() == null ? acceptedAt : command.doneAt();
        Grounds grounds = new Grounds(
                actor, departure.seatOf(actor).isPresent(), acceptedAt, doneAt, command.seen(), departure.touched());
        return new Deciding(departure, command, grounds).decide();
    }

    private Decision<Event> decide() {
        if (departure.commands().contains(command.id())) {
            return new Decision.Repeated<>();
        }
        Refusal closed = closed();
        if (closed != null) {
            return Decision.refused(closed);
        }
        if (grounds.doneAt().isAfter(grounds.at()) || grounds.doneAt().isBefore(earliestWork())) {
            return Decision.refused(new Refusal.ImpossibleTime(grounds.doneAt(), earliestWork(), grounds.at()));
        }
        try {
            Decision<Event> decision = answer();
            return decision instanceof Decision.Accepted<Event>(List<Event> events)
                    ? new Decision.Accepted<>(told(events))
                    : decision;
        } catch (OutOfRange e) {
            return Decision.refused(
                    new Refusal.ImpossibleValue(e.quantity(), e.value(), e.min(), e.max(), e.unit(), e.todo()));
        }
    }

    /** What was decided, with what that tells of the APU and of the inertial units. */
    private List<Event> told(List<Event> events) {
        List<Event> late = LateChange.with(departure, events);
        return UnitsTelling.with(departure, ApuTelling.with(departure, late, grounds), grounds);
    }

    /** The earliest time a late entry may carry: the opening, or the usual start of the work if that is earlier. */
    private Instant earliestWork() {
        Instant usual = departure.opening().offBlock().minus(USUAL_WORK_BEFORE_OFF_BLOCK);
        return usual.isBefore(departure.openedAt()) ? usual : departure.openedAt();
    }

    private @Nullable Refusal closed() {
        if (command.ask() instanceof Ask.OfRecord(RecordAsk.Amend _)) {
            return departure.lifecycle() == Lifecycle.SIGNED ? null : new Refusal.NotSigned(departure.lifecycle());
        }
        return departure.lifecycle().closed() ? new Refusal.Closed(departure.lifecycle()) : null;
    }

    private Decision<Event> answer() {
        return switch (command.ask()) {
            case Ask.OfSeat(var ask) ->
                SeatDeciding.decide(departure.seating(), ask, grounds).map(Event::of);
            case Ask.OfLine(var ask) ->
                LineDeciding.decide(
                                departure.progress(),
                                ask,
                                departure.seating().beside(grounds.actor()),
                                departure.opening().latitude_deg(),
                                grounds)
                        .map(Event::of);
            case Ask.OfAttempt(var ask) ->
                AttemptDeciding.decide(departure.progress(), departure.attempts(), departure.isRead(), ask, grounds)
                        .map(Event::of);
            case Ask.OfApu(var ask) ->
                ApuDeciding.decide(departure.apu(), departure.feed(), ask, grounds)
                        .map(Event::of);
            case Ask.OfUnits(var ask) ->
                UnitsDeciding.decide(departure.units(), departure.feed(), ask, grounds)
                        .map(Event::of);
            case Ask.OfFact(var ask) ->
                FactDeciding.decide(departure.progress(), ask, grounds).map(Event::of);
            case Ask.OfSimulator(var ask) ->
                Controls.decide(ask, departure.feed(), departure.plan().type(), grounds)
                        .map(Event::of);
            case Ask.OfRecord(var ask) ->
                RecordDeciding.decide(ask, grounds, departure.lifecycle(), departure.openLines(), departure.crew())
                        .map(Event::of);
        };
    }
}
