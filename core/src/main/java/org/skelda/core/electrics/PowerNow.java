package org.skelda.core.electrics;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network.Fed;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;

/**
 * How the power stands: which source is there, is on, and feeds, and what would be lost without it. There, on and
 * feeding are three things. What the aircraft's own instruments show counts before what the crew told.
 */
public final class PowerNow {
    private final Network network;
    private final Function<String, @Nullable Boolean> told;
    private final Set<Integer> running;
    private final @Nullable ApuPower apu;
    private final PowerSeen seen;
    private @Nullable Map<String, Fed> fed;
    private @Nullable Map<String, Set<String>> beside;
    private final Map<String, Map<String, Fed>> without = new HashMap<>();

    /**
     * @param network of the type
     * @param told what the crew has told of a state of the aircraft, by its id; null when it is not known
     * @param running engines that turn their generators
     * @param apu how the APU gives; null when the type has none
     * @param seen what instruments show
     */
    public PowerNow(
            Network network,
            Function<String, @Nullable Boolean> told,
            Set<Integer> running,
            @Nullable ApuPower apu,
            PowerSeen seen) {
        this.network = network;
        // What a state hangs on may be long; a network asks for it again and again.
        Map<String, Optional<Boolean>> asked = new HashMap<>();
        this.told = state -> asked.computeIfAbsent(state, one -> Optional.ofNullable(told.apply(one)))
                .orElse(null);
        this.running = running;
        this.apu = apu;
        this.seen = seen;
    }

    /** Of the type. */
    public Network network() {
        return network;
    }

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
        Boolean shown = seen.there().get(one.id());
        if (shown != null) {
            return shown;
        }
        if (one.there() != null) {
            return told.apply(one.there());
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
        Boolean shown = seen.on().get(one.id());
        if (shown != null) {
            return shown;
        }
        if (one.on() != null) {
            return told.apply(one.on());
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
                .anyMatch(one -> closesByItself(one) || Boolean.TRUE.equals(isClosed(one)));
    }

    /** Whether a tie is closed when it is wanted, and no instrument tells how it stands. */
    boolean closesByItself(Network.Tie tie) {
        return tie.closed() == null && !seen.closed().containsKey(tie.id());
    }

    /** Whether a tie is closed; null when it is not known, or when it closes by itself. */
    public @Nullable Boolean isClosed(Network.Tie tie) {
        Boolean shown = seen.closed().get(tie.id());
        return shown != null || tie.closed() == null ? shown : told.apply(tie.closed());
    }

    /** What would feed each bus by how its sources and ties stand, whatever an instrument shows of the bus itself. */
    private Map<String, Fed> follows() {
        return network.fed(this::gives, this::isClosed);
    }

    /** What feeds each bus that is fed, by the bus's id; one that is shown dead is not. */
    public Map<String, Fed> fed() {
        if (fed == null) {
            Map<String, Fed> follows = follows();
            follows.keySet().removeIf(bus -> Boolean.FALSE.equals(seen.powered().get(bus)));
            fed = follows;
        }
        return fed;
    }

    /** Ids of the batteries that carry together with the source that feeds a bus; none for one that carries alone. */
    public Set<String> beside(Fed by) {
        if (beside == null) {
            beside = network.beside(fed(), this::gives, this::isClosed);
        }
        return beside.getOrDefault(by.source(), Set.of());
    }

    private boolean carries(Source one, Fed by) {
        return by.source().equals(one.id()) || beside(by).contains(one.id());
    }

    /**
     * Whether a bus has power: null when that hangs on what is not known.
     *
     * @param bus its id
     */
    public @Nullable Boolean isPowered(String bus) {
        Boolean shown = seen.powered().get(bus);
        if (shown != null) {
            return shown;
        }
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
                .noneMatch(one -> Boolean.FALSE.equals(isClosed(one)));
    }

    /**
     * Where the instruments show something else than was told or than follows from the sources, a sentence each. The
     * instruments are believed, and somebody looks.
     */
    public List<String> differences() {
        return new PowerDifferences(network, told, seen)
                .said(follows(), network.fed(this::mayGive, this::mayBeClosed).keySet());
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
        return fed().values().stream().anyMatch(by -> carries(one, by)) ? Stand.FEEDING : Stand.ON;
    }

    /** The buses that a source carries, in their order. */
    public List<Network.Bus> carried(Source one) {
        Map<String, Fed> fed = fed();
        return network.buses().stream()
                .filter(bus -> fed.containsKey(bus.id()) && carries(one, fed.get(bus.id())))
                .toList();
    }

    private Map<String, Fed> without(Source one) {
        return without.computeIfAbsent(
                one.id(), gone -> network.fed(id -> !id.equals(gone) && gives(id), this::isClosed));
    }

    /** The buses that would be without power, were a source gone at once. */
    public List<Network.Bus> lostWithout(Source one) {
        Map<String, Fed> without = without(one);
        return carried(one).stream()
                .filter(bus -> !without.containsKey(bus.id()))
                .toList();
    }

    /** Who would carry what a source carries, were it gone at once: names of sources by names of buses, in words. */
    public List<String> takenOver(Source one) {
        Map<String, Fed> without = without(one);
        Map<String, List<String>> by = carried(one).stream()
                .filter(bus -> without.containsKey(bus.id()))
                .collect(Collectors.groupingBy(
                        bus -> network.name(
                                Objects.requireNonNull(without.get(bus.id())).source()),
                        LinkedHashMap::new,
                        Collectors.mapping(Network.Bus::name, Collectors.toList())));
        return by.entrySet().stream()
                .map(entry -> String.join(", ", entry.getValue()) + " to " + entry.getKey())
                .toList();
    }
}
