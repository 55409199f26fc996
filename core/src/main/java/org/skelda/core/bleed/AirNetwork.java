package org.skelda.core.bleed;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What gives a type's starters their air, and what takes it. Sources give into ducts, valves join ducts; packs,
 * anti-ice and starters take out of them. Each source has a valve that lets nothing back: the strongest alone holds
 * what is joined.
 *
 * @param sources in the order in which they are shown
 * @param ducts with the starters on them
 * @param valves between ducts
 * @param takers that take their share
 * @param swallows part of the pressure that one starter takes away at standstill; it falls to nothing at its free speed
 * @param source where it is told
 */
public record AirNetwork(
        List<Source> sources,
        List<Duct> ducts,
        List<Valve> valves,
        List<Taker> takers,
        double swallows,
        String source) {

    /** What a source is: that decides how it is known whether it gives anything. */
    public enum Kind {
        APU,
        GROUND,
        ENGINE
    }

    /**
     * Something that gives air.
     *
     * @param engine whose air it is; null for all that is no engine's
     * @param duct that it gives into
     * @param there the state that tells whether a hand outside has brought it; null where its kind tells
     * @param on the state that tells whether it is switched on; null where its kind tells
     */
    public record Source(
            String id,
            String name,
            Kind kind,
            @Nullable Integer engine,
            String duct,
            @Nullable String there,
            @Nullable String on,
            Delivery delivers) {}

    /** @param starters engines whose starters are on it */
    public record Duct(String id, String name, Set<Integer> starters) {
        public Duct {
            starters = Set.copyOf(starters);
        }
    }

    /** Between two ducts. @param open the state that tells that it is open; null for one that opens by itself */
    public record Valve(
            String id,
            String name,
            String from,
            String to,
            @Nullable String open) {}

    /** What takes air from the starters. */
    public enum Taking {
        PACK,
        ANTI_ICE
    }

    /**
     * Something beside the starters that takes air.
     *
     * @param takes part of the pressure that it takes
     * @param on the state that tells that it is on; null for one that is off for a start by itself or by its line
     */
    public record Taker(
            String id,
            String name,
            Taking what,
            String duct,
            double takes,
            @Nullable String on) {}

    /** @throws IllegalArgumentException when something leads nowhere, or two things have one name; it says which */
    public AirNetwork {
        sources = List.copyOf(sources);
        ducts = List.copyOf(ducts);
        valves = List.copyOf(valves);
        takers = List.copyOf(takers);
        Set<String> known = new HashSet<>();
        Set<Integer> started = new HashSet<>();
        for (Duct duct : ducts) {
            refuse(!known.add(duct.id()), duct.id() + ": there are two of this name");
            for (int engine : duct.starters()) {
                refuse(!started.add(engine), "starter " + engine + ": it hangs on two ducts");
            }
        }
        Set<String> leads = Set.copyOf(known);
        for (Source one : sources) {
            refuse(!known.add(one.id()), one.id() + ": there are two of this name");
            refuse(!leads.contains(one.duct()), one.id() + ": there is no duct called " + one.duct());
            refuse(one.kind() == Kind.ENGINE && one.engine() == null, one.id() + ": whose engine gives it?");
        }
        for (Valve valve : valves) {
            refuse(!known.add(valve.id()), valve.id() + ": there are two of this name");
            refuse(!leads.contains(valve.from()), valve.id() + ": there is no duct called " + valve.from());
            refuse(!leads.contains(valve.to()), valve.id() + ": there is no duct called " + valve.to());
        }
        for (Taker taker : takers) {
            refuse(!known.add(taker.id()), taker.id() + ": there are two of this name");
            refuse(!leads.contains(taker.duct()), taker.id() + ": there is no duct called " + taker.duct());
        }
    }

    private static void refuse(boolean wrong, String why) {
        if (wrong) {
            throw new IllegalArgumentException(why);
        }
    }

    /** The duct that a starter is on; empty when it is on none. */
    public Optional<Duct> ductOf(int engine) {
        return ducts.stream().filter(duct -> duct.starters().contains(engine)).findFirst();
    }

    /**
     * The ducts that open valves join with one, itself first.
     *
     * @param open whether a valve, by its id, is open
     */
    public Set<String> joined(String duct, Predicate<String> open) {
        Set<String> joined = new LinkedHashSet<>(Set.of(duct));
        Deque<String> at = new ArrayDeque<>(joined);
        while (!at.isEmpty()) {
            String here = at.poll();
            for (Valve valve : valves) {
                String beyond = valve.from().equals(here) ? valve.to() : valve.from();
                boolean touches = valve.from().equals(here) || valve.to().equals(here);
                if (touches && open.test(valve.id()) && joined.add(beyond)) {
                    at.add(beyond);
                }
            }
        }
        return joined;
    }

    /**
     * Static pressure in a duct, no starter engaged.
     *
     * @param gives what a source gives, kPa gauge; 0 for nothing
     * @param open whether a valve, by its id, is open
     * @param on whether a pack or anti-ice, by its id, is on
     * @return kPa gauge
     */
    public double staticIn(String duct, ToDoubleFunction<Source> gives, Predicate<String> open, Predicate<String> on) {
        Set<String> joined = joined(duct, open);
        double strongest = sources.stream()
                .filter(one -> joined.contains(one.duct()))
                .mapToDouble(gives)
                .max()
                .orElse(0);
        return strongest
                * takers.stream()
                        .filter(taker -> joined.contains(taker.duct()) && on.test(taker.id()))
                        .mapToDouble(taker -> 1 - taker.takes())
                        .reduce(1, (a, b) -> a * b);
    }

    /**
     * What engaged starters leave of the static pressure.
     *
     * @param parts of its free speed with which each starter on joined ducts turns, 0 to 1
     * @return 0 to 1
     */
    public double left(Stream<Double> parts) {
        return Math.max(
                0,
                1 - swallows * parts.mapToDouble(part -> Math.max(0, 1 - part)).sum());
    }

    /** Ids of all states of the aircraft that it hangs on. */
    public Stream<String> states() {
        Stream<Optional<String>> all = Stream.of(
                        sources.stream().map(one -> Optional.ofNullable(one.there())),
                        sources.stream().map(one -> Optional.ofNullable(one.on())),
                        valves.stream().map(valve -> Optional.ofNullable(valve.open())),
                        takers.stream().map(taker -> Optional.ofNullable(taker.on())))
                .flatMap(some -> some);
        return all.flatMap(Optional::stream);
    }
}
