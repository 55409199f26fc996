package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.measure.Judgement;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.procedure.ClockSpec;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Seat;

/** Turns a command into events or a refusal. Pure: the state, the command, who asks and the time are all it knows. */
public final class Deciding {
    private static final Duration USUAL_WORK_BEFORE_OFF_BLOCK = Duration.ofHours(2);

    private final Departure departure;
    private final Command command;
    private final Person actor;
    private final Instant at;
    private final Instant doneAt;

    private Deciding(Departure departure, Command command, Person actor, Instant at) {
        this.departure = departure;
        this.command = command;
        this.actor = actor;
        this.at = at.isBefore(departure.at()) ? departure.at() : at;
        this.doneAt = command.doneAt() == null ? this.at : command.doneAt();
    }

    /**
     * @param departure the state to decide on
     * @param command what is asked
     * @param actor who asks
     * @param at the time of acceptance; a time before the log's newest entry counts as that entry's time
     * @return the events to append, or why not, or that it was accepted before
     */
    public static Decision decide(Departure departure, Command command, Person actor, Instant at) {
        return new Deciding(departure, command, actor, at).decide();
    }

    private Decision decide() {
        if (departure.commands().contains(command.id())) {
            return new Decision.Repeated();
        }
        Refusal closed = closedFor(command.ask());
        if (closed != null) {
            return refused(closed);
        }
        if (doneAt.isAfter(at) || doneAt.isBefore(earliestWork())) {
            return refused(new Refusal.ImpossibleTime(doneAt, earliestWork(), at));
        }
        try {
            return answer();
        } catch (OutOfRange e) {
            return refused(new Refusal.ImpossibleValue(e.quantity(), e.value(), e.min(), e.max(), e.unit(), e.todo()));
        }
    }

    /** The earliest time a late entry may carry: the opening, or the usual start of the work if that is earlier. */
    private Instant earliestWork() {
        Instant usual = departure.opening().offBlock().minus(USUAL_WORK_BEFORE_OFF_BLOCK);
        return usual.isBefore(departure.openedAt()) ? usual : departure.openedAt();
    }

    private @Nullable Refusal closedFor(Ask ask) {
        boolean amends = ask instanceof Ask.Amend;
        if (amends) {
            return departure.lifecycle() == Lifecycle.SIGNED ? null : new Refusal.NotSigned(departure.lifecycle());
        }
        return departure.lifecycle().closed() ? new Refusal.Closed(departure.lifecycle()) : null;
    }

    private Decision answer() {
        return switch (command.ask()) {
            case Ask.TakeSeat ask -> takeSeat(ask);
            case Ask.ReleaseSeat(Seat seat) -> ownSeat(seat).<Decision>map(Deciding::refused)
                    .orElseGet(() -> guarded(new Event.SeatReleased(seat)));
            case Ask.HandOverSeat(Seat seat, Person to) -> handOver(seat, to);
            case Ask.SwapRoles() -> seated(() -> guarded(new Event.RolesSwapped()));
            case Ask.AnswerLine(LineRef ref) -> onLine(ref, line -> answerLine(ref, line));
            case Ask.MeasureLine ask -> onLine(ask.line(), line -> measure(ask, line));
            case Ask.ConfirmLine(LineRef ref) -> onLine(ref, line -> confirm(ref, line));
            case Ask.Deviate ask -> onLine(ask.line(), line -> deviate(ask, line));
            case Ask.Hold ask -> seated(() -> hold(ask));
            case Ask.Resume(String procedure) -> seated(() -> departure.holds().containsKey(procedure)
                    ? guarded(new Event.ProcedureResumed(procedure))
                    : refused(new Refusal.NothingThere("That procedure is not on hold.")));
            case Ask.Undo ask -> onLine(ask.line(), _ -> undo(ask));
            case Ask.TapControl ask -> seated(() -> tapControl(ask));
            case Ask.TapStart ask -> seated(() -> taps().tap(ask));
            case Ask.UndoTap ask -> seated(() -> taps().undo(ask));
            case Ask.TypeFigures ask -> seated(() -> taps().type(ask));
            case Ask.Sign() -> seated(this::sign);
            case Ask.Amend(String text, boolean office) -> !office && !departure.crew().contains(actor.id()) ? refused(new Refusal.NotOfThisCrew())
                    : text.isBlank() ? refused(new Refusal.ReasonMissing("an amendment"))
                    : Decision.Accepted.of(new Event.Amended(text.strip()));
            case Ask.Abandon(String reason) -> seated(() -> reason.isBlank()
                    ? refused(new Refusal.ReasonMissing("giving the departure up"))
                    : guarded(new Event.Abandoned(reason.strip())));
        };
    }

    private Decision takeSeat(Ask.TakeSeat ask) {
        Optional<Seat> own = departure.seatOf(actor);
        if (own.isPresent()) {
            return refused(new Refusal.AlreadySeated(own.get(), actor));
        }
        Seated other = departure.seats().get(ask.seat().other());
        if (other != null && other.role() == ask.role()) {
            return refused(new Refusal.SeatHeld(ask.seat().other(), other.person()));
        }
        Seated holder = departure.seats().get(ask.seat());
        if (holder == null) {
            return guarded(new Event.SeatTaken(ask.seat(), ask.role(), actor, null, null));
        }
        if (ask.reason() == null || ask.reason().isBlank()) {
            return refused(new Refusal.SeatHeld(ask.seat(), holder.person()));
        }
        return guarded(new Event.SeatTaken(ask.seat(), ask.role(), actor, holder.person(), ask.reason().strip()));
    }

    private Optional<Refusal> ownSeat(Seat seat) {
        Seated holder = departure.seats().get(seat);
        if (holder != null && holder.person().id().equals(actor.id())) {
            return Optional.empty();
        }
        return Optional.of(new Refusal.NotYourSeat(seat, holder == null ? null : holder.person()));
    }

    private Decision handOver(Seat seat, Person to) {
        Optional<Refusal> notOwn = ownSeat(seat);
        if (notOwn.isPresent()) {
            return refused(notOwn.get());
        }
        Optional<Seat> held = departure.seatOf(to);
        return held.isPresent()
                ? refused(new Refusal.AlreadySeated(held.get(), to))
                : guarded(new Event.SeatHandedOver(seat, actor, to));
    }

    private Decision seated(java.util.function.Supplier<Decision> then) {
        return departure.seatOf(actor).isEmpty() ? refused(new Refusal.NotSeated()) : then.get();
    }

    private Decision onLine(LineRef ref, java.util.function.Function<Line, Decision> then) {
        return seated(() -> departure.plan().line(ref).map(line -> conflictOn(Event.line(ref)).<Decision>map(Deciding::refused)
                        .orElseGet(() -> then.apply(line)))
                .orElseGet(() -> refused(new Refusal.UnknownLine(ref.toString()))));
    }

    private Decision answerLine(LineRef ref, Line line) {
        if (line instanceof Line.Measure) {
            return refused(new Refusal.WrongAnswer(ref, "a measured value"));
        }
        Refusal standing = standing(ref, line);
        return standing != null ? refused(standing) : completing(ref, line, new Event.LineAnswered(ref));
    }

    private Decision measure(Ask.MeasureLine ask, Line line) {
        if (!(line instanceof Line.Measure measured)) {
            return refused(new Refusal.WrongAnswer(ask.line(), "a tick without a value"));
        }
        if (!measured.spec().unit().equals(ask.unit())) {
            return refused(new Refusal.UnknownUnit(ask.unit(), measured.spec().unit()));
        }
        Refusal standing = standing(ask.line(), line);
        if (standing != null) {
            return refused(standing);
        }
        Judgement judgement = measured.spec().judge(ask.value());
        Event event = new Event.LineMeasured(ask.line(), ask.value(), ask.unit(), judgement);
        return judgement.verdict() == Judgement.Verdict.OUTSIDE
                ? accepted(resumed(ask.line()), List.of(event), List.of())
                : completing(ask.line(), line, event);
    }

    private Decision confirm(LineRef ref, Line line) {
        LineRecord record = departure.line(ref);
        if (!(line instanceof Line.Challenge)) {
            return refused(new Refusal.WrongAnswer(ref, "a tick or a value, not a confirmation"));
        }
        if (record.answered() == null) {
            return refused(new Refusal.NothingThere("The challenge has no response yet."));
        }
        if (record.completes(line)) {
            return refused(new Refusal.Conflict(Event.line(ref), newest(Event.line(ref))));
        }
        if (record.answered().by().id().equals(actor.id())) {
            return refused(new Refusal.AnotherPersonNeeded(ref));
        }
        return completing(ref, line, new Event.LineConfirmed(ref));
    }

    private Decision deviate(Ask.Deviate ask, Line line) {
        if (ask.reason().isBlank()) {
            return refused(new Refusal.ReasonMissing("a deviation"));
        }
        if (departure.line(ask.line()).completes(line)) {
            return refused(new Refusal.Conflict(Event.line(ask.line()), newest(Event.line(ask.line()))));
        }
        GateState gate = GateState.of(departure, ask.line(), doneAt);
        if (!gate.open() && gate.guards() != null && !ask.line().line().equals(ask.overrides())) {
            return refused(new Refusal.OverrideNeeded(ask.line(), gate.guards()));
        }
        String overrides = !gate.open() && gate.guards() != null ? ask.overrides() : null;
        return completing(ask.line(), line, new Event.DeviationRecorded(ask.line(), ask.reason().strip(), overrides));
    }

    private Decision hold(Ask.Hold ask) {
        if (departure.plan().procedure(ask.procedure()).isEmpty()) {
            return refused(new Refusal.UnknownLine(ask.procedure()));
        }
        if (ask.reason().isBlank()) {
            return refused(new Refusal.ReasonMissing("a hold"));
        }
        if (ask.at() != null && departure.plan().line(ask.at()).isEmpty()) {
            return refused(new Refusal.UnknownLine(ask.at().toString()));
        }
        return guarded(new Event.ProcedureHeld(ask.procedure(), ask.reason().strip(), ask.at()));
    }

    private Decision undo(Ask.Undo ask) {
        Person by = departure.line(ask.line()).newestBy();
        if (by == null) {
            return refused(new Refusal.NothingThere("That line has no answer to take back."));
        }
        boolean reasoned = ask.reason() != null && !ask.reason().isBlank();
        if (!by.id().equals(actor.id()) && !reasoned) {
            return refused(new Refusal.ReasonMissing("taking back the answer of " + by.name()));
        }
        Reopening reopening = Reopening.of(departure, ask.line());
        List<Event> cancelled = new ArrayList<>();
        reopening.clocks().forEach((clock, line) -> cancelled.add(new Event.ClockCancelled(clock, line)));
        Event undone = new Event.Undone(ask.line(), reasoned ? ask.reason().strip() : null, reopening.lines());
        return accepted(List.of(), List.of(undone), cancelled);
    }

    /** The controls are the simulator's; with a real aircraft's feed there are none. */
    private Decision tapControl(Ask.TapControl ask) {
        Feed feed = departure.feed();
        if (feed == null || !feed.simulated()) {
            return refused(new Refusal.NothingThere("No simulated aircraft is attached; its controls are not here."));
        }
        return guarded(new Event.ControlTapped(ask.control(), ask.position()));
    }

    private DecidingTaps taps() {
        return new DecidingTaps(departure, actor, at, command.seen());
    }

    private Decision sign() {
        List<LineRef> open = departure.openLines();
        return open.isEmpty() && departure.lifecycle() == Lifecycle.OFF_BLOCK
                ? guarded(new Event.Signed())
                : refused(new Refusal.NotReadyToSign(open));
    }

    /** Why a line cannot be answered as it stands: complete already, answered already, or its gate is closed. */
    private @Nullable Refusal standing(LineRef ref, Line line) {
        LineRecord record = departure.line(ref);
        if (record.completes(line) || record.answered() != null) {
            return new Refusal.Conflict(Event.line(ref), newest(Event.line(ref)));
        }
        GateState gate = GateState.of(departure, ref, doneAt);
        return gate.open() ? null : new Refusal.GateClosed(ref, gate);
    }

    /** Accepts an event on a line; starts the line's clocks if it is done. What was not done starts nothing. */
    private Decision completing(LineRef ref, Line line, Event event) {
        boolean completes = !(event instanceof Event.DeviationRecorded)
                && !(event instanceof Event.LineAnswered && line instanceof Line.Challenge);
        List<Event> clocks = new ArrayList<>();
        if (completes) {
            for (String id : line.head().starts()) {
                ClockSpec spec = departure.plan().type().clocks().get(id);
                clocks.add(new Event.ClockStarted(id, ref, doneAt, spec.durationAt(departure.opening().latitude_deg())));
            }
        }
        return accepted(resumed(ref), List.of(event), clocks);
    }

    /** Answering a line of a held procedure comes back to it. */
    private List<Event> resumed(LineRef ref) {
        return departure.holds().containsKey(ref.procedure()) ? List.of(new Event.ProcedureResumed(ref.procedure())) : List.of();
    }

    private static Decision accepted(List<Event> before, List<Event> events, List<Event> after) {
        List<Event> all = new ArrayList<>(before);
        all.addAll(events);
        all.addAll(after);
        return new Decision.Accepted(all);
    }

    /** Accepts an event unless something newer touched its subject. */
    private Decision guarded(Event event) {
        return conflictOn(event.subject()).<Decision>map(Deciding::refused).orElseGet(() -> Decision.Accepted.of(event));
    }

    private Optional<Refusal> conflictOn(String subject) {
        long newest = newest(subject);
        return newest > command.seen() ? Optional.of(new Refusal.Conflict(subject, newest)) : Optional.empty();
    }

    private long newest(String subject) {
        return departure.touched().getOrDefault(subject, 0L);
    }

    private static Decision refused(Refusal refusal) {
        return new Decision.Refused(refusal);
    }
}
