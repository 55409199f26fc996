package org.skelda.app.start;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.departure.Departure;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.order.Feeds;
import org.skelda.core.order.StartOrder;

/** The order of a departure's starts, from its type's tables and what its crew told. */
final class OrderOfDeparture {
    private OrderOfDeparture() {}

    /** @return empty for one engine alone, and while it is not known which goes first */
    static Optional<StartOrder.View> view(Departure departure) {
        Feeds feeds = departure.plan().type().feeds();
        return feeds == null
                ? Optional.empty()
                : StartOrder.view(
                        feeds,
                        departure.plan().type().electrics(),
                        departure.progress()::toldOfState,
                        departure.plan().engines().iterator().next());
    }

    /** What stops with each engine that runs, were it to stop now; in sentences. */
    static List<String> lost(Departure departure, Instant at) {
        Feeds feeds = departure.plan().type().feeds();
        Set<Integer> running = departure.progress().idling();
        return feeds == null
                ? List.of()
                : running.stream()
                        .sorted()
                        .flatMap(engine ->
                                StartOrder.lostWith(feeds, engine, running, buses(departure, engine, at)).stream())
                        .toList();
    }

    /** Names of the buses that would be without power, were an engine to stop. */
    private static List<String> buses(Departure departure, int engine, Instant at) {
        ApuHistory apu = departure.apu();
        PowerNow power = departure.progress().power(apu == null ? null : apu.at(at));
        return power == null
                ? List.of()
                : power.network().sources().stream()
                        .filter(source -> source.engine() != null && source.engine() == engine)
                        .flatMap(source -> power.lostWithout(source).stream())
                        .map(Network.Bus::name)
                        .toList();
    }
}
