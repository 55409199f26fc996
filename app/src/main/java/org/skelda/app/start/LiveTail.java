package org.skelda.app.start;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.Feed;
import org.skelda.core.departure.Person;
import org.skelda.core.departure.TappedEngine;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.feed.FeedLine;
import org.skelda.formats.record.Sha256;
import org.skelda.formats.start.TraceWriter;

/**
 * The runtime of one departure that is watched: it owns the monitors of its engines. Readings are judged first and their verdict told,
 * then they are stored; what they change goes into the log, and only after the readings that show it are kept. Everything in it happens one thing at a time.
 */
final class LiveTail {
    /** Version of the judgement, as the log names it. */
    private static final String JUDGEMENT = "1";
    private static final Duration SILENT_IN_START = Duration.ofMillis(1500);
    private static final Duration SILENT = Duration.ofSeconds(3);
    private static final Duration LOST = Duration.ofSeconds(5);
    private static final long JUDGED_BEHIND_us = 400_000;
    private static final long LONGEST_BLOCK_us = 1_000_000;
    private static final int SPREAD_us = 400_000;
    private static final int MOST_IN_BLOCK = 500;
    private static final int REMEMBERED_TIMES = 600;
    private static final long MERGED_WITHIN_us = 500_000;
    private static final EngineWatch.Span EVERYTHING = new EngineWatch.Span(Long.MIN_VALUE, Long.MAX_VALUE);

    private final UUID departureId;
    private final String operatorId;
    private final StartProfile profile;
    private final double elevation_ft;
    private final String watched;
    private final double speed;
    private final long block_us;
    private final Departures departures;
    private final SampleBlocks blocks;
    private final StartHistory history;
    private final Map<Integer, EngineWatch> engines = new TreeMap<>();
    private final Map<Integer, TreeSet<Long>> seen = new HashMap<>();
    private final Map<Integer, Long> told_us = new HashMap<>();
    private @Nullable Sample aircraft;
    private LiveStarts.@Nullable Source source;
    private @Nullable Instant heardAt;
    private long newest_us = Long.MIN_VALUE;

    LiveTail(Departure departure, StartProfile profile, double speed, Departures departures, SampleBlocks blocks, StartHistory history) {
        this.departureId = departure.opening().departureId();
        this.operatorId = departure.opening().operatorId();
        this.profile = profile;
        this.elevation_ft = departure.opening().elevation_ft();
        this.watched = JUDGEMENT + " " + departure.opening().typeHash();
        this.speed = speed;
        // Aircraft that start at the same moment do not all go to the disk at the same moment.
        this.block_us = LONGEST_BLOCK_us - Math.floorMod(departureId.hashCode(), SPREAD_us);
        this.departures = departures;
        this.blocks = blocks;
        this.history = history;
        blocks.engines(departureId).forEach(engine -> {
            EngineWatch watch = watch(engine);
            blocks.judged(departureId, engine, profile, EVERYTHING).forEach(sample -> watch.take(sample, true));
            newest_us = Math.max(newest_us, watch.newest_us());
        });
    }

    private EngineWatch watch(int engine) {
        return engines.computeIfAbsent(engine, number -> new EngineWatch(number, departures.state(departureId).plan().engine(number), profile, elevation_ft));
    }

    /** Takes a batch in. @param now the server's time of its arrival */
    synchronized LiveStarts.Counts take(LiveStarts.Source from, List<FeedLine> lines, Instant now) {
        if (!attach(from, now)) {
            return LiveStarts.Counts.ignored(lines.size());
        }
        heardAt = now;
        int accepted = 0;
        int repeated = 0;
        List<String> flagged = new ArrayList<>();
        Map<Integer, List<Sample>> late = new TreeMap<>();
        for (FeedLine line : lines) {
            flagged.addAll(line.impossible());
            long newest = line.engine() == 0 ? (aircraft == null ? Long.MIN_VALUE : aircraft.at_us()) : watch(line.engine()).newest_us();
            TreeSet<Long> times = seen.computeIfAbsent(subject(line), _ -> new TreeSet<>());
            if (times.contains(line.sample().at_us())) {
                repeated++;
            } else if (line.sample().at_us() <= newest) {
                late.computeIfAbsent(line.engine(), _ -> new ArrayList<>()).add(line.sample());
            } else {
                remember(times, line.sample().at_us());
                judge(line);
                accepted++;
            }
        }
        int tooLate = late.values().stream().mapToInt(List::size).sum();
        late.forEach((engine, samples) -> storeLate(engine, samples));
        // A verdict does not wait for the disk; the answer to the sender does.
        engines.values().forEach(engine -> tell(engine, now));
        engines.values().forEach(this::settle);
        return new LiveStarts.Counts(accepted, repeated, tooLate, 0, flagged);
    }

    private static int subject(FeedLine line) {
        return line.engine() > 0 ? line.engine() : -line.subject().length();
    }

    private static void remember(TreeSet<Long> times, long at_us) {
        times.add(at_us);
        if (times.size() > REMEMBERED_TIMES) {
            times.pollFirst();
        }
    }

    private void judge(FeedLine line) {
        newest_us = Math.max(newest_us, line.sample().at_us());
        if (line.engine() == 0) {
            aircraft = line.subject().equals("aircraft") ? line.sample() : aircraft;
            return;
        }
        watch(line.engine()).take(withSupply(line.sample()), false);
    }

    /** Duct and bus are the aircraft's; an engine's line without them takes the aircraft's newest. */
    private Sample withSupply(Sample sample) {
        Sample bus = aircraft;
        if (bus == null || Math.abs(sample.at_us() - bus.at_us()) > MERGED_WITHIN_us) {
            return sample;
        }
        return new Sample(sample.at_us(), sample.spool_pct(), sample.fan(), sample.temperature_c(), sample.flow_kgph(), sample.oil_kpa(),
                or(sample.duct_kpa(), bus.duct_kpa()), or(sample.bus_v(), bus.bus_v()), or(sample.bus_a(), bus.bus_a()), sample.starter(), sample.fuel(),
                sample.ignition());
    }

    private static double or(double own, double other) {
        return Double.isNaN(own) ? other : own;
    }

    private void storeLate(int engine, List<Sample> samples) {
        if (engine > 0) {
            List<Sample> inOrder = samples.stream().sorted(Comparator.comparingLong(Sample::at_us)).toList();
            for (int from = 0; from < inOrder.size(); from += MOST_IN_BLOCK) {
                blocks.store(departureId, operatorId, engine, profile, inOrder.subList(from, Math.min(inOrder.size(), from + MOST_IN_BLOCK)), true);
            }
        }
    }

    /** A feed that was not heard, or another one, goes into the log; a simulated one gives way to a real one, never the other way round. */
    private boolean attach(LiveStarts.Source from, Instant now) {
        Feed attached = departures.state(departureId).feed();
        boolean other = attached == null || !attached.id().equals(from.feed());
        if (other && attached != null && attached.live() && from.simulated() && !attached.simulated()) {
            return false;
        }
        source = from;
        return !other && attached.live() || departures.record(departureId, List.of(new Event.FeedAttached(from.feed(), from.label(), from.simulated())), actor(), now);
    }

    private Person actor() {
        LiveStarts.Source from = source;
        return from == null ? new Person("server", "Server") : new Person("feed:" + from.feed(), from.label());
    }

    /** Stores what is due, and tells the log what has changed. */
    private void settle(EngineWatch engine) {
        Departure logged = departures.state(departureId);
        List<Event> facts = engine.facts(logged, watched);
        if (!facts.isEmpty() || engine.hasUnstored(engine.newest_us() - block_us)) {
            List<Sample> samples = engine.takeUnstored();
            if (!samples.isEmpty()) {
                blocks.store(departureId, operatorId, engine.engine(), profile, samples, false);
            }
        }
        if (!facts.isEmpty()) {
            departures.record(departureId, withTraces(logged, engine, facts), actor(), at());
        }
    }

    private Instant at() {
        Instant heard = heardAt;
        return heard == null ? departures.state(departureId).at() : heard;
    }

    /** An attempt that has ended is followed by its trace; its numbers join the engine's history. */
    private List<Event> withTraces(Departure logged, EngineWatch engine, List<Event> facts) {
        List<Event> all = new ArrayList<>();
        for (Event fact : facts) {
            all.add(fact);
            if (fact instanceof Event.AttemptEnded(int _, int number, var _)) {
                EngineWatch.Finished finished = engine.finished(logged, number).orElseThrow();
                List<Sample> samples = blocks.judged(departureId, engine.engine(), profile, finished.readings());
                String sha256 = Sha256.hex(trace(engine.engine(), number, samples).getBytes(StandardCharsets.UTF_8));
                all.add(new Event.TraceStored(engine.engine(), number, sha256, samples.size()));
                history.remember(StartHistory.Place.of(logged, engine.engine(), number), finished.report(), samples, profile, sha256);
            }
        }
        return all;
    }

    private String trace(int engine, int number, List<Sample> samples) {
        Departure departure = departures.state(departureId);
        return TraceWriter.write(profile, samples, List.of(departure.opening().tail() + ", engine " + engine + ", attempt " + number + ", "
                + AttemptFacts.instant(samples.getFirst().at_us())));
    }

    /** The trace of an attempt as CSV; empty when there is none or it still runs. */
    synchronized Optional<String> trace(int engine, int number) {
        return samples(engine, number).map(samples -> trace(engine, number, samples));
    }

    /** The readings of an attempt that has ended. */
    synchronized Optional<List<Sample>> samples(int engine, int number) {
        EngineWatch watch = engines.get(engine);
        return watch == null ? Optional.empty() : watch.finished(departures.state(departureId), number)
                .map(finished -> blocks.judged(departureId, engine, profile, finished.readings()));
    }

    /**
     * Time passes: judgements that depend on time alone fall due, a little behind the feed so that a reading on its way is not judged
     * missing; and silence is noticed.
     */
    synchronized void tick(Instant now) {
        Instant heard = heardAt;
        if (heard == null) {
            return;
        }
        Duration since = Duration.between(heard, now);
        long feedNow_us = newest_us + since.toNanos() / 1000;
        long behind_us = Math.round(JUDGED_BEHIND_us * speed);
        for (EngineWatch engine : engines.values()) {
            boolean ran = engine.isRunning();
            engine.advanceTo(feedNow_us - behind_us);
            if (ran || engine.isRunning()) {
                settle(engine);
            }
            if (isSilent(engine, since)) {
                tell(engine, now);
            }
        }
        Feed feed = departures.state(departureId).feed();
        if (since.compareTo(LOST.multipliedBy(Math.max(1, (long) speed))) > 0 && feed != null && feed.live()) {
            departures.record(departureId, List.of(new Event.FeedLost(feed.id(), AttemptFacts.instant(newest_us))), actor(), now);
        }
    }

    private boolean isSilent(EngineWatch engine, Duration since) {
        Duration allowed = engine.isRunning() ? SILENT_IN_START : SILENT;
        return since.compareTo(allowed.multipliedBy(Math.max(1, (long) speed))) > 0;
    }

    private Duration silence(Instant now) {
        Instant heard = heardAt;
        return heard == null ? Duration.ofDays(1) : Duration.between(heard, now);
    }

    /** An engine whose start the crew is telling is shown as it tells it. */
    private boolean isTapped(EngineWatch engine) {
        return TappedEngine.of(profile, departures.state(departureId), engine.engine()).isPresent();
    }

    private void tell(EngineWatch engine, Instant now) {
        if (isTapped(engine)) {
            return;
        }
        long after_us = told_us.getOrDefault(engine.engine(), Long.MIN_VALUE);
        departures.tell(departureId, "start", () -> message(engine, after_us, now));
        told_us.put(engine.engine(), engine.newest_us());
    }

    private StartMessage message(EngineWatch engine, long after_us, Instant now) {
        Duration since = silence(now);
        // The feed's own clock runs on from its newest reading; after a restart it stands there until something is heard.
        long feedNow_us = newest_us == Long.MIN_VALUE ? AttemptFacts.micros(now) : newest_us + (heardAt == null ? 0 : since.toNanos() / 1000);
        Instant feedNow = AttemptFacts.instant(feedNow_us);
        return new StartMessage(engine.view(feedNow, isSilent(engine, since)), StartMessage.rows(profile, engine.samplesAfter(after_us)));
    }

    /** Every engine as it stands, with the readings after a time. @param after_us on the feed's clock */
    synchronized List<StartMessage> all(long after_us, Instant now) {
        return engines.values().stream().filter(engine -> !isTapped(engine)).map(engine -> message(engine, after_us, now)).toList();
    }

    /** Whether anything has been heard lately, or a start was under way. */
    synchronized boolean isIdle(Instant now) {
        return engines.values().stream().noneMatch(EngineWatch::isRunning) && silence(now).compareTo(Duration.ofMinutes(10)) > 0;
    }
}
