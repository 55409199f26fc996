package org.skelda.app.start;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.alignment.LiveUnits;
import org.skelda.app.apu.LiveApus;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.electrics.LiveElectrics;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.procedure.Packs;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.departure.Departure;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedLine;
import org.skelda.formats.feed.FeedReader;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Every departure that is being watched. Batches of readings come in here, and go to the one that owns them. */
@Service
public class LiveStarts {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStarts.class);
    private static final long TICK_MS = 100;
    private static final long FOLLOW_MS = 1000;
    private static final Duration RESUMED_WITHIN = Duration.ofHours(24);
    /** Only time can bring another departure of a tail to the front unnoticed: its day begins, or is over. */
    private static final Duration WORKED_FOR = Duration.ofSeconds(30);

    private final Departures departures;
    private final Packs packs;
    private final SampleBlocks blocks;
    private final StartHistory history;
    private final KeptStarts kept;
    private final TappedStarts tapped;
    private final LiveApus apus;
    private final LiveUnits units;
    private final LiveElectrics electrics;
    private final ServerClock clock;
    private final ConcurrentHashMap<UUID, LiveTail> live = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<UUID, UUID> assigned = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<UUID, Lifecycle> lifecycles = new ConcurrentHashMap<>();
    private final Set<UUID> ticking = ConcurrentHashMap.newKeySet();
    private final Cache<TailKey, Optional<UUID>> worked =
            Caffeine.newBuilder().expireAfterWrite(WORKED_FOR).maximumSize(1000).build();

    LiveStarts(
            Departures departures,
            Packs packs,
            SampleBlocks blocks,
            StartHistory history,
            KeptStarts kept,
            TappedStarts tapped,
            LiveApus apus,
            LiveUnits units,
            LiveElectrics electrics,
            ServerClock clock) {
        this.departures = departures;
        this.packs = packs;
        this.blocks = blocks;
        this.history = history;
        this.kept = kept;
        this.tapped = tapped;
        this.apus = apus;
        this.units = units;
        this.electrics = electrics;
        this.clock = clock;
    }

    /** The readings of a simulated aircraft are its own departure's, whichever else of the tail is worked. */
    public void assign(UUID feed, UUID departureId) {
        assigned.put(feed, departureId);
    }

    /** A seat taken, a stand left or a record signed may make another departure the tail's. */
    @EventListener
    void appended(Departures.Appended appended) {
        Departure after = appended.after();
        Lifecycle before = lifecycles.put(appended.departureId(), after.lifecycle());
        if (before != after.lifecycle()) {
            TailKey key =
                    new TailKey(after.opening().operatorId(), after.opening().tail());
            // Not here: the departure is held, and whoever looks for the tail's may be waiting for it.
            Thread.ofVirtual().start(() -> worked.invalidate(key));
        }
        if (after.lifecycle().closed()) {
            lifecycles.remove(appended.departureId());
        }
    }

    private record TailKey(String operatorId, String tail) {}

    /** Where readings come from. @param simulated whether it is the simulated aircraft */
    public record Source(UUID feed, String operatorId, String tail, String label, boolean simulated) {}

    /**
     * What became of a batch.
     *
     * @param accepted judged
     * @param repeated came before with the same time
     * @param late older than the newest of their subject: judged on arrival, unless their attempt had ended
     * @param ahead more than 5 s ahead of the server's clock: left out
     * @param ignored there was no departure for them, or another feed is live
     * @param flagged readings that no instrument shows and were left out, or why all were ignored
     * @param clock what is to be told of the feed's clock; null while it goes on as it should
     */
    public record Counts(
            int accepted,
            int repeated,
            int late,
            int ahead,
            int ignored,
            List<String> flagged,
            @Nullable String clock) {
        static Counts ignored(int lines, String why) {
            return new Counts(0, 0, 0, 0, lines, List.of(why), null);
        }
    }

    /**
     * Takes a batch in. When this returns, all that it changed in the log is kept, and everyone was told.
     *
     * @throws org.skelda.formats.feed.InvalidFeed when a line is malformed; nothing of the batch is taken
     */
    public Counts take(Source source, byte[] body, Instant now) {
        UUID own = assigned.get(source.feed());
        Optional<UUID> departure = own != null
                ? Optional.of(own)
                : worked.get(
                        new TailKey(source.operatorId(), source.tail()),
                        key -> departures
                                .worked(key.operatorId(), key.tail(), now)
                                .map(state -> state.opening().departureId()));
        Optional<StartProfile> profile =
                departure.flatMap(id -> packs.profileOf(departures.state(id).opening()));
        List<FeedLine> lines =
                FeedReader.read(body, profile.map(p -> p.drive().engine()).orElse(StartProfile.Engine.JET));
        if (departure.isEmpty() || profile.isEmpty()) {
            return Counts.ignored(lines.size(), "no departure of this tail is being worked");
        }
        return tail(departures.state(departure.get()), profile.get()).take(source, lines, now, clock.steady_ns());
    }

    /** After a restart, feeds that were live are heard again or noticed to be lost. */
    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.LOWEST_PRECEDENCE)
    void resume() {
        departures.fed(clock.instant(), RESUMED_WITHIN).stream()
                .flatMap(id -> departures.readable(id).stream())
                .filter(departure -> departure.feed() != null
                        && departure.feed().live()
                        && !departure.lifecycle().closed())
                .forEach(departure ->
                        packs.profileOf(departure.opening()).ifPresent(profile -> tail(departure, profile)));
    }

    private LiveTail tail(Departure departure, StartProfile profile) {
        return live.computeIfAbsent(
                departure.opening().departureId(),
                _ -> new LiveTail(
                        departure,
                        profile,
                        clock.speed(),
                        departures,
                        blocks,
                        history,
                        apus,
                        units,
                        electrics,
                        clock.steady_ns()));
    }

    /**
     * The engines of a departure as they stand, those that are read and those that the crew taps; built again from what
     * is kept.
     */
    List<StartMessage> all(UUID departureId, long after_us) {
        Departure departure = departures.state(departureId);
        return packs.profileOf(departure.opening())
                .map(profile -> Stream.concat(
                                tail(departure, profile).all(after_us, clock.instant(), clock.steady_ns()).stream(),
                                tapped.all(departure, profile).stream())
                        .toList())
                .orElse(List.of());
    }

    /** The newest reading of every engine that is read, by its number. */
    Map<Integer, Sample> newest(UUID departureId) {
        LiveTail tail = live.get(departureId);
        return tail == null ? Map.of() : tail.newest(clock.steady_ns());
    }

    /**
     * What fed a starter just before it went on, kPa or V: the battery, or a cart. Null where it was not read, as when
     * the start was tapped.
     */
    @Nullable
    Double supplyBefore(UUID departureId, StartRecord start) {
        Departure departure = departures.state(departureId);
        return start.tapped() != null
                ? null
                : packs.profileOf(departure.opening())
                        .flatMap(profile -> kept.ofDeparture(
                                        departureId,
                                        start.engine(),
                                        start.startedAt(),
                                        profile,
                                        departure.opening().elevation_ft())
                                .map(readings ->
                                        StartHistory.supplyBefore(readings.report(), readings.samples(), profile)))
                        .orElse(null);
    }

    Optional<AttemptTrace> trace(UUID departureId, int engine, int number) {
        Departure departure = departures.state(departureId);
        return packs.profileOf(departure.opening())
                .flatMap(profile -> tail(departure, profile).trace(Subject.engine(engine), number));
    }

    Optional<Replay> replay(UUID departureId, int engine, int number) {
        Departure departure = departures.state(departureId);
        return packs.profileOf(departure.opening())
                .flatMap(profile -> tail(departure, profile)
                        .samples(Subject.engine(engine), number)
                        .map(samples -> Replay.of(
                                departure.opening().tail() + ", engine " + engine + ", attempt " + number + ", flight "
                                        + departure.opening().flight(),
                                engine,
                                departure.plan().engine(engine),
                                profile,
                                departure.opening().elevation_ft(),
                                samples,
                                blocks.late(departureId, Subject.engine(engine), profile, EngineWatch.Span.of(samples))
                                        .size())));
    }

    /** Each departure ticks on a thread of its own, and never twice at once: one that is stuck holds up no other. */
    @Scheduled(fixedRate = TICK_MS)
    void tick() {
        live.forEach((id, tail) -> {
            if (ticking.add(id)) {
                Thread.ofVirtual().name("watch of departure " + id).start(() -> {
                    try {
                        tick(id, tail);
                    } finally {
                        ticking.remove(id);
                    }
                });
            }
        });
    }

    private void tick(UUID id, LiveTail tail) {
        try {
            long steady_ns = clock.steady_ns();
            tail.tick(clock.instant(), steady_ns);
            if (tail.isIdle(steady_ns) || departures.state(id).lifecycle().closed()) {
                live.remove(id, tail);
            }
        } catch (ProblemException e) {
            // Nothing can be kept at the moment: what was heard stays in memory, and the verdicts go on.
            LOG.warn("the watch of departure {} could not write to its log: {}", id, e.getMessage());
        } catch (RuntimeException e) {
            // One departure's trouble must not stop the others' watch; it is built again from what is kept.
            LOG.error("the watch of departure {} failed; it is built again", id, e);
            live.remove(id, tail);
        }
    }

    /** The server's clock follows the machine's, but never while a start is under way. */
    @Scheduled(fixedDelay = FOLLOW_MS)
    void follow() {
        long steady_ns = clock.steady_ns();
        if (!tapped.anyRunning() && live.values().stream().noneMatch(tail -> tail.isStarting(steady_ns))) {
            clock.follow();
        }
    }
}
