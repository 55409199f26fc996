package org.skelda.core.seat;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.skelda.core.crew.Beside;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.log.LogEntry;

/** Who sits where. @param held the holders; @param crew ids of all who ever held a seat */
public record Seats(Map<Seat, Seated> held, Set<String> crew) {
    /** Before anybody has come. */
    public static final Seats EMPTY = new Seats(Map.of(), Set.of());

    public Optional<Seat> of(Person person) {
        return held.entrySet().stream()
                .filter(e -> e.getValue().person().id().equals(person.id()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** How somebody sits, and who sits beside them. */
    public Beside beside(Person person) {
        Role role = null;
        Person other = null;
        for (Seated seated : held.values()) {
            if (seated.person().id().equals(person.id())) {
                role = seated.role();
            } else {
                other = seated.person();
            }
        }
        return new Beside(role, other);
    }

    /** Folds one entry in. */
    public Seats apply(LogEntry<SeatEvent> entry) {
        return switch (entry.event()) {
            case SeatEvent.SeatTaken e -> with(e.seat(), new Seated(e.person(), e.role()));
            case SeatEvent.SeatReleased e -> {
                Map<Seat, Seated> others = copy();
                others.remove(e.seat());
                yield new Seats(Collections.unmodifiableMap(others), crew);
            }
            case SeatEvent.SeatHandedOver e -> {
                Seated before = held.get(e.seat());
                yield with(e.seat(), new Seated(e.to(), before == null ? Role.MONITORING : before.role()));
            }
            case SeatEvent.RolesSwapped _ -> {
                Map<Seat, Seated> swapped = copy();
                swapped.replaceAll(
                        (_, seated) -> new Seated(seated.person(), seated.role().other()));
                yield new Seats(Collections.unmodifiableMap(swapped), crew);
            }
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
        return new Seats(Collections.unmodifiableMap(all), everyone);
    }

    private Map<Seat, Seated> copy() {
        Map<Seat, Seated> copy = new EnumMap<>(Seat.class);
        copy.putAll(held);
        return copy;
    }
}
