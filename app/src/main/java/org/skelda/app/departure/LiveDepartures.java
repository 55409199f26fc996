package org.skelda.app.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.app.store.GroupCommit;
import org.skelda.formats.record.LogChain;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * The departures in memory: each is read from its log when it is wanted, has one owner at a time, and leaves unused.
 */
@Component
class LiveDepartures {
    /** Long enough that a page which comes back finds it, short enough that a day's departures do not pile up. */
    private static final Duration KEPT_UNUSED = Duration.ofMinutes(2);

    private static final Logger LOG = LoggerFactory.getLogger(LiveDepartures.class);

    private final LogStore store;
    private final Packs packs;
    private final JsonMapper json;
    private final ConcurrentHashMap<UUID, LiveDeparture> live = new ConcurrentHashMap<>();

    LiveDepartures(LogStore store, Packs packs, JsonMapper json) {
        this.store = store;
        this.packs = packs;
        this.json = json;
    }

    /** One that is in memory. */
    Optional<LiveDeparture> find(UUID departureId) {
        return Optional.ofNullable(live.get(departureId));
    }

    /** Whether somebody looks at it, or worked it a short while ago. @param steady_ns now */
    boolean isWorked(UUID departureId, long steady_ns) {
        return find(departureId)
                .filter(departure -> departure.isWorked(steady_ns, KEPT_UNUSED))
                .isPresent();
    }

    /** Tells every reader the server's time and how many devices are there with them. */
    void heartbeat(Instant now, long steady_ns) {
        live.values().forEach(departure -> {
            if (departure.readers.count() > 0) {
                int devices = departure.readers.living(steady_ns);
                departure.readers.tell(new StreamMessage(
                        "heartbeat", null, json.writeValueAsString(new Departures.Heartbeat(now, devices))));
            }
        });
    }

    private LiveDeparture read(UUID departureId) {
        return live.computeIfAbsent(departureId, id -> {
            List<StoredEvent> events = store.events(id, 0);
            if (events.isEmpty()) {
                throw new ProblemException(Problems.noSuchDeparture());
            }
            try {
                return LiveDeparture.replay(events, store.refused(id), packs::planOf);
            } catch (LogChain.Broken e) {
                LOG.error(
                        "the stored log of departure {} was changed by something else than this program: {}",
                        id,
                        e.getMessage());
                throw new ProblemException(Problems.logChanged(e.seq()));
            }
        });
    }

    /**
     * Works on a departure as its one owner.
     *
     * @throws ProblemException not-found when there is none, log-changed when its stored log was changed by something
     *     else
     */
    <T> T with(UUID departureId, Function<LiveDeparture, T> work) {
        while (true) {
            LiveDeparture departure = read(departureId);
            departure.lock.lock();
            try {
                if (!departure.isGone()) {
                    departure.use();
                    return work.apply(departure);
                }
            } catch (DataIntegrityViolationException | GroupCommit.NotOnDisk e) {
                // The log may hold more than is known here: what is in memory is forgotten, and read anew the next
                // time.
                forget(departureId, departure);
                throw e;
            } finally {
                departure.lock.unlock();
            }
        }
    }

    /**
     * Departures that nobody looks at leave memory; they come back unnoticed, for all that they are is in their logs.
     */
    void tidy(long steady_ns) {
        live.forEach((id, departure) -> {
            departure.readers.endGone(steady_ns);
            if (departure.isUnused(steady_ns, KEPT_UNUSED) && departure.lock.tryLock()) {
                try {
                    if (departure.isUnused(steady_ns, KEPT_UNUSED)) {
                        forget(id, departure);
                    }
                } finally {
                    departure.lock.unlock();
                }
            }
        });
    }

    /** How many are in memory. */
    int count() {
        return live.size();
    }

    private void forget(UUID departureId, LiveDeparture departure) {
        departure.leave();
        live.remove(departureId, departure);
    }
}
