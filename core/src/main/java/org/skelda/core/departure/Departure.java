package org.skelda.core.departure;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pcollections.HashTreePMap;
import org.pcollections.HashTreePSet;
import org.pcollections.PMap;
import org.pcollections.PSet;
import org.skelda.core.aligning.Units;
import org.skelda.core.aligning.UnitsOfLines;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.Position;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuOfLines;
import org.skelda.core.attempt.Attempts;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.clock.RunningClock;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.fact.Facts;
import org.skelda.core.feed.Feed;
import org.skelda.core.indications.Indication;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.Held;
import org.skelda.core.line.LineRecord;
import org.skelda.core.line.Lines;
import org.skelda.core.line.Progress;
import org.skelda.core.line.Readings;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.LogEntry;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.core.record.Signing;
import org.skelda.core.seat.Seated;
import org.skelda.core.seat.Seats;
import org.skelda.core.simulator.Controls;

/**
 * The state of a departure: nothing but the fold of its log, room by room. Immutable; the same log gives the same
 * state.
 *
 * @param plan what is worked through
 * @param opening what it was opened with
 * @param openedAt when it was opened
 * @param seq the newest event folded in
 * @param at the time of that event
 * @param touched for each subject the newest event on it
 * @param commands ids of all commands that were accepted
 * @param signing whether its record is closed
 * @param seating who sits where
 * @param lines what was worked of the plan
 * @param feed that it is watched by, or was last; null when there was none
 * @param attempts to start its engines
 * @param apu what was told of its APU; null when the type has none
 * @param units what was told of its inertial units; null when the type has none
 * @param facts of the day
 * @param controls of the simulated aircraft
 */
public record Departure(
        Plan plan,
        Opening opening,
        Instant openedAt,
        long seq,
        Instant at,
        PMap<String, Long> touched,
        PSet<UUID> commands,
        Signing signing,
        Seats seating,
        Lines lines,
        @Nullable Feed feed,
        Attempts attempts,
        @Nullable ApuHistory apu,
        @Nullable Units units,
        Facts facts,
        Controls controls) {

    /**
     * Begins the fold.
     *
     * @param plan the plan whose documents the opening names
     * @param first the log's first entry, an {@link RecordEvent.Opened}
     * @throws IllegalArgumentException when the log does not begin with an opening
     */
    public static Departure begin(Plan plan, LogEntry<Event> first) {
        if (!(first.event() instanceof Event.OfRecord(RecordEvent.Opened(Opening opening))) || first.seq() != 1) {
            throw new IllegalArgumentException("a departure's log begins with Opened as number 1");
        }
        ApuProfile apu = plan.type().apu();
        InertialProfile inertial = plan.type().inertial();
        return new Departure(
                plan,
                opening,
                first.at(),
                1,
                first.at(),
                HashTreePMap.singleton(first.event().subject(), 1L),
                HashTreePSet.singleton(first.commandId()),
                Signing.OPEN,
                Seats.EMPTY,
                Lines.UNTOUCHED,
                null,
                Attempts.NONE,
                apu == null ? null : ApuHistory.begin(apu.rule(), first.at()),
                inertial == null
                        ? null
                        : Units.begin(
                                inertial, new Position(opening.latitude_deg(), opening.longitude_deg()), first.at()),
                Facts.NONE,
                Controls.UNTOUCHED);
    }

    /** Folds a whole log. @param log at least its first entry, in order */
    public static Departure replay(Plan plan, List<LogEntry<Event>> log) {
        Departure departure = begin(plan, log.getFirst());
        for (LogEntry<Event> entry : log.subList(1, log.size())) {
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
    public Departure apply(LogEntry<Event> entry) {
        if (entry.seq() != seq + 1) {
            throw new IllegalArgumentException("entry " + entry.seq() + " does not follow " + seq);
        }
        PMap<String, Long> newest = touched;
        for (String subject : entry.event().touches()) {
            newest = newest.plus(subject, entry.seq());
        }
        Departure next = new Departure(
                plan,
                opening,
                openedAt,
                entry.seq(),
                entry.at(),
                newest,
                commands.plus(entry.commandId()),
                signing,
                seating,
                lines,
                feed,
                attempts,
                apu,
                units,
                facts,
                controls);
        return switch (entry.event()) {
            case Event.OfRecord(var fact) -> next.with(signing.apply(entry.with(fact)));
            case Event.OfSeat(var fact) -> next.with(seating.apply(entry.with(fact)));
            case Event.OfLine(var fact) -> next.with(lines.apply(entry.with(fact)));
            case Event.OfAttempt(var fact) -> next.with(attempts.apply(entry.with(fact)));
            case Event.OfApu(var fact) -> apu == null ? next : next.with(apu.apply(entry.with(fact)));
            case Event.OfUnits(var fact) -> units == null ? next : next.with(units.apply(entry.with(fact)));
            case Event.OfFeed(var fact) -> next.with(Feed.apply(feed, entry.with(fact)));
            case Event.OfFact(var fact) -> next.with(facts.apply(entry.with(fact)));
            case Event.OfSimulator(var fact) -> next.with(controls.apply(entry.with(fact)));
        };
    }

    private Departure with(Signing changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, changed, seating, lines, feed, attempts, apu,
                units, facts, controls);
    }

    private Departure with(Seats changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, changed, lines, feed, attempts, apu,
                units, facts, controls);
    }

    private Departure with(Lines changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, changed, feed, attempts, apu,
                units, facts, controls);
    }

    private Departure with(Attempts changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, feed, changed, apu, units,
                facts, controls);
    }

    private Departure with(@Nullable ApuHistory changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, feed, attempts, changed,
                units, facts, controls);
    }

    private Departure with(@Nullable Units changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, feed, attempts, apu,
                changed, facts, controls);
    }

    private Departure with(@Nullable Feed changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, changed, attempts, apu,
                units, facts, controls);
    }

    private Departure with(Facts changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, feed, attempts, apu,
                units, changed, controls);
    }

    private Departure with(Controls changed) {
        return new Departure(
                plan, opening, openedAt, seq, at, touched, commands, signing, seating, lines, feed, attempts, apu,
                units, facts, changed);
    }

    /** Where it stands. */
    public Lifecycle lifecycle() {
        if (signing.signedAt() != null) {
            return Lifecycle.SIGNED;
        }
        if (signing.abandoned()) {
            return Lifecycle.ABANDONED;
        }
        if (progress().hasLeft()) {
            return Lifecycle.OFF_BLOCK;
        }
        return seating.crew().isEmpty() ? Lifecycle.PLANNED : Lifecycle.WORKING;
    }

    /** What the aircraft's feed tells of its lights is known beside the day. */
    private Known lights(Known day) {
        Set<String> lights = feed == null ? null : feed.lights();
        return lights == null
                ? day
                : name -> {
                    String light = Indication.named(name);
                    return light == null ? day.value(name) : Optional.of(new Value.YesNo(lights.contains(light)));
                };
    }

    /** The plan and what was worked of it. */
    public Progress progress() {
        Known day = lights(facts.at(opening.elevation_ft()));
        Map<String, Value> schools = plan.schools(opening.options());
        return new Progress(
                plan,
                lines,
                attempts.idling(),
                apu == null ? null : new ApuOfLines(apu, apu.isRead(feed)),
                units == null ? null : new UnitsOfLines(units, units.isRead(feed)),
                schools.isEmpty()
                        ? day
                        : name -> {
                            Value school = schools.get(name);
                            return school == null ? day.value(name) : Optional.of(school);
                        },
                new Readings(feed));
    }

    /** Whether nothing has changed since an earlier state but the lights that a feed shows. */
    boolean hasOnlyLightsSince(Departure earlier) {
        return signing == earlier.signing
                && seating == earlier.seating
                && lines == earlier.lines
                && attempts == earlier.attempts
                && apu == earlier.apu
                && units == earlier.units
                && facts == earlier.facts
                && controls == earlier.controls
                && feed != null
                && earlier.feed != null
                && feed.isButForLights(earlier.feed);
    }

    /** Whether a feed reads the aircraft now. */
    public boolean isRead() {
        return feed != null && feed.live();
    }

    public Map<Seat, Seated> seats() {
        return seating.held();
    }

    /** Ids of all who ever held a seat. */
    public Set<String> crew() {
        return seating.crew();
    }

    public Optional<Seat> seatOf(Person person) {
        return seating.of(person);
    }

    public LineRecord line(LineRef ref) {
        return lines.line(ref);
    }

    public Map<String, Held> holds() {
        return lines.holds();
    }

    public Map<String, RunningClock> clocks() {
        return lines.clocks();
    }

    /** Whether a line needs nothing more. @throws IllegalArgumentException when the plan has no such line */
    public boolean complete(LineRef ref) {
        return progress().complete(ref);
    }

    /**
     * Whether a procedure must be worked to its end: an abnormal one, or one after the flight, only once it is begun.
     */
    public boolean isNeeded(Procedure procedure) {
        return progress().isNeeded(procedure);
    }

    public List<LineRef> openLines() {
        return progress().open();
    }

    /** The attempts on an engine so far, in their order. */
    public List<StartRecord> starts(int engine) {
        return attempts.of(engine);
    }

    /** When its record was signed; null before. */
    public @Nullable Instant signedAt() {
        return signing.signedAt();
    }

    /** Notes added after signing. */
    public List<String> amendments() {
        return signing.amendments();
    }
}
