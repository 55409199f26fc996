package org.skelda.core.electrics;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What gives a type its electric power, and what takes it. A bus takes the first of its ways that gives: a source that
 * is on, or a bus named before it that is fed itself.
 *
 * @param sources in the order in which they are shown
 * @param ties between buses, that a hand or the aircraft closes
 * @param buses in the order in which they are shown; a way leads to a source or to a bus before it
 * @param source where it is told
 */
public record Network(List<Source> sources, List<Tie> ties, List<Bus> buses, String source) {

    /** What a source is: that decides how it is known whether it gives anything. */
    public enum Kind {
        BATTERY,
        GROUND,
        APU,
        ENGINE
    }

    /**
     * Something that gives power.
     *
     * @param engine the engine that turns it; null for all that is no engine's
     * @param there the state that tells whether it is there; null where its kind tells
     * @param on the state that tells whether it is switched on; null where its kind tells
     */
    public record Source(
            String id,
            String name,
            Kind kind,
            @Nullable Integer engine,
            @Nullable String there,
            @Nullable String on) {

        /** Whether a hand outside brings it and takes it away. */
        public boolean isBrought() {
            return kind == Kind.GROUND;
        }

        /** Whether it has a switch of its own among the electrics; the APU's generator is the APU's. */
        public boolean hasSwitch() {
            return kind != Kind.APU && (kind != Kind.ENGINE || on != null);
        }
    }

    /** @param closed the state that tells whether it is closed; null for one that closes by itself when it is wanted */
    public record Tie(String id, String name, @Nullable String closed) {}

    /** @param carries what it carries, as the crew reads it */
    public record Bus(String id, String name, List<Way> ways, String carries) {
        public Bus {
            ways = List.copyOf(ways);
        }
    }

    /** @param from a source or a bus; @param through a tie that must be closed; null when none must */
    public record Way(String from, @Nullable String through) {}

    /**
     * What feeds a bus.
     *
     * @param way the way it takes
     * @param source the source at its other end
     */
    public record Fed(Way way, String source) {}

    /** @throws IllegalArgumentException when a way leads nowhere, or two things have one name; it says which */
    public Network {
        sources = List.copyOf(sources);
        ties = List.copyOf(ties);
        buses = List.copyOf(buses);
        Set<String> known = new HashSet<>();
        Set<String> tied = new HashSet<>();
        for (Source one : sources) {
            refuse(!known.add(one.id()), one.id() + ": there are two of this name");
            refuse(one.kind() == Kind.ENGINE && one.engine() == null, one.id() + ": whose engine turns it?");
            refuse(
                    one.on() == null && (one.kind() == Kind.BATTERY || one.kind() == Kind.GROUND),
                    one.id() + ": which state tells that it is on?");
        }
        for (Tie tie : ties) {
            refuse(!tied.add(tie.id()), tie.id() + ": there are two ties of this name");
        }
        for (Bus bus : buses) {
            for (Way way : bus.ways()) {
                refuse(
                        !known.contains(way.from()),
                        bus.id() + ": there is no source, and no bus before it, called " + way.from());
                refuse(
                        way.through() != null && !tied.contains(way.through()),
                        bus.id() + ": there is no tie called " + way.through());
            }
            refuse(!known.add(bus.id()), bus.id() + ": there are two of this name");
        }
    }

    private static void refuse(boolean wrong, String why) {
        if (wrong) {
            throw new IllegalArgumentException(why);
        }
    }

    /**
     * Which buses are fed.
     *
     * @param gives whether a source, by its id, is on and gives power
     * @param closed whether a tie, by its id, is closed
     * @return what feeds each bus that is fed, by the bus's id
     */
    public Map<String, Fed> fed(Predicate<String> gives, Predicate<String> closed) {
        Map<String, Fed> fed = new LinkedHashMap<>();
        for (Bus bus : buses) {
            for (Way way : bus.ways()) {
                String end = fed.containsKey(way.from()) ? fed.get(way.from()).source() : way.from();
                boolean live = fed.containsKey(way.from()) || isSource(way.from()) && gives.test(way.from());
                if (live && (way.through() == null || closed.test(way.through()))) {
                    fed.put(bus.id(), new Fed(way, end));
                    break;
                }
            }
        }
        return fed;
    }

    /**
     * Batteries share what they carry: beside the one that a bus takes first stands every other that is on and has a
     * way of its own to it.
     *
     * @param fed what feeds each bus
     * @return the others, by the id of the battery that feeds; nothing for one that carries alone
     */
    public Map<String, Set<String>> beside(Map<String, Fed> fed, Predicate<String> gives, Predicate<String> closed) {
        Map<String, Set<String>> beside = new HashMap<>();
        for (Bus bus : buses) {
            Fed by = fed.get(bus.id());
            if (by == null || !by.way().from().equals(by.source()) || !isBattery(by.source())) {
                continue;
            }
            for (Way way : bus.ways()) {
                boolean other = !way.from().equals(by.source()) && isBattery(way.from());
                if (other && gives.test(way.from()) && (way.through() == null || closed.test(way.through()))) {
                    beside.computeIfAbsent(by.source(), _ -> new LinkedHashSet<>())
                            .add(way.from());
                }
            }
        }
        return beside;
    }

    /** How a source is called; its id where there is none of it. */
    String name(String source) {
        return sources.stream()
                .filter(one -> one.id().equals(source))
                .map(Source::name)
                .findFirst()
                .orElse(source);
    }

    private boolean isBattery(String id) {
        return sources.stream().anyMatch(one -> one.id().equals(id) && one.kind() == Kind.BATTERY);
    }

    private boolean isSource(String id) {
        return sources.stream().anyMatch(one -> one.id().equals(id));
    }

    /** Ids of all states of the aircraft that it hangs on. */
    public Stream<String> states() {
        return Stream.concat(
                        sources.stream().flatMap(one -> Stream.of(one.there(), one.on())),
                        ties.stream().map(Tie::closed))
                .filter(Objects::nonNull);
    }
}
