package org.skelda.core.aligning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.crew.Person;
import org.skelda.core.feed.Feed;
import org.skelda.core.log.LogEntry;

/**
 * The inertial units of a departure: nothing but the fold of what was told of them.
 *
 * @param stand where the aircraft stands; they are taken to have kept it until they tell otherwise
 * @param begun as they were before anything was told
 * @param told everything that happened to them, in order
 * @param units as they stood after the newest of that, number 1 first
 * @param readSince since when their readings arrive; null before any
 */
public record Units(
        Position stand,
        List<InertialUnit> begun,
        List<Told> told,
        List<InertialUnit> units,
        @Nullable Instant readSince) {

    /** Something that happened. @param by who told it */
    public record Told(UnitFact.UnitsTold what, Person by) {
        /** Whether a feed told it. */
        public boolean isRead() {
            return by.id().startsWith("feed:");
        }

        /** When its last part was. */
        public Instant at() {
            return what.events().getLast().at();
        }
    }

    public Units {
        begun = List.copyOf(begun);
        told = List.copyOf(told);
        units = List.copyOf(units);
    }

    /** All are off, and have kept the stand. */
    public static Units begin(InertialProfile profile, Position stand, Instant at) {
        List<InertialUnit> off = Stream.generate(() -> InertialUnit.off(profile.rule(), stand, at))
                .limit(profile.units())
                .toList();
        return new Units(stand, off, List.of(), off, null);
    }

    /** Folds one entry in. */
    public Units apply(LogEntry<UnitFact> entry) {
        return switch (entry.event()) {
            case UnitFact.UnitsTold what -> happened(new Told(what, entry.actor()));
            case UnitFact.UnitsUntold _ -> {
                Units again = new Units(stand, begun, List.of(), begun, readSince);
                for (Told one : told.subList(0, Math.max(0, told.size() - 1))) {
                    again = again.happened(one);
                }
                yield again;
            }
            case UnitFact.UnitsRead(var since) -> new Units(stand, begun, told, units, since);
        };
    }

    /** The same after a feed told something. @param by the feed, as the log knows it */
    public Units told(UnitFact fact, Person by) {
        return switch (fact) {
            case UnitFact.UnitsTold what -> happened(new Told(what, by));
            case UnitFact.UnitsRead(var since) -> new Units(stand, begun, told, units, since);
            case UnitFact.UnitsUntold _ -> throw new IllegalArgumentException("a feed takes nothing back");
        };
    }

    private Units happened(Told one) {
        List<Told> all = new ArrayList<>(told);
        all.add(one);
        List<InertialUnit> after = new ArrayList<>(units);
        for (UnitEvent event : one.what().events()) {
            one.what().units().stream()
                    .filter(number -> number >= 1 && number <= after.size())
                    .forEach(number ->
                            after.set(number - 1, after.get(number - 1).step(event)));
        }
        return new Units(stand, begun, all, after, readSince);
    }

    /** What was told last; empty before anything was. */
    public Optional<Told> newest() {
        return told.isEmpty() ? Optional.empty() : Optional.of(told.getLast());
    }

    /** As they stand then. @param at the time asked about */
    public List<InertialUnit> at(Instant at) {
        return units.stream().map(unit -> unit.at(at)).toList();
    }

    /** As they stood then, by what had been told before. @param at any time */
    public List<InertialUnit> before(Instant at) {
        Units then = new Units(stand, begun, List.of(), begun, readSince);
        for (Told one : told) {
            if (one.at().isBefore(at)) {
                then = then.happened(one);
            }
        }
        return then.at(at);
    }

    /** Whether an alignment was begun in this departure. */
    public boolean isBegun() {
        return told.stream()
                .flatMap(one -> one.what().events().stream())
                .anyMatch(UnitEvent.SwitchedOn.class::isInstance);
    }

    /** Every number. */
    public List<Integer> numbers() {
        return IntStream.rangeClosed(1, units.size()).boxed().toList();
    }

    /** Whether a feed that is live reads them. @param feed of the departure; null when there is none */
    public boolean isRead(@Nullable Feed feed) {
        return feed != null && feed.live() && readSince != null && !readSince.isBefore(feed.attachedAt());
    }
}
