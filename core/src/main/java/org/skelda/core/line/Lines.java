package org.skelda.core.line;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.skelda.core.log.LogEntry;
import org.skelda.core.procedure.LineRef;

/**
 * What the log holds of a plan's lines.
 *
 * @param records of each touched line
 * @param holds procedures put aside, by id
 * @param clocks started clocks, by id
 */
public record Lines(Map<LineRef, LineRecord> records, Map<String, Held> holds, Map<String, RunningClock> clocks) {
    /** Before any line was worked. */
    public static final Lines UNTOUCHED = new Lines(Map.of(), Map.of(), Map.of());

    public Lines {
        records = Map.copyOf(records);
        holds = Map.copyOf(holds);
        clocks = Map.copyOf(clocks);
    }

    public LineRecord line(LineRef ref) {
        return records.getOrDefault(ref, LineRecord.UNTOUCHED);
    }

    /** Folds one entry in. */
    public Lines apply(LogEntry<LineEvent> entry) {
        LineRecord.Mark mark = new LineRecord.Mark(entry.actor(), entry.seat(), entry.happenedAt(), entry.at());
        return switch (entry.event()) {
            case LineEvent.LineAnswered e -> with(e.line(), line(e.line()).answeredBy(mark));
            case LineEvent.LineMeasured e ->
                with(e.line(), line(e.line()).read(new LineRecord.Reading(mark, e.value(), e.unit(), e.judgement())));
            case LineEvent.LineConfirmed e -> with(e.line(), line(e.line()).confirmedBy(mark));
            case LineEvent.DeviationRecorded e ->
                with(e.line(), line(e.line()).deviated(new LineRecord.Deviation(mark, e.reason(), e.overrides())));
            case LineEvent.Undone e -> without(e.line(), e.reopened());
            case LineEvent.ProcedureHeld e ->
                new Lines(
                        records,
                        changed(
                                holds,
                                all -> all.put(
                                        e.procedure(),
                                        new Held(
                                                e.procedure(),
                                                e.reason(),
                                                e.line(),
                                                entry.actor(),
                                                entry.happenedAt()))),
                        clocks);
            case LineEvent.ProcedureResumed e ->
                new Lines(records, changed(holds, all -> all.remove(e.procedure())), clocks);
            case LineEvent.ClockStarted e ->
                new Lines(
                        records,
                        holds,
                        changed(
                                clocks,
                                all -> all.put(
                                        e.clock(), new RunningClock(e.clock(), e.by(), e.startedAt(), e.duration()))));
            case LineEvent.ClockCancelled e -> new Lines(records, holds, changed(clocks, all -> all.remove(e.clock())));
        };
    }

    private Lines with(LineRef ref, LineRecord record) {
        return new Lines(changed(records, all -> all.put(ref, record)), holds, clocks);
    }

    private Lines without(LineRef ref, List<LineRef> others) {
        return new Lines(
                changed(records, all -> {
                    all.remove(ref);
                    others.forEach(all::remove);
                }),
                holds,
                clocks);
    }

    private static <K, V> Map<K, V> changed(Map<K, V> map, Consumer<Map<K, V>> change) {
        Map<K, V> copy = new HashMap<>(map);
        change.accept(copy);
        return copy;
    }
}
