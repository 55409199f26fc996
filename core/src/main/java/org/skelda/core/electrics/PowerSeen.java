package org.skelda.core.electrics;

import java.util.Collection;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Switch;

/**
 * How the aircraft's own instruments show its electrics to stand. What they have not told is not known by them.
 *
 * @param there whether a source is there, by its id
 * @param on whether a source is switched on, by its id
 * @param closed whether a tie is closed, by its id
 * @param powered whether a bus has power, by its id
 */
public record PowerSeen(
        Map<String, Boolean> there,
        Map<String, Boolean> on,
        Map<String, Boolean> closed,
        Map<String, Boolean> powered) {
    /** Before anything was told. */
    public static final PowerSeen NOTHING = new PowerSeen(Map.of(), Map.of(), Map.of(), Map.of());

    public PowerSeen {
        there = Map.copyOf(there);
        on = Map.copyOf(on);
        closed = Map.copyOf(closed);
        powered = Map.copyOf(powered);
    }

    /** With what a sample tells; what it does not tell stays as it was. */
    public PowerSeen with(PowerSample sample) {
        Map<String, Boolean> thereNow = new TreeMap<>(there);
        Map<String, Boolean> onNow = new TreeMap<>(on);
        sample.sources().forEach((source, read) -> {
            put(thereNow, source, read.there());
            put(onNow, source, read.on());
        });
        Map<String, Boolean> closedNow = new TreeMap<>(closed);
        sample.ties().forEach((tie, read) -> put(closedNow, tie, read));
        Map<String, Boolean> poweredNow = new TreeMap<>(powered);
        sample.buses().forEach((bus, read) -> put(poweredNow, bus, read));
        return new PowerSeen(thereNow, onNow, closedNow, poweredNow);
    }

    private static void put(Map<String, Boolean> all, String id, Switch read) {
        if (read != Switch.UNTOLD) {
            all.put(id, read == Switch.ON);
        }
    }

    /**
     * Whether a state that sources and ties hang on is seen: null when they were not told, or tell it differently.
     *
     * @param state its id
     */
    public @Nullable Boolean state(Network network, String state) {
        Collection<Boolean> told = Stream.concat(
                        network.sources().stream()
                                .flatMap(one -> Stream.of(
                                        state.equals(one.there()) ? there.get(one.id()) : null,
                                        state.equals(one.on()) ? on.get(one.id()) : null)),
                        network.ties().stream().map(tie -> state.equals(tie.closed()) ? closed.get(tie.id()) : null))
                .filter(Objects::nonNull)
                .toList();
        return told.stream().distinct().count() == 1 ? told.iterator().next() : null;
    }
}
