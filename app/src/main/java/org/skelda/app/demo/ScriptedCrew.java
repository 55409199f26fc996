package org.skelda.app.demo;

import com.github.f4b6a3.uuid.UuidCreator;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.core.aligning.UnitAsk;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Viewing;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.kind.Callout;
import org.skelda.core.kind.Challenge;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.Compare;
import org.skelda.core.kind.ControlCheck;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Indications;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.kind.Standing;
import org.skelda.core.kind.Start;
import org.skelda.core.line.LineAsk;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Marks;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.seat.SeatAsk;
import org.skelda.core.seat.SeatView;
import org.skelda.core.seat.Seated;

/** Works a departure as a crew would, through the same commands, at times of its own. */
final class ScriptedCrew {
    private static final String REQUEST_HASH = "0".repeat(64);
    private static final double A_LITTLE = 4;

    private final Departures departures;
    private final ScriptedStarts starts;
    private final DemoScript script;
    private final UUID departureId;
    private Instant at;

    ScriptedCrew(Departures departures, ScriptedStarts starts, DemoScript script, UUID departureId, Instant begin) {
        this.departures = departures;
        this.starts = starts;
        this.script = script;
        this.departureId = departureId;
        this.at = begin;
    }

    void seat(Person left, @Nullable Person right) {
        ask(left, Ask.of(new SeatAsk.TakeSeat(Seat.LEFT, Role.FLYING, null)));
        DemoScript.facts(
                        script.news().getOrDefault(FactEvent.Source.CREW, Map.of()),
                        departures.state(departureId).plan())
                .forEach((fact, value) -> ask(left, Ask.of(new FactAsk.GiveFact(fact.id(), value, fact.unit()))));
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
        Person by = whose(state, line, person);
        UnitTap entered = line.head().marks().inertial();
        boolean atHand = state.progress().gate(ref, at).waits().stream()
                .anyMatch(wait -> wait instanceof GateState.Wait.ForUnits(String _, Instant _, boolean hand) && hand);
        if (entered != null && atHand) {
            String stand =
                    new Position(state.opening().latitude_deg(), state.opening().longitude_deg()).words();
            ask(by, Ask.of(new UnitAsk.TellUnits(List.of(), entered, stand, null, at)));
        }
        if (line.kind() instanceof Start start) {
            at = at.plus(starts.start(departureId, start, at));
        }
        if (line.kind() instanceof ControlCheck check) {
            for (ControlCheck.Axis axis : check.axes()) {
                axis.positions().forEach(position -> work(by, ref, new ControlCheck.See(axis.id(), position, true)));
            }
            return;
        }
        if (line.kind() instanceof Indications indications) {
            for (TestPhase phase : indications.test().phases()) {
                for (IndicationGroup group : indications.test().groups()) {
                    work(by, ref, new Indications.SeeGroup(phase.id(), group.id()));
                }
            }
            return;
        }
        work(by, ref, doing(state, ref, line));
        if (line.kind() instanceof Measure measure && measure.spec().charge() != null) {
            // Falling takes two readings.
            work(
                    by,
                    ref,
                    new Measure.Type(reading(ref) - A_LITTLE, measure.spec().unit()));
        }
        if (departures.state(departureId).line(ref).standing(line) == Standing.RESPONDED) {
            work(other(state, by), ref, Doing.Confirm.PLAIN);
        }
    }

    private Doing doing(Departure state, LineRef ref, Line line) {
        return switch (line.kind()) {
            case Measure measure ->
                new Measure.Type(reading(ref), measure.spec().unit());
            case Compare compare -> {
                double near = compare.reference() == null
                        ? 0
                        : known(state, compare.reference().name());
                yield new Compare.TypeAll(
                        IntStream.range(0, compare.of().size())
                                .mapToObj(i -> near + A_LITTLE * i)
                                .toList(),
                        compare.spec().unit());
            }
            case Challenge challenge
            when challenge.match() != null -> {
                double known = state.progress().value(challenge.match().name()).orElseThrow()
                                instanceof Value.Number(double number)
                        ? number
                        : Double.NaN;
                yield new Challenge.Say(known, challenge.match().spec().unit());
            }
            case Choice choice ->
                new Choice.Choose(script.choices()
                        .getOrDefault(
                                ref.toString(), choice.branches().getFirst().id()));
            case Communication said
            when !said.values().isEmpty() ->
                new Communication.Hear(script.heard()
                        .getOrDefault(
                                ref + " " + state.opening().tail(),
                                script.heard().getOrDefault(ref.toString(), Map.of())));
            default -> new Doing.Answer(line.head().marks().agree(), null);
        };
    }

    /** Some lines are one pilot's part alone. */
    private static Person whose(Departure state, Line line, Person person) {
        Role role = switch (line.kind()) {
            case Challenge challenge -> challenge.responder();
            case Callout callout -> callout.speaker().other();
            default -> {
                Marks marks = line.head().marks();
                yield marks.by() == null && marks.notSteering() ? Role.MONITORING : marks.by();
            }
        };
        return state.seats().values().stream()
                .filter(seated -> seated.role() == role)
                .map(Seated::person)
                .findFirst()
                .orElse(person);
    }

    private static Person other(Departure state, Person person) {
        return state.seats().values().stream()
                .map(Seated::person)
                .filter(one -> !one.id().equals(person.id()))
                .findFirst()
                .orElseThrow();
    }

    private static double known(Departure state, String name) {
        return state.progress().value(name).orElse(null) instanceof Value.Number(double number) ? number : Double.NaN;
    }

    private double reading(LineRef ref) {
        Opening opening = departures.state(departureId).opening();
        Map<String, Double> ofType = script.readings().getOrDefault(opening.typeId(), Map.of());
        Double own = ofType.get(ref + " " + opening.tail());
        Double value = own == null ? ofType.get(ref.toString()) : own;
        if (value == null) {
            throw new IllegalStateException("the demo has no reading for " + ref + " of " + opening.typeId());
        }
        return value;
    }

    private void work(Person person, LineRef ref, Doing doing) {
        ask(person, Ask.of(new LineAsk.WorkLine(ref, doing)));
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
