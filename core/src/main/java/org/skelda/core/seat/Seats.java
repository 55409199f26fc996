package org.skelda.core.seat;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Beside;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.log.LogEntry;

/**
 * Who sits where.
 *
 * @param held the holders
 * @param crew ids of all who ever held a seat
 * @param takenFrom for a seat that came from somebody else, from whom, until its new holder has read the summary
 */
public record Seats(Map<Seat, Seated> held, Set<String> crew, Map<Seat, Person> takenFrom) {
    /** Before anybody has come. */
    public static final Seats EMPTY = new Seats(Map.of(), Set.of(), Map.of());

    public Optional<Seat> of(Person person) {
        return held.entrySet().stream()
                .filter(e -> e.getValue().person().id().equals(person.id()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** How somebody sits, and who sits beside them. */
    public Beside beside(Person person) {
        Seat seat = null;
        Role role = null;
        Person other = null;
        for (Map.Entry<Seat, Seated> one : held.entrySet()) {
            if (one.getValue().person().id().equals(person.id())) {
                seat = one.getKey();
                role = one.getValue().role();
            } else {
                other = one.getValue().person();
            }
        }
        return new Beside(seat, role, other);
    }

    /** Folds one entry in. */
    public Seats apply(LogEntry<SeatEvent> entry) {
        return switch (entry.event()) {
            case SeatEvent.SeatTaken e ->
                with(e.seat(), new Seated(e.person(), e.role())).takenFrom(e.seat(), e.tookOverFrom());
            case SeatEvent.SeatReleased e -> {
                Map<Seat, Seated> others = copy();
                others.remove(e.seat());
                yield new Seats(Collections.unmodifiableMap(others), crew, takenFrom).takenFrom(e.seat(), null);
            }
            case SeatEvent.SeatHandedOver e -> {
                Seated before = held.get(e.seat());
                yield with(e.seat(), new Seated(e.to(), before == null ? Role.MONITORING : before.role()))
                        .takenFrom(e.seat(), e.from());
            }
            case SeatEvent.RolesSwapped _ -> {
                Map<Seat, Seated> swapped = copy();
                swapped.replaceAll(
                        (_, seated) -> new Seated(seated.person(), seated.role().other()));
                yield new Seats(Collections.unmodifiableMap(swapped), crew, takenFrom);
            }
            case SeatEvent.HandOverConfirmed e -> takenFrom(e.seat(), null);
        };
    }

    private Seats with(Seat seat, Seated seated) {
        Map<Seat, Seated> all = copy();
        all.put(seat, seated);
        Set<String> everyone = crew;
        if (!crew.contains(seated.person().id())) {
            everyone = new HashSet<>(crew);
            everyone.add(seated.person().id());
        }
        return new Seats(Collections.unmodifiableMap(all), everyone, takenFrom);
    }

    private Seats takenFrom(Seat seat, @Nullable Person from) {
        if (from == null && !takenFrom.containsKey(seat)) {
            return this;
        }
        Map<Seat, Person> others = new EnumMap<>(Seat.class);
        others.putAll(takenFrom);
        if (from == null) {
            others.remove(seat);
        } else {
            others.put(seat, from);
        }
        return new Seats(held, crew, Collections.unmodifiableMap(others));
    }

    private Map<Seat, Seated> copy() {
        Map<Seat, Seated> copy = new EnumMap<>(Seat.class);
        copy.putAll(held);
        return copy;
    }
}
