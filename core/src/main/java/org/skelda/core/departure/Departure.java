package org.skelda.core.departure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.LineRef;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.Role;
import org.skelda.core.procedure.Seat;

/**
 * The state of a departure: nothing but the fold of its log. Immutable; the same log gives the same state.
 *
 * @param plan what is worked through
 * @param opening what it was opened with
 * @param openedAt when it was opened
 * @param lifecycle where it stands
 * @param seq the newest event folded in
 * @param at the time of that event
 * @param seats who holds which seat
 * @param lines the record of each touched line
 * @param holds procedures put aside, by id
 * @param clocks started clocks, by id
 * @param touched for each subject the newest event on it
 * @param commands ids of all commands that were accepted
 * @param crew ids of all who ever held a seat
 * @param signedAt when its record was signed; null before
 * @param amendments notes added after signing
 * @param feed that it is watched by, or was last; null when there was none
 * @param starts the attempts on each engine, in their order
 * @param controls the last position of every control that was moved, by its name
 */
public record Departure(
        Plan plan,
        Opening opening,
        Instant openedAt,
        Lifecycle lifecycle,
        long seq,
        Instant at,
        Map<Seat, Seated> seats,
        Map<LineRef, LineRecord> lines,
        Map<String, Held> holds,
        Map<String, RunningClock> clocks,
        Map<String, Long> touched,
        Set<UUID> commands,
        Set<String> crew,
        @Nullable Instant signedAt,
        List<String> amendments,
        @Nullable Feed feed,
        Map<Integer, List<StartRecord>> starts,
        Map<String, String> controls) {

    /**
     * Begins the fold.
     *
     * @param plan the plan whose documents the opening names
     * @param first the log's first entry, an {@link Event.Opened}
     * @throws IllegalArgumentException when the log does not begin with an opening
     */
    public static Departure begin(Plan plan, LogEntry first) {
        if (!(first.event() instanceof Event.Opened(Opening opening)) || first.seq() != 1) {
            throw new IllegalArgumentException("a departure's log begins with Opened as number 1");
        }
        return new Departure(plan, opening, first.at(), Lifecycle.PLANNED, 1, first.at(), Map.of(), Map.of(), Map.of(), Map.of(),
                Map.of(first.event().subject(), 1L), Set.of(first.commandId()), Set.of(), null, List.of(), null, Map.of(), Map.of());
    }

    /** Folds a whole log. @param log at least its first entry, in order */
    public static Departure replay(Plan plan, List<LogEntry> log) {
        Departure departure = begin(plan, log.getFirst());
        for (LogEntry entry : log.subList(1, log.size())) {
            departure = departure.apply(entry);
        }
        return departure;
    }

    /**
     * Folds one entry in.
     *
     * @param entry the one after {@link #seq}
     * @throws IllegalArgumentException when it is not the next one
     */
    public Departure apply(LogEntry entry) {
        if (entry.seq() != seq + 1) {
            throw new IllegalArgumentException("entry " + entry.seq() + " does not follow " + seq);
        }
        return new Fold(this, entry).next();
    }

    public LineRecord line(LineRef ref) {
        return lines.getOrDefault(ref, LineRecord.UNTOUCHED);
    }

    /** Whether a line needs nothing more. @throws IllegalArgumentException when the plan has no such line */
    public boolean complete(LineRef ref) {
        Line line = plan.line(ref).orElseThrow(() -> new IllegalArgumentException("no line " + ref));
        return line(ref).completes(line);
    }

    public boolean complete(Procedure procedure) {
        return procedure.lines().stream().allMatch(line -> line(procedure.ref(line)).completes(line));
    }

    /** Whether a procedure must be worked to its end: an abnormal one only once somebody has begun it. */
    public boolean isNeeded(Procedure procedure) {
        return !procedure.abnormal() || procedure.lines().stream().anyMatch(line -> lines.containsKey(procedure.ref(line)));
    }

    public List<LineRef> openLines() {
        return plan.procedures().stream().filter(this::isNeeded)
                .flatMap(procedure -> procedure.lines().stream().filter(line -> !line(procedure.ref(line)).completes(line)).map(procedure::ref)).toList();
    }

    /** The attempts on an engine so far, in their order. */
    public List<StartRecord> starts(int engine) {
        return starts.getOrDefault(engine, List.of());
    }

    public Optional<Seat> seatOf(Person person) {
        return seats.entrySet().stream().filter(e -> e.getValue().person().id().equals(person.id())).map(Map.Entry::getKey).findFirst();
    }

    /** One step of the fold: the old state, the entry, and copies of what the entry changes. */
    private static final class Fold {
        private final Departure old;
        private final LogEntry entry;
        private Lifecycle lifecycle;
        private Map<Seat, Seated> seats;
        private Map<LineRef, LineRecord> lines;
        private Map<String, Held> holds;
        private Map<String, RunningClock> clocks;
        private Set<String> crew;
        private @Nullable Instant signedAt;
        private List<String> amendments;
        private @Nullable Feed feed;
        private Map<Integer, List<StartRecord>> starts;
        private Map<String, String> controls;

        Fold(Departure old, LogEntry entry) {
            this.old = old;
            this.entry = entry;
            lifecycle = old.lifecycle;
            seats = old.seats;
            lines = old.lines;
            holds = old.holds;
            clocks = old.clocks;
            crew = old.crew;
            signedAt = old.signedAt;
            amendments = old.amendments;
            feed = old.feed;
            starts = old.starts;
            controls = old.controls;
        }

        Departure next() {
            change();
            Map<String, Long> touched = new HashMap<>(old.touched);
            touched.put(entry.event().subject(), entry.seq());
            if (entry.event() instanceof Event.Undone undone) {
                undone.reopened().forEach(ref -> touched.put(Event.line(ref), entry.seq()));
            }
            Set<UUID> commands = old.commands;
            if (!commands.contains(entry.commandId())) {
                commands = new HashSet<>(commands);
                commands.add(entry.commandId());
            }
            return new Departure(old.plan, old.opening, old.openedAt, lifecycle, entry.seq(), entry.at(), seats, lines, holds, clocks, touched,
                    commands, crew, signedAt, amendments, feed, starts, controls);
        }

        private void change() {
            switch (entry.event()) {
                case Event.Opened _ -> throw new IllegalArgumentException("a departure is opened once");
                case Event.SeatTaken e -> {
                    seat(e.seat(), new Seated(e.person(), e.role()));
                    lifecycle = lifecycle == Lifecycle.PLANNED ? Lifecycle.WORKING : lifecycle;
                }
                case Event.SeatReleased e -> {
                    seats = copyOf(seats);
                    seats.remove(e.seat());
                }
                case Event.SeatHandedOver e -> {
                    Seated held = seats.get(e.seat());
                    seat(e.seat(), new Seated(e.to(), held == null ? Role.MONITORING : held.role()));
                }
                case Event.RolesSwapped _ -> {
                    seats = copyOf(seats);
                    seats.replaceAll((_, seated) -> new Seated(seated.person(), seated.role().other()));
                }
                case Event.LineAnswered e -> line(e.line(), old.line(e.line()).answeredBy(mark()));
                case Event.LineMeasured e ->
                    line(e.line(), old.line(e.line()).read(new LineRecord.Reading(mark(), e.value(), e.unit(), e.judgement())));
                case Event.LineConfirmed e -> line(e.line(), old.line(e.line()).confirmedBy(mark()));
                case Event.DeviationRecorded e ->
                    line(e.line(), old.line(e.line()).deviated(new LineRecord.Deviation(mark(), e.reason(), e.overrides())));
                case Event.ProcedureHeld e -> {
                    holds = new HashMap<>(holds);
                    holds.put(e.procedure(), new Held(e.procedure(), e.reason(), e.line(), entry.actor(), entry.happenedAt()));
                }
                case Event.ProcedureResumed e -> {
                    holds = new HashMap<>(holds);
                    holds.remove(e.procedure());
                }
                case Event.ClockStarted e -> {
                    clocks = new HashMap<>(clocks);
                    clocks.put(e.clock(), new RunningClock(e.clock(), e.by(), e.startedAt(), e.duration()));
                }
                case Event.ClockCancelled e -> {
                    clocks = new HashMap<>(clocks);
                    clocks.remove(e.clock());
                }
                case Event.Undone e -> undo(e);
                case Event.Signed _ -> {
                    lifecycle = Lifecycle.SIGNED;
                    signedAt = entry.at();
                }
                case Event.Amended e -> {
                    amendments = new ArrayList<>(amendments);
                    amendments.add(e.text());
                }
                case Event.Abandoned _ -> lifecycle = Lifecycle.ABANDONED;
                case Event.FeedAttached e -> feed = new Feed(e.feed(), e.label(), e.simulated(), entry.at(), null);
                case Event.FeedLost _ -> feed = feed == null ? null : feed.lost(entry.at());
                case Event.ControlTapped e -> {
                    controls = new HashMap<>(controls);
                    controls.put(e.control(), e.position());
                }
                case Event.AttemptBegan _, Event.MilestoneReached _, Event.FindingRaised _, Event.AttemptEnded _, Event.TraceStored _, Event.SightLost _, Event.StartTapped _,
                     Event.StartTapUndone _, Event.StartFiguresTyped _ -> starts = Starts.apply(starts, entry);
            }
        }

        private void undo(Event.Undone undone) {
            lines = new HashMap<>(lines);
            lines.remove(undone.line());
            undone.reopened().forEach(lines::remove);
            boolean left = old.plan.lines().entrySet().stream()
                    .anyMatch(e -> e.getValue().head().marksOffBlock() && lines.containsKey(e.getKey()));
            if (lifecycle == Lifecycle.OFF_BLOCK && !left) {
                lifecycle = Lifecycle.WORKING;
            }
        }

        private LineRecord.Mark mark() {
            return new LineRecord.Mark(entry.actor(), entry.seat(), entry.happenedAt(), entry.at());
        }

        private void line(LineRef ref, LineRecord record) {
            lines = new HashMap<>(lines);
            lines.put(ref, record);
            boolean leaves = old.plan.line(ref).filter(line -> line.head().marksOffBlock() && record.completes(line)).isPresent();
            if (leaves) {
                lifecycle = Lifecycle.OFF_BLOCK;
            }
        }

        private void seat(Seat seat, Seated seated) {
            seats = copyOf(seats);
            seats.put(seat, seated);
            if (!crew.contains(seated.person().id())) {
                crew = new HashSet<>(crew);
                crew.add(seated.person().id());
            }
        }

        private static Map<Seat, Seated> copyOf(Map<Seat, Seated> seats) {
            Map<Seat, Seated> copy = new EnumMap<>(Seat.class);
            copy.putAll(seats);
            return copy;
        }
    }
}
