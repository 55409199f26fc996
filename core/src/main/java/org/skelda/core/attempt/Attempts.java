package org.skelda.core.attempt;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.skelda.core.log.LogEntry;
import org.skelda.core.start.Tap;

/**
 * Every attempt to start an engine, from what a feed or the crew told. @param byEngine in their order, by the engine's
 * number
 */
public record Attempts(Map<Integer, List<StartRecord>> byEngine) {
    /** Before any start. */
    public static final Attempts NONE = new Attempts(Map.of());

    /** The attempts on an engine so far, in their order. */
    public List<StartRecord> of(int engine) {
        return byEngine.getOrDefault(engine, List.of());
    }

    /** By engine, then in their order. */
    public List<StartRecord> all() {
        return byEngine.values().stream().flatMap(List::stream).toList();
    }

    /** Engines that came to idle in their newest start. */
    public Set<Integer> idling() {
        return byEngine.entrySet().stream()
                .filter(entry -> !entry.getValue().isEmpty()
                        && entry.getValue().getLast().good())
                .map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Folds one entry in; one of an attempt that is not known changes nothing. */
    public Attempts apply(LogEntry<AttemptEvent> entry) {
        String by = entry.actor().id();
        return switch (entry.event()) {
            case AttemptEvent.AttemptBegan e ->
                changed(e.of().number(), attempts -> attempts.add(StartRecord.began(e)));
            case AttemptEvent.MilestoneReached e ->
                changed(e.of().number(), e.number(), start -> start.reached(e.milestone(), e.at()));
            case AttemptEvent.FindingRaised e ->
                changed(e.of().number(), e.number(), start -> start.found(e.finding()));
            case AttemptEvent.AttemptEnded e -> changed(e.of().number(), e.number(), start -> start.ended(e.summary()));
            case AttemptEvent.TraceStored e -> changed(e.of().number(), e.number(), start -> start.traced(e.sha256()));
            case AttemptEvent.SightLost _ -> this;
            case AttemptEvent.StartTapped e ->
                isPrepared(e) && e.tap() == Tap.STARTER_ON
                        ? changed(e.engine(), e.number(), start -> start.begins(e, by))
                        : isFirst(e)
                                ? changed(e.engine(), attempts -> attempts.add(StartRecord.tapped(e, by)))
                                : changed(e.engine(), e.number(), start -> start.told(e, by));
            case AttemptEvent.StartTapUndone e ->
                isWholeStart(e)
                        ? changed(
                                e.engine(),
                                attempts -> attempts.removeIf(
                                        start -> start.number() == e.number() && start.tapped() != null))
                        : changed(e.engine(), e.number(), start -> start.untold(e));
            case AttemptEvent.StartFiguresTyped e -> changed(e.engine(), e.number(), start -> start.typed(e));
        };
    }

    private boolean isPrepared(AttemptEvent.StartTapped e) {
        return of(e.engine()).stream().anyMatch(start -> start.number() == e.number() && start.isPrepared());
    }

    /** A start begins with its starter's going on, or with its ignition's before that. */
    private boolean isFirst(AttemptEvent.StartTapped e) {
        return e.tap() == Tap.STARTER_ON
                || e.tap() == Tap.IGNITION_ON
                        && of(e.engine()).stream().noneMatch(start -> start.number() == e.number());
    }

    private boolean isWholeStart(AttemptEvent.StartTapUndone e) {
        return e.tap() == Tap.STARTER_ON
                || e.tap() == Tap.IGNITION_ON
                        && of(e.engine()).stream()
                                .anyMatch(start -> start.number() == e.number() && start.isPrepared());
    }

    private Attempts changed(int engine, Consumer<List<StartRecord>> change) {
        List<StartRecord> attempts = new ArrayList<>(of(engine));
        change.accept(attempts);
        Map<Integer, List<StartRecord>> all = new TreeMap<>(byEngine);
        all.put(engine, List.copyOf(attempts));
        return new Attempts(Collections.unmodifiableMap(all));
    }

    private Attempts changed(int engine, int number, UnaryOperator<StartRecord> change) {
        return changed(
                engine,
                attempts -> attempts.replaceAll(start -> start.number() == number ? change.apply(start) : start));
    }
}
