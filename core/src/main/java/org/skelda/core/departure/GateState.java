package org.skelda.core.departure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.procedure.Condition;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineRef;

/**
 * Whether a line may be answered at a time, and what it waits for.
 *
 * @param waits what does not hold yet; empty when the gate is open
 * @param guards what is destroyed or hurt by going on now; null when nothing is
 */
public record GateState(List<Wait> waits, @Nullable String guards) {

    public GateState {
        waits = List.copyOf(waits);
    }

    /** One thing a closed gate waits for. */
    public sealed interface Wait {
        /** A running clock. @param opensAt when it runs out */
        record ForClock(String clock, Instant opensAt) implements Wait {}

        /** A clock that no line has started. */
        record ForClockStart(String clock) implements Wait {}

        /** A procedure with open lines. */
        record ForProcedure(String procedure) implements Wait {}

        /** A reading inside its limits. */
        record ForReading(LineRef line) implements Wait {}

        /** Another line. */
        record ForLine(LineRef line) implements Wait {}

        /** An engine that has not come to idle. */
        record ForIdle(int engine) implements Wait {}
    }

    public boolean open() {
        return waits.isEmpty();
    }

    /** When it opens by the passing of time alone; empty when something must be done first, or when it is open. */
    public Optional<Instant> opensAt() {
        Instant latest = null;
        for (Wait wait : waits) {
            if (!(wait instanceof Wait.ForClock(String _, Instant opensAt))) {
                return Optional.empty();
            }
            latest = latest == null || opensAt.isAfter(latest) ? opensAt : latest;
        }
        return Optional.ofNullable(latest);
    }

    /**
     * @param departure the state
     * @param ref a line of its plan
     * @param at the time asked about
     */
    static GateState of(Departure departure, LineRef ref, Instant at) {
        Line line = departure.plan().line(ref).orElseThrow(() -> new IllegalArgumentException("no line " + ref));
        List<Wait> waits = new ArrayList<>();
        String guards = null;
        Optional<LineRef> before = departure.plan().gateBefore(ref).filter(gate -> !departure.complete(gate));
        if (before.isPresent()) {
            waits.add(new Wait.ForLine(before.get()));
            guards = departure.plan().line(before.get()).map(gate -> gate.head().guards()).orElse(null);
        }
        int own = waits.size();
        line.head().gate().forEach(condition -> addUnmet(departure, condition, at, waits));
        if (line instanceof Line.Start start && departure.starts(start.engine()).stream().reduce((_, last) -> last).filter(StartRecord::good).isEmpty()) {
            waits.add(new Wait.ForIdle(start.engine()));
        }
        if (waits.size() > own && line.head().guards() != null) {
            guards = line.head().guards();
        }
        return new GateState(waits, guards);
    }

    private static void addUnmet(Departure departure, Condition condition, Instant at, List<Wait> waits) {
        switch (condition) {
            case Condition.ClockElapsed(String clock) -> {
                RunningClock running = departure.clocks().get(clock);
                if (running == null) {
                    waits.add(new Wait.ForClockStart(clock));
                } else if (!running.elapsedAt(at)) {
                    waits.add(new Wait.ForClock(clock, running.opensAt()));
                }
            }
            case Condition.ProceduresDone(List<String> procedures) -> procedures.stream()
                    .flatMap(id -> departure.plan().procedure(id).stream())
                    .filter(procedure -> !departure.complete(procedure))
                    .forEach(procedure -> waits.add(new Wait.ForProcedure(procedure.id())));
            case Condition.WithinLimits(LineRef measured) -> {
                LineRecord.Reading reading = departure.line(measured).reading();
                if (reading == null || !reading.withinLimits()) {
                    waits.add(new Wait.ForReading(measured));
                }
            }
            case Condition.LineDone(LineRef other) -> {
                if (!departure.complete(other)) {
                    waits.add(new Wait.ForLine(other));
                }
            }
        }
    }
}
