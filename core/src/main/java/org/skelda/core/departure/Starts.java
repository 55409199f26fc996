package org.skelda.core.departure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.skelda.core.start.Tap;

/** The part of the fold that concerns engine starts: every attempt by engine, from what a feed or the crew told. */
public final class Starts {
    private Starts() {}

    /** The starts that a whole log tells, by engine. @param log in order */
    public static Map<Integer, List<StartRecord>> of(List<LogEntry> log) {
        Map<Integer, List<StartRecord>> starts = Map.of();
        for (LogEntry entry : log) {
            starts = apply(starts, entry);
        }
        return new TreeMap<>(starts);
    }

    /** Folds one entry in; one that concerns no start, or an attempt that is not known, changes nothing. */
    static Map<Integer, List<StartRecord>> apply(Map<Integer, List<StartRecord>> starts, LogEntry entry) {
        return switch (entry.event()) {
            case Event.AttemptBegan e -> changed(starts, e.of().number(), attempts -> attempts.add(StartRecord.began(e)));
            case Event.MilestoneReached e -> changed(starts, e.of().number(), e.number(), start -> start.reached(e.milestone(), e.at()));
            case Event.FindingRaised e -> changed(starts, e.of().number(), e.number(), start -> start.found(e.finding()));
            case Event.AttemptEnded e -> changed(starts, e.of().number(), e.number(), start -> start.ended(e.summary()));
            case Event.TraceStored e -> changed(starts, e.of().number(), e.number(), start -> start.traced(e.sha256()));
            case Event.StartTapped e -> isPrepared(starts, e) && e.tap() == Tap.STARTER_ON
                    ? changed(starts, e.engine(), e.number(), start -> start.begins(e, entry.actor().id()))
                    : isFirst(starts, e) ? changed(starts, e.engine(), attempts -> attempts.add(StartRecord.tapped(e, entry.actor().id())))
                    : changed(starts, e.engine(), e.number(), start -> start.told(e, entry.actor().id()));
            case Event.StartTapUndone e -> isWholeStart(starts, e)
                    ? changed(starts, e.engine(), attempts -> attempts.removeIf(start -> start.number() == e.number() && start.tapped() != null))
                    : changed(starts, e.engine(), e.number(), start -> start.untold(e));
            case Event.StartFiguresTyped e -> changed(starts, e.engine(), e.number(), start -> start.typed(e));
            default -> starts;
        };
    }

    private static boolean isPrepared(Map<Integer, List<StartRecord>> starts, Event.StartTapped e) {
        return starts.getOrDefault(e.engine(), List.of()).stream().anyMatch(start -> start.number() == e.number() && start.isPrepared());
    }

    /** A start begins with its starter's going on, or with its ignition's before that. */
    private static boolean isFirst(Map<Integer, List<StartRecord>> starts, Event.StartTapped e) {
        return e.tap() == Tap.STARTER_ON
                || e.tap() == Tap.IGNITION_ON && starts.getOrDefault(e.engine(), List.of()).stream().noneMatch(start -> start.number() == e.number());
    }

    private static boolean isWholeStart(Map<Integer, List<StartRecord>> starts, Event.StartTapUndone e) {
        return e.tap() == Tap.STARTER_ON
                || e.tap() == Tap.IGNITION_ON && starts.getOrDefault(e.engine(), List.of()).stream().anyMatch(start -> start.number() == e.number() && start.isPrepared());
    }

    private static Map<Integer, List<StartRecord>> changed(Map<Integer, List<StartRecord>> starts, int engine, Consumer<List<StartRecord>> change) {
        List<StartRecord> attempts = new ArrayList<>(starts.getOrDefault(engine, List.of()));
        change.accept(attempts);
        Map<Integer, List<StartRecord>> all = new HashMap<>(starts);
        all.put(engine, List.copyOf(attempts));
        return all;
    }

    private static Map<Integer, List<StartRecord>> changed(Map<Integer, List<StartRecord>> starts, int engine, int number, UnaryOperator<StartRecord> change) {
        return changed(starts, engine, attempts -> attempts.replaceAll(start -> start.number() == number ? change.apply(start) : start));
    }
}
