package org.skelda.core.electrics;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network.Fed;

/** Where the instruments show something else than the crew told, or than follows from it. */
final class PowerDifferences {
    private final Network network;
    private final Function<String, @Nullable Boolean> told;
    private final PowerSeen seen;

    PowerDifferences(Network network, Function<String, @Nullable Boolean> told, PowerSeen seen) {
        this.network = network;
        this.told = told;
        this.seen = seen;
    }

    /**
     * A sentence for each.
     *
     * @param follows what should feed each bus, by how sources and ties stand
     * @param could the buses that could have power, were what is not known in their favour
     */
    List<String> said(Map<String, Fed> follows, Set<String> could) {
        Stream<String> sources = network.sources().stream()
                .flatMap(one -> Stream.of(
                        difference(one.name(), one.there(), seen.there().get(one.id()), "there", "not there"),
                        difference(one.name(), one.on(), seen.on().get(one.id()), "ON", "OFF")));
        Stream<String> ties = network.ties().stream()
                .map(tie -> difference(tie.name(), tie.closed(), seen.closed().get(tie.id()), "closed", "open"));
        Stream<String> buses = network.buses().stream().map(bus -> {
            Boolean shown = seen.powered().get(bus.id());
            Fed should = follows.get(bus.id());
            if (Boolean.FALSE.equals(shown) && should != null) {
                return bus.name() + " is dead, though " + network.name(should.source()) + " should carry it.";
            }
            return Boolean.TRUE.equals(shown) && !could.contains(bus.id())
                    ? bus.name() + " has power, though no source that is on could carry it."
                    : null;
        });
        return Stream.of(sources, ties, buses)
                .flatMap(all -> all)
                .filter(Objects::nonNull)
                .toList();
    }

    private @Nullable String difference(
            String name, @Nullable String state, @Nullable Boolean shown, String is, String isNot) {
        Boolean said = state == null ? null : told.apply(state);
        return shown == null || said == null || said.equals(shown)
                ? null
                : name + " was told " + (said ? is : isNot) + "; the readings show it " + (shown ? is : isNot) + ".";
    }
}
