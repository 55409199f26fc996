package org.skelda.app.apu;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** The APUs that are read. What is found goes into the log; every reading is told to whoever looks. */
@Service
public class LiveApus {
    private final Departures departures;
    private final ConcurrentHashMap<UUID, LiveApu> live = new ConcurrentHashMap<>();

    LiveApus(Departures departures) {
        this.departures = departures;
    }

    /** New readings. @param samples milliseconds since 1970, speed in %, temperature in degC; null where none */
    public record ApuMessage(List<List<@Nullable Double>> samples) {}

    /**
     * Takes readings of a departure's APU; those of a type that has none tell nothing.
     *
     * @param samples in the order of their time
     * @param by the feed, as the log knows it
     */
    public void take(UUID departureId, List<ApuSample> samples, Person by, Instant now) {
        Departure departure = departures.state(departureId);
        ApuProfile profile = departure.plan().type().apu();
        ApuHistory history = departure.apu();
        if (profile == null || history == null || samples.isEmpty()) {
            return;
        }
        LiveApu apu = live.computeIfAbsent(departureId, _ -> new LiveApu(profile));
        List<ApuFact> facts = apu.take(samples, history, departure.feed(), now);
        if (!facts.isEmpty()) {
            departures.record(departureId, facts.stream().map(Event::of).toList(), by, now);
        }
        apu.agree(departures.state(departureId).apu());
        departures.tell(departureId, "apu", () -> new ApuMessage(LiveApu.rows(samples)));
    }

    /** The readings of the last minutes. @param after_us on the feed's clock */
    List<List<@Nullable Double>> rows(UUID departureId, long after_us) {
        LiveApu apu = live.get(departureId);
        return apu == null ? List.of() : apu.rows(after_us);
    }

    /** Its readings are forgotten with the departure's end. */
    @EventListener
    void appended(Departures.Appended appended) {
        if (appended.after().lifecycle().closed()) {
            live.remove(appended.departureId());
        }
    }
}
