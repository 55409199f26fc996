package org.skelda.core.line;

import java.util.List;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Mark;
import org.skelda.core.log.LogEntry;

/**
 * What the log holds of a plan's lines.
 *
 * @param records of each touched line
 * @param holds procedures put aside, by id
 * @param clocks started clocks, by id
 * @param taken seats that work another seat's procedure for now, by its id
 */
public record Lines(
        PMap<LineRef, LineRecord> records,
        PMap<String, Held> holds,
        PMap<String, RunningClock> clocks,
        PMap<String, Seat> taken) {
    /** Before any line was worked. */
    public static final Lines UNTOUCHED =
            new Lines(HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty());

    public LineRecord line(LineRef ref) {
        return records.getOrDefault(ref, LineRecord.UNTOUCHED);
    }

    /** Folds one entry in. */
    public Lines apply(LogEntry<LineEvent> entry) {
        Mark mark = new Mark(entry.actor(), entry.seat(), entry.happenedAt(), entry.at());
        return switch (entry.event()) {
            case LineEvent.LineWorked e -> with(e.line(), line(e.line()).worked(e.work(), mark));
            case LineEvent.DeviationRecorded e ->
                with(e.line(), line(e.line()).deviated(new LineRecord.Deviation(mark, e.reason(), e.overrides())));
            case LineEvent.ChangeReported e -> new Lines(records.minusAll(e.reopened()), holds, clocks, taken);
            case LineEvent.Undone e -> without(e.line(), e.reopened());
            case LineEvent.ProcedureHeld e -> {
                Held held = new Held(e.procedure(), e.reason(), e.line(), entry.actor(), entry.happenedAt());
                yield new Lines(records, holds.plus(e.procedure(), held), clocks, taken);
            }
            case LineEvent.ProcedureResumed e -> new Lines(records, holds.minus(e.procedure()), clocks, taken);
            case LineEvent.LinesTaken e ->
                new Lines(
                        records,
                        holds,
                        clocks,
                        e.by() == null ? taken.minus(e.procedure()) : taken.plus(e.procedure(), e.by()));
            case LineEvent.ClockStarted e -> {
                RunningClock running = new RunningClock(e.clock(), e.by(), e.startedAt(), e.duration());
                yield new Lines(records, holds, clocks.plus(e.clock(), running), taken);
            }
            case LineEvent.ClockCancelled e -> new Lines(records, holds, clocks.minus(e.clock()), taken);
        };
    }

    private Lines with(LineRef ref, LineRecord record) {
        return new Lines(records.plus(ref, record), holds, clocks, taken);
    }

    private Lines without(LineRef ref, List<LineRef> others) {
        return new Lines(records.minus(ref).minusAll(others), holds, clocks, taken);
    }
}
