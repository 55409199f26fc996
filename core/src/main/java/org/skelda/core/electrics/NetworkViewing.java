package org.skelda.core.electrics;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.Network.Bus;
import org.skelda.core.electrics.Network.Fed;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;
import org.skelda.core.electrics.PowerNow.Stand;

/** Tells what the power's state means: who carries what, who may unplug, what hangs on a single source. */
public final class NetworkViewing {
    private final PowerNow now;
    private final Network network;

    private NetworkViewing(PowerNow now) {
        this.now = now;
        this.network = now.network();
    }

    public static NetworkView view(PowerNow now) {
        return new NetworkViewing(now).view();
    }

    private NetworkView view() {
        Map<String, Fed> fed = now.fed();
        return new NetworkView(
                says(),
                why(),
                network.sources().stream().map(this::source).toList(),
                network.ties().stream()
                        .map(tie -> new NetworkView.TieView(
                                tie.id(), tie.name(), now.isClosed(tie), now.closesByItself(tie), tie.closed() != null))
                        .toList(),
                network.buses().stream().map(bus -> bus(bus, fed.get(bus.id()))).toList(),
                now.differences(),
                network.source());
    }

    private NetworkView.SourceView source(Source one) {
        return new NetworkView.SourceView(
                one.id(),
                one.name(),
                one.kind(),
                now.stand(one),
                now.carried(one).stream().map(Bus::id).toList(),
                now.lostWithout(one).stream()
                        .map(bus -> bus.name() + ": " + bus.carries())
                        .toList(),
                now.takenOver(one),
                one.hasSwitch());
    }

    private NetworkView.BusView bus(Bus bus, @Nullable Fed fed) {
        return new NetworkView.BusView(
                bus.id(),
                bus.name(),
                bus.carries(),
                bus.ways().stream()
                        .map(way -> new NetworkView.WayView(way.from(), way.through()))
                        .toList(),
                fed == null ? null : fed.way().from(),
                fed == null ? null : fed.source(),
                fed == null ? List.of() : List.copyOf(now.beside(fed)),
                now.isPowered(bus.id()));
    }

    private Stream<Source> those(Stand stand) {
        return network.sources().stream().filter(one -> now.stand(one) == stand);
    }

    private String says() {
        // Batteries that carry together are said together.
        Map<List<Bus>, List<String>> by = new LinkedHashMap<>();
        those(Stand.FEEDING)
                .forEach(one -> by.computeIfAbsent(now.carried(one), _ -> new ArrayList<>())
                        .add(one.name()));
        List<String> carried = by.entrySet().stream()
                .map(entry -> and(entry.getKey()) + " on " + together(entry.getValue()))
                .toList();
        if (!carried.isEmpty()) {
            return String.join("; ", carried);
        }
        boolean dead = network.buses().stream().allMatch(bus -> Boolean.FALSE.equals(now.isPowered(bus.id())));
        return !dead && those(Stand.NOT_KNOWN).findAny().isPresent()
                ? "Which source carries the buses is not known"
                : "Nothing is powered";
    }

    /** "Main 1, Main 2 and Essential". */
    private static String and(List<Bus> buses) {
        return together(buses.stream().map(Bus::name).toList());
    }

    private static String together(List<String> names) {
        return names.size() == 1
                ? names.getFirst()
                : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
    }

    private @Nullable String why() {
        List<String> why = new ArrayList<>();
        network.sources().stream().filter(one -> one.kind() == Kind.GROUND).forEach(one -> {
            switch (now.stand(one)) {
                case FEEDING -> why.add("Nobody unplugs " + one.name() + ": it carries. Off the bus first.");
                case ON -> why.add(one.name() + " is ON and carries nothing. OFF before the ground unplugs.");
                case AVAILABLE -> why.add(one.name() + " is available, but not on.");
                case AWAY, NOT_KNOWN -> {}
            }
        });
        List<Source> feeding = those(Stand.FEEDING).toList();
        if (feeding.size() == 1 && feeding.getFirst().kind() != Kind.BATTERY) {
            Source only = feeding.getFirst();
            List<Bus> lost = now.lostWithout(only);
            if (!lost.isEmpty()) {
                why.add("It is the only one: without it " + and(lost) + (lost.size() == 1 ? " is" : " are") + " lost.");
            }
        }
        return why.isEmpty() ? null : String.join(" ", why);
    }
}
