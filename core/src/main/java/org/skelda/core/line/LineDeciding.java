package org.skelda.core.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.kind.LineRef;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.Judgement;
import org.skelda.core.procedure.ClockSpec;
import org.skelda.core.procedure.GateState;
import org.skelda.core.procedure.Line;

/**
 * Decides what becomes of a line. Only one who holds a seat works it; a closed gate holds it back; what is done starts
 * its clocks.
 */
public final class LineDeciding {
    private final Progress progress;
    private final double latitude_deg;
    private final Grounds grounds;

    private LineDeciding(Progress progress, double latitude_deg, Grounds grounds) {
        this.progress = progress;
        this.latitude_deg = latitude_deg;
        this.grounds = grounds;
    }

    /** @param latitude_deg of the stand, which some clocks depend on */
    public static Decision<LineEvent> decide(Progress progress, LineAsk ask, double latitude_deg, Grounds grounds) {
        return grounds.seated(() -> new LineDeciding(progress, latitude_deg, grounds).answer(ask));
    }

    private Decision<LineEvent> answer(LineAsk ask) {
        return switch (ask) {
            case LineAsk.AnswerLine(LineRef ref) -> on(ref, line -> answerLine(ref, line));
            case LineAsk.MeasureLine measured -> on(measured.line(), line -> measure(measured, line));
            case LineAsk.ConfirmLine(LineRef ref) -> on(ref, line -> confirm(ref, line));
            case LineAsk.Deviate deviation -> on(deviation.line(), line -> deviate(deviation, line));
            case LineAsk.Hold hold -> hold(hold);
            case LineAsk.Resume(String procedure) ->
                progress.lines().holds().containsKey(procedure)
                        ? grounds.accept(new LineEvent.ProcedureResumed(procedure))
                        : Decision.refused(new Refusal.NothingThere("That procedure is not on hold."));
            case LineAsk.Undo undo -> on(undo.line(), _ -> undo(undo));
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

    private Decision<LineEvent> answerLine(LineRef ref, Line line) {
        if (line instanceof Line.Measure) {
            return Decision.refused(new Refusal.WrongAnswer(ref, "a measured value"));
        }
        Refusal standing = standing(ref, line);
        // The response to a challenge is half of it: what it starts waits for the confirmation.
        return standing != null
                ? Decision.refused(standing)
                : accepted(
                        ref,
                        new LineEvent.LineAnswered(ref),
                        line instanceof Line.Challenge ? List.of() : clocks(ref, line));
    }

    private Decision<LineEvent> measure(LineAsk.MeasureLine ask, Line line) {
        if (!(line instanceof Line.Measure measured)) {
            return Decision.refused(new Refusal.WrongAnswer(ask.line(), "a tick without a value"));
        }
        if (!measured.spec().unit().equals(ask.unit())) {
            return Decision.refused(
                    new Refusal.UnknownUnit(ask.unit(), measured.spec().unit()));
        }
        Refusal standing = standing(ask.line(), line);
        if (standing != null) {
            return Decision.refused(standing);
        }
        Judgement judgement = measured.spec().judge(ask.value());
        boolean done = judgement.verdict() != Judgement.Verdict.OUTSIDE;
        return accepted(
                ask.line(),
                new LineEvent.LineMeasured(ask.line(), ask.value(), ask.unit(), judgement),
                done ? clocks(ask.line(), line) : List.of());
    }

    private Decision<LineEvent> confirm(LineRef ref, Line line) {
        LineRecord record = progress.lines().line(ref);
        if (!(line instanceof Line.Challenge)) {
            return Decision.refused(new Refusal.WrongAnswer(ref, "a tick or a value, not a confirmation"));
        }
        if (record.answered() == null) {
            return Decision.refused(new Refusal.NothingThere("The challenge has no response yet."));
        }
        if (record.completes(line)) {
            return Decision.refused(grounds.conflict(LineEvent.subject(ref)));
        }
        if (grounds.isOwn(record.answered().by())) {
            return Decision.refused(new Refusal.AnotherPersonNeeded(ref));
        }
        return accepted(ref, new LineEvent.LineConfirmed(ref), clocks(ref, line));
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

    /** Why a line cannot be answered as it stands: complete already, answered already, or its gate is closed. */
    private @Nullable Refusal standing(LineRef ref, Line line) {
        LineRecord record = progress.lines().line(ref);
        if (record.completes(line) || record.answered() != null) {
            return grounds.conflict(LineEvent.subject(ref));
        }
        GateState gate = progress.gate(ref, grounds.doneAt());
        return gate.open() ? null : new Refusal.GateClosed(ref, gate);
    }

    /** The clocks that a line starts once it is done. */
    private List<LineEvent> clocks(LineRef ref, Line line) {
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
