package org.skelda.core.electrics;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network.Fed;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;

/**
 * How the power stands: which source is there, is on, and feeds, and what would be lost without it. There, on and
 * feeding are three things.
 *
 * @param network of the type
 * @param known what is known of a state of the aircraft, by its id; null when it is not known
 * @param running engines that turn their generators
 * @param apu how the APU gives; null when the type has none
 */
public record PowerNow(
        Network network,
        Function<String, @Nullable Boolean> known,
        Set<Integer> running,
        @Nullable ApuPower apu) {

    /** @param gives whether it turns fast enough to give current; @param generator whether its generator is on */
    public record ApuPower(boolean gives, boolean generator) {}

    /** How a source stands. */
    public enum Stand {
        /** Not there: not connected, not turning, switched off. */
        AWAY,
        /** It could be switched on. */
        AVAILABLE,
        /** Switched on, and it carries nothing. */
        ON,
        /** It carries a bus. */
        FEEDING,
        /** What tells it is not known. */
        NOT_KNOWN
    }

    /** Whether a source is there; null when it is not known. */
    private @Nullable Boolean isThere(Source one) {
        if (one.there() != null) {
            return known.apply(one.there());
        }
        return switch (one.kind()) {
            case ENGINE -> running.contains(one.engine());
            case APU -> apu != null && apu.gives();
            // A battery is always there; a cart of which nobody tells is not known.
            case BATTERY -> true;
            case GROUND -> null;
        };
    }

    /** Whether a source is switched on; null when it is not known. */
    private @Nullable Boolean isOn(Source one) {
        if (one.on() != null) {
            return known.apply(one.on());
        }
        if (one.kind() == Kind.APU) {
            return apu != null && apu.generator();
        }
        return one.kind() == Kind.ENGINE ? isThere(one) : null;
    }

    private boolean gives(String id) {
        return network.sources().stream()
                .filter(one -> one.id().equals(id))
                .anyMatch(one -> Boolean.TRUE.equals(isThere(one)) && Boolean.TRUE.equals(isOn(one)));
    }

    private boolean isClosed(String tie) {
        return network.ties().stream()
                .filter(one -> one.id().equals(tie))
                .anyMatch(one -> one.closed() == null || Boolean.TRUE.equals(known.apply(one.closed())));
    }

    /** What feeds each bus that is fed, by the bus's id. */
    public Map<String, Fed> fed() {
        return network.fed(this::gives, this::isClosed);
    }

    /**
     * Whether a bus has power: null when that hangs on what is not known.
     *
     * @param bus its id
     */
    public @Nullable Boolean isPowered(String bus) {
        if (fed().containsKey(bus)) {
            return true;
        }
        boolean could = network.fed(this::mayGive, this::mayBeClosed).containsKey(bus);
        return could ? null : (Boolean) false;
    }

    private boolean mayGive(String id) {
        return network.sources().stream()
                .filter(one -> one.id().equals(id))
                .noneMatch(one -> Boolean.FALSE.equals(isThere(one)) || Boolean.FALSE.equals(isOn(one)));
    }

    private boolean mayBeClosed(String tie) {
        return network.ties().stream()
                .filter(one -> one.id().equals(tie))
                .noneMatch(one -> one.closed() != null && Boolean.FALSE.equals(known.apply(one.closed())));
    }

    /** How a source stands. */
    public Stand stand(Source one) {
        Boolean there = isThere(one);
        Boolean on = isOn(one);
        if (Boolean.FALSE.equals(there) && !Boolean.TRUE.equals(on)) {
            return Stand.AWAY;
        }
        if (there == null || on == null) {
            return Stand.NOT_KNOWN;
        }
        if (!on) {
            return Stand.AVAILABLE;
        }
        return fed().values().stream().anyMatch(fed -> fed.source().equals(one.id())) ? Stand.FEEDING : Stand.ON;
    }

    /** The buses that a source carries, in their order. */
    public List<Network.Bus> carried(Source one) {
        Map<String, Fed> fed = fed();
        return network.buses().stream()
                .filter(bus ->
                        fed.containsKey(bus.id()) && fed.get(bus.id()).source().equals(one.id()))
                .toList();
    }

    /** The buses that would be without power, were a source gone at once. */
    public List<Network.Bus> lostWithout(Source one) {
        Map<String, Fed> without = network.fed(id -> !id.equals(one.id()) && gives(id), this::isClosed);
        return carried(one).stream()
                .filter(bus -> !without.containsKey(bus.id()))
                .toList();
    }

    /** Who would carry what a source carries, were it gone at once: names of sources by names of buses, in words. */
    public List<String> takenOver(Source one) {
        Map<String, Fed> without = network.fed(id -> !id.equals(one.id()) && gives(id), this::isClosed);
        Map<String, List<String>> by = carried(one).stream()
                .filter(bus -> without.containsKey(bus.id()))
                .collect(Collectors.groupingBy(
                        bus -> name(
                                Objects.requireNonNull(without.get(bus.id())).source()),
                        LinkedHashMap::new,
                        Collectors.mapping(Network.Bus::name, Collectors.toList())));
        return by.entrySet().stream()
                .map(entry -> String.join(", ", entry.getValue()) + " to " + entry.getKey())
                .toList();
    }

    private String name(String source) {
        return network.sources().stream()
                .filter(one -> one.id().equals(source))
                .map(Source::name)
                .findFirst()
                .orElse(source);
    }
}
