package org.skelda.core.line;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.crew.Beside;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.Hand;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.kind.Standing;
import org.skelda.core.kind.Taking;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.kind.Work;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Marks;
import org.skelda.core.procedure.Procedure;

/**
 * Decides what becomes of a line. Only one who holds a seat works it; a closed gate holds it back; its kind says what
 * can be done with it; what is done starts its clocks.
 */
public final class LineDeciding {
    private final Progress progress;
    private final Beside beside;
    private final double latitude_deg;
    private final Grounds grounds;

    private LineDeciding(Progress progress, Beside beside, double latitude_deg, Grounds grounds) {
        this.progress = progress;
        this.beside = beside;
        this.latitude_deg = latitude_deg;
        this.grounds = grounds;
    }

    /** @param latitude_deg of the stand, which some clocks depend on */
    public static Decision<LineEvent> decide(
            Progress progress, LineAsk ask, Beside beside, double latitude_deg, Grounds grounds) {
        return grounds.seated(() -> new LineDeciding(progress, beside, latitude_deg, grounds).answer(ask));
    }

    private Decision<LineEvent> answer(LineAsk ask) {
        return switch (ask) {
            case LineAsk.WorkLine(LineRef ref, Doing doing) -> on(ref, line -> work(ref, line, doing));
            case LineAsk.Deviate deviation -> on(deviation.line(), line -> deviate(deviation, line));
            case LineAsk.Hold hold -> hold(hold);
            case LineAsk.TakeLines(String procedure, boolean back) -> take(procedure, back);
            case LineAsk.Resume(String procedure) ->
                progress.lines().holds().containsKey(procedure)
                        ? grounds.accept(new LineEvent.ProcedureResumed(procedure))
                        : Decision.refused(new Refusal.NothingThere("That procedure is not on hold."));
            case LineAsk.Undo undo -> on(undo.line(), _ -> undo(undo));
            case LineAsk.ReportChange change ->
                change.words().isBlank()
                        ? Decision.refused(new Refusal.ReasonMissing("a change"))
                        : grounds.accept(new LineEvent.ChangeReported(
                                change.change(), change.words().strip(), progress.undoneBy(change.change())));
        };
    }

    private Decision<LineEvent> on(LineRef ref, Function<Line, Decision<LineEvent>> then) {
        return progress.plan()
                .line(ref)
                .map(line -> grounds.conflictOn(LineEvent.subject(ref))
                        .<Decision<LineEvent>>map(Decision::refused)
                        .orElseGet(() -> then.apply(line)))
                .orElseGet(() -> Decision.refused(new Refusal.UnknownLine(ref.toString())));
    }

    private Decision<LineEvent> work(LineRef ref, Line line, Doing doing) {
        LineRecord record = progress.lines().line(ref);
        Marks marks = line.head().marks();
        if (record.deviation() != null || record.standing(line) == Standing.DONE && !marks.repeatable()) {
            return Decision.refused(grounds.conflict(LineEvent.subject(ref)));
        }
        Hand hand = hand(marks);
        if (marks.by() != null && hand.role() != marks.by() && !hand.alone() && !(doing instanceof Doing.Confirm)) {
            return notTaken(ref, new Why.OthersPart("the pilot " + marks.by().word()));
        }
        if (marks.notSteering() && hand.role() == Role.FLYING && !hand.alone() && progress.moves()) {
            return notTaken(ref, new Why.OthersPart("the pilot who does not steer"));
        }
        if (marks.heldUntilAgreed() && doing instanceof Doing.Confirm confirm) {
            return agree(ref, line, confirm, hand);
        }
        // Before anything else: whoever does the wrong thing hears that, not that it is early for it.
        Taking taking = line.kind().take(doing, record.history(), hand);
        if (taking instanceof Taking.NotTaken(Why.WrongAnswer why)) {
            return notTaken(ref, why);
        }
        if (record.standing(line) == Standing.RESPONDED && !(doing instanceof Doing.Confirm)) {
            return Decision.refused(grounds.conflict(LineEvent.subject(ref)));
        }
        GateState gate = progress.gate(ref, grounds.doneAt());
        if (!gate.open() && !line.kind().isFree(doing)) {
            return Decision.refused(new Refusal.GateClosed(ref, gate));
        }
        return switch (taking) {
            case Taking.NotTaken(Why why) -> notTaken(ref, why);
            case Taking.Taken(Work work) -> worked(ref, line, work);
        };
    }

    private Hand hand(Marks marks) {
        boolean alone = progress.plan().type().pilots().min() == 1 && beside.other() == null;
        return new Hand(
                grounds.actor(),
                beside.role(),
                beside.other(),
                alone,
                marks.agree() && marks.control() != null ? marks.control().label() : null,
                progress,
                this::since,
                progress::charge);
    }

    private @Nullable Duration since(String clock) {
        RunningClock running = progress.lines().clocks().get(clock);
        return running == null ? null : Duration.between(running.startedAt(), grounds.doneAt());
    }

    private static Decision<LineEvent> notTaken(LineRef ref, Why why) {
        return Decision.refused(new Refusal.NotTaken(ref, why));
    }

    /** The other pilot agrees to what was done; one who is alone names the line. */
    private Decision<LineEvent> agree(LineRef ref, Line line, Doing.Confirm confirm, Hand hand) {
        LineRecord record = progress.lines().line(ref);
        if (line.kind().standing(record.history()) != Standing.DONE) {
            return notTaken(ref, new Why.NothingThere("There is nothing to agree to yet."));
        }
        Mark answered = record.answered() == null ? lastMark(record.history()) : record.answered();
        if (hand.alone()) {
            return line.label().equals(confirm.named())
                    ? worked(ref, line, new Work.Agreed(confirm.named()))
                    : notTaken(ref, new Why.AgreementNeeded(line.label(), true));
        }
        return hand.isOwn(answered)
                ? notTaken(ref, new Why.AnotherPersonNeeded())
                : worked(ref, line, new Work.Agreed(null));
    }

    private static Mark lastMark(History history) {
        return Objects.requireNonNull(history.newest()).mark();
    }

    /** What starts with the line starts once it is complete, not with its first half. */
    private Decision<LineEvent> worked(LineRef ref, Line line, Work work) {
        LineRecord after = progress.lines().line(ref).worked(work, here());
        return accepted(
                ref,
                new LineEvent.LineWorked(ref, work),
                after.standing(line) == Standing.DONE ? clocks(line, ref) : List.of());
    }

    private Mark here() {
        return new Mark(grounds.actor(), null, grounds.doneAt(), grounds.at());
    }

    private Decision<LineEvent> deviate(LineAsk.Deviate ask, Line line) {
        if (ask.reason().isBlank()) {
            return Decision.refused(new Refusal.ReasonMissing("a deviation"));
        }
        if (progress.lines().line(ask.line()).completes(line)) {
            return Decision.refused(grounds.conflict(LineEvent.subject(ask.line())));
        }
        GateState gate = progress.gate(ask.line(), grounds.doneAt());
        String guards = gate.open() ? null : gate.guards();
        if (guards != null && !ask.line().line().equals(ask.overrides())) {
            return Decision.refused(new Refusal.OverrideNeeded(ask.line(), guards));
        }
        // What was not done starts nothing.
        return accepted(
                ask.line(),
                new LineEvent.DeviationRecorded(
                        ask.line(), ask.reason().strip(), guards == null ? null : ask.overrides()),
                List.of());
    }

    private Decision<LineEvent> hold(LineAsk.Hold ask) {
        if (progress.plan().procedure(ask.procedure()).isEmpty()) {
            return Decision.refused(new Refusal.UnknownLine(ask.procedure()));
        }
        if (ask.reason().isBlank()) {
            return Decision.refused(new Refusal.ReasonMissing("a hold"));
        }
        if (ask.at() != null && progress.plan().line(ask.at()).isEmpty()) {
            return Decision.refused(new Refusal.UnknownLine(ask.at().toString()));
        }
        return grounds.accept(
                new LineEvent.ProcedureHeld(ask.procedure(), ask.reason().strip(), ask.at()));
    }

    private Decision<LineEvent> take(String id, boolean back) {
        Procedure procedure = progress.plan().procedure(id).orElse(null);
        if (procedure == null) {
            return Decision.refused(new Refusal.UnknownLine(id));
        }
        boolean isTaken = progress.lines().taken().containsKey(id);
        if (back || procedure.seat() == null || procedure.seat() == beside.seat()) {
            return back && isTaken
                    ? grounds.accept(new LineEvent.LinesTaken(id, null))
                    : Decision.refused(new Refusal.NothingThere("These lines are nobody else's to take over."));
        }
        return isTaken
                ? Decision.refused(new Refusal.NothingThere("These lines are taken over already."))
                : grounds.accept(new LineEvent.LinesTaken(id, beside.seat()));
    }

    private Decision<LineEvent> undo(LineAsk.Undo ask) {
        Person by = progress.lines().line(ask.line()).newestBy();
        if (by == null) {
            return Decision.refused(new Refusal.NothingThere("That line has no answer to take back."));
        }
        String reason = ask.reason() == null || ask.reason().isBlank()
                ? null
                : ask.reason().strip();
        if (!grounds.isOwn(by) && reason == null) {
            return Decision.refused(new Refusal.ReasonMissing("taking back the answer of " + by.name()));
        }
        Reopening reopening = Reopening.of(progress, ask.line());
        List<LineEvent> events = new ArrayList<>();
        events.add(new LineEvent.Undone(ask.line(), reason, reopening.lines()));
        reopening.clocks().forEach((clock, line) -> events.add(new LineEvent.ClockCancelled(clock, line)));
        return new Decision.Accepted<>(events);
    }

    /** The clocks that a line starts once it is done. */
    private List<LineEvent> clocks(Line line, LineRef ref) {
        List<LineEvent> started = new ArrayList<>();
        for (String id : line.head().starts()) {
            ClockSpec spec =
                    Objects.requireNonNull(progress.plan().type().clocks().get(id), id);
            started.add(new LineEvent.ClockStarted(id, ref, grounds.doneAt(), spec.durationAt(latitude_deg)));
        }
        return started;
    }

    /** Answering a line of a held procedure comes back to it. */
    private Decision<LineEvent> accepted(LineRef ref, LineEvent event, List<LineEvent> after) {
        List<LineEvent> all = new ArrayList<>();
        if (progress.lines().holds().containsKey(ref.procedure())) {
            all.add(new LineEvent.ProcedureResumed(ref.procedure()));
        }
        all.add(event);
        all.addAll(after);
        return new Decision.Accepted<>(all);
    }
}
