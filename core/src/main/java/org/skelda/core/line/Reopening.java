package org.skelda.core.line;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.kind.History;
import org.skelda.core.kind.LineRef;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;

/**
 * What taking one line back undoes: the clocks it started, and every answered line whose gate it had opened, directly
 * or through others. A line that was passed by a deviation stands on its own reason and stays.
 */
final class Reopening {
    private final Progress progress;
    private final Set<LineRef> reopened = new LinkedHashSet<>();
    private final Map<String, LineRef> cancelled = new LinkedHashMap<>();

    private Reopening(Progress progress) {
        this.progress = progress;
    }

    static Reopening of(Progress progress, LineRef undone) {
        Reopening reopening = new Reopening(progress);
        Deque<LineRef> queue = new ArrayDeque<>(List.of(undone));
        Set<LineRef> seen = new LinkedHashSet<>(Set.of(undone));
        while (!queue.isEmpty()) {
            LineRef ref = queue.poll();
            reopening.cancelClocksOf(ref);
            progress.plan().lines().forEach((other, line) -> {
                if (!seen.contains(other) && reopening.leansOn(other, line, ref)) {
                    seen.add(other);
                    queue.add(other);
                    reopening.reopened.add(other);
                }
            });
        }
        return reopening;
    }

    /** Further lines that are open again, without the undone one. */
    List<LineRef> lines() {
        return List.copyOf(reopened);
    }

    /** Clocks that stop, each with the line that had started it. */
    Map<String, LineRef> clocks() {
        return cancelled;
    }

    private void cancelClocksOf(LineRef ref) {
        progress.lines().clocks().values().stream()
                .filter(clock -> clock.by().equals(ref))
                .forEach(clock -> cancelled.put(clock.clock(), ref));
    }

    private static boolean isBefore(LineRecord record, LineRecord of) {
        History.Done last = record.history().newest();
        History.Done first = of.history().oldest();
        return last != null
                && first != null
                && last.mark().enteredAt().isBefore(first.mark().enteredAt());
    }

    private boolean leansOn(LineRef other, Line line, LineRef ref) {
        LineRecord record = progress.lines().line(other);
        if (record == LineRecord.UNTOUCHED || record.deviation() != null) {
            return false;
        }
        // What was done before it did not lean on it: it had not been needed then.
        if (isBefore(record, progress.lines().line(ref))) {
            return false;
        }
        boolean behindGate = ref.equals(progress.plan().gateBefore(other));
        return behindGate
                || line.head().gate().stream().anyMatch(condition -> switch (condition) {
                    case Condition.ClockElapsed(String clock) -> {
                        RunningClock running = progress.lines().clocks().get(clock);
                        yield running != null && running.by().equals(ref);
                    }
                    case Condition.ProceduresDone(List<String> procedures) -> procedures.contains(ref.procedure());
                    case Condition.StrandsJoined() ->
                        progress.plan().joining(other).stream()
                                .anyMatch(procedure -> procedure.id().equals(ref.procedure()));
                    case Condition.WithinLimits(LineRef measured) -> measured.equals(ref);
                    case Condition.ApuAt _, Condition.UnitsAt _ -> false;
                    case Condition.LineDone(LineRef done) -> done.equals(ref);
                });
    }
}
