package org.skelda.core.electrics;

import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.skelda.core.start.Switch;

/**
 * What the aircraft's own instruments show of its electrics at a moment.
 *
 * @param at_us when it was read, microseconds since 1970 on the feed's own clock
 * @param sources by their ids in the type's {@link Network}; one that is not told of is not there
 * @param ties whether each is closed, by its id
 * @param buses whether each has power, by its id
 */
public record PowerSample(
        long at_us, Map<String, OfSource> sources, Map<String, Switch> ties, Map<String, Switch> buses) {

    /**
     * The readings of one source.
     *
     * @param there whether it could give anything: plugged in, turning
     * @param on whether it is switched on
     * @param voltage_V NaN when it is not told
     * @param current_A into a battery, out of every other source; NaN when it is not told
     */
    public record OfSource(Switch there, Switch on, double voltage_V, double current_A) {}

    public PowerSample {
        sources = Map.copyOf(sources);
        ties = Map.copyOf(ties);
        buses = Map.copyOf(buses);
    }

    /** Names of sources, ties and buses that a type does not have. */
    public List<String> unknown(Network network) {
        return Stream.of(
                        sources.keySet().stream().filter(id -> !hasSource(network, id)),
                        ties.keySet().stream().filter(id -> !hasTie(network, id)),
                        buses.keySet().stream().filter(id -> !hasBus(network, id)))
                .flatMap(all -> all)
                .sorted()
                .toList();
    }

    /** Without those. */
    public PowerSample known(Network network) {
        return new PowerSample(
                at_us,
                only(sources, id -> hasSource(network, id)),
                only(ties, id -> hasTie(network, id)),
                only(buses, id -> hasBus(network, id)));
    }

    private static <T> Map<String, T> only(Map<String, T> all, Predicate<String> has) {
        return all.entrySet().stream()
                .filter(one -> has.test(one.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static boolean hasSource(Network network, String id) {
        return network.sources().stream().anyMatch(one -> one.id().equals(id));
    }

    private static boolean hasTie(Network network, String id) {
        return network.ties().stream().anyMatch(one -> one.id().equals(id));
    }

    private static boolean hasBus(Network network, String id) {
        return network.buses().stream().anyMatch(one -> one.id().equals(id));
    }
}
