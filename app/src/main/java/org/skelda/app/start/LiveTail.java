package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.alignment.LiveUnits;
import org.skelda.app.apu.LiveApus;
import org.skelda.app.departure.Departures;
import org.skelda.app.electrics.LiveElectrics;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.TappedEngine;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.feed.Feed;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedLine;

/**
 * The runtime of one departure that is watched: it owns the monitors of its engines. Readings are judged first and
 * their verdict told, then they are stored; what they change goes into the log, and only after the readings that show
 * it are kept. What time alone decides waits for a reading: time passes for a monitor by the readings of its own
 * subject and by nothing else. Everything in it happens one thing at a time.
 */
final class LiveTail {
    private static final Duration SILENT_IN_START = Duration.ofMillis(1500);
    private static final Duration SILENT = Duration.ofSeconds(3);
    private static final Duration LOST = Duration.ofSeconds(5);
    private static final Duration IDLE_AFTER = Duration.ofMinutes(10);
    private static final EngineWatch.Span EVERYTHING = new EngineWatch.Span(Long.MIN_VALUE, Long.MAX_VALUE);

    private final UUID departureId;
    private final StartProfile profile;
    private final double elevation_ft;
    private final double speed;
    private final Departures departures;
    private final AttemptKeeping keeping;
    private final LiveApus apus;
    private final LiveUnits units;
    private final LiveElectrics electrics;
    private final Map<Subject, EngineWatch> engines = new TreeMap<>();
    private final Map<Subject, Hearing> hearings = new TreeMap<>();
    private final Map<Subject, Long> told_us = new HashMap<>();
    private final Map<Subject, Instant> blindSince = new HashMap<>();
    private final AircraftReadings aircraft = new AircraftReadings();
    private final long begun_ns;
    private LiveStarts.@Nullable Source source;

    /** @param steady_ns now, on the machine's steady clock: a feed that was live is heard from here on, or lost */
    LiveTail(
            Departure departure,
            StartProfile profile,
            double speed,
            Departures departures,
            SampleBlocks blocks,
            StartHistory history,
            LiveApus apus,
            LiveUnits units,
            LiveElectrics electrics,
            long steady_ns) {
        this.departureId = departure.opening().departureId();
        this.profile = profile;
        this.elevation_ft = departure.opening().elevation_ft();
        this.speed = speed;
        this.departures = departures;
        this.keeping = new AttemptKeeping(departure.opening(), profile, departures, blocks, history);
        this.apus = apus;
        this.units = units;
        this.electrics = electrics;
        this.begun_ns = steady_ns;
        blocks.subjects(departureId).stream()
                .filter(Subject::isEngine)
                .forEach(engine -> blocks.judged(departureId, engine, profile, EVERYTHING)
                        .forEach(sample -> {
                            watch(engine).take(sample, true);
                            hearing(engine).know(sample.at_us());
                        }));
    }

    private EngineWatch watch(Subject engine) {
        return engines.computeIfAbsent(
                engine,
                of -> new EngineWatch(
                        of, departures.state(departureId).plan().engine(of.number()), profile, elevation_ft));
    }

    private Hearing hearing(Subject subject) {
        return hearings.computeIfAbsent(subject, _ -> new Hearing());
    }

    /**
     * Takes a batch in.
     *
     * @param now the server's time of its arrival
     * @param steady_ns the same on the machine's steady clock
     */
    synchronized LiveStarts.Counts take(LiveStarts.Source from, List<FeedLine> lines, Instant now, long steady_ns) {
        Optional<String> other = attach(from, now, steady_ns);
        if (other.isPresent()) {
            return LiveStarts.Counts.ignored(lines.size(), other.get());
        }
        Batch batch = new Batch(
                departures.state(departureId).plan(), this::hearing, AttemptFacts.micros(now), Math.max(1, speed));
        lines.forEach(batch::sort);
        // The aircraft's own lines first: an engine's reading takes its supply from them.
        batch.fresh().stream().filter(line -> !line.subject().isEngine()).forEach(line -> judge(line, steady_ns));
        batch.fresh().stream().filter(line -> line.subject().isEngine()).forEach(line -> judge(line, steady_ns));
        batch.late().forEach((subject, samples) -> judgeLate(subject, samples, now));
        // A verdict does not wait for the disk; the answer to the sender does.
        engines.values().forEach(engine -> tell(engine, now, steady_ns));
        engines.values().forEach(engine -> keeping.settle(engine, actor(), now));
        lightsOf(batch.fresh(), now);
        apus.take(
                departureId,
                batch.fresh().stream()
                        .flatMap(line -> Optional.ofNullable(line.apu()).stream())
                        .toList(),
                actor(),
                now);
        electrics.take(
                departureId,
                batch.fresh().stream()
                        .flatMap(line -> Optional.ofNullable(line.power()).stream())
                        .toList(),
                actor(),
                now);
        units.take(
                departureId,
                batch.fresh().stream()
                        .flatMap(line -> Optional.ofNullable(line.units()).stream())
                        .toList(),
                actor(),
                now);
        seeAgain(now, steady_ns);
        return batch.counts();
    }

    /** What the newest line tells of the aircraft's lights enters the log when it is something else than before. */
    private void lightsOf(List<FeedLine> fresh, Instant now) {
        Departure departure = departures.state(departureId);
        FeedLights.newest(fresh, departure.plan())
                .filter(lights -> departure.feed() != null
                        && !Set.copyOf(lights).equals(departure.feed().lights()))
                .ifPresent(lights -> departures.record(
                        departureId, List.of(Event.of(new FeedEvent.LightsSeen(lights))), actor(), now));
    }

    private void judge(FeedLine line, long steady_ns) {
        hearing(line.subject()).hear(steady_ns);
        if (line.subject().isEngine()) {
            watch(line.subject()).take(aircraft.withSupply(line.sample()), false);
        } else if (line.subject().equals(Subject.AIRCRAFT) && AircraftReadings.has(line.sample())) {
            aircraft.take(line.sample());
        }
    }

    /** What comes late is judged on arrival; what came after its attempt had ended is kept and shown, no more. */
    private void judgeLate(Subject subject, List<Sample> samples, Instant now) {
        if (!subject.isEngine()) {
            // An APU's watch goes forward only: what comes late of it is counted, no more.
            samples.stream().filter(AircraftReadings::has).forEach(aircraft::take);
            return;
        }
        EngineWatch engine = watch(subject);
        List<Sample> judged =
                engine.takeLate(samples.stream().map(aircraft::withSupply).toList());
        List<Long> times = judged.stream().map(Sample::at_us).toList();
        List<Sample> left = samples.stream()
                .filter(sample -> !times.contains(sample.at_us()))
                .sorted(java.util.Comparator.comparingLong(Sample::at_us))
                .toList();
        keeping.storeLate(subject, left);
        if (!judged.isEmpty()) {
            // The page is told the readings from the first late one on once more.
            told_us.computeIfPresent(
                    subject,
                    (_, told) -> Math.min(
                            told,
                            times.stream().mapToLong(Long::longValue).min().orElse(told) - 1));
        }
    }

    /**
     * One feed is live; another one is told so until the first is lost. A simulated one gives way at once: a real one
     * never to a simulated one.
     *
     * @return why its readings are ignored; empty when they are taken
     */
    private Optional<String> attach(LiveStarts.Source from, Instant now, long steady_ns) {
        Feed attached = departures.state(departureId).feed();
        boolean other = attached == null || !attached.id().equals(from.feed());
        if (other && attached != null && attached.live() && !attached.simulated() && !isLost(steady_ns)) {
            return Optional.of("the feed '" + attached.label()
                    + "' is live for this tail; yours is ignored until that one is lost");
        }
        source = from;
        if (attached != null && !other && attached.live()) {
            return Optional.empty();
        }
        return departures.record(
                        departureId,
                        List.of(Event.of(new FeedEvent.FeedAttached(from.feed(), from.label(), from.simulated()))),
                        actor(),
                        now)
                ? Optional.empty()
                : Optional.of("the departure is closed");
    }

    private Person actor() {
        LiveStarts.Source from = source;
        return from == null ? new Person("server", "Server") : new Person("feed:" + from.feed(), from.label());
    }

    /** The trace of an attempt; empty when there is none or it still runs. */
    synchronized Optional<AttemptTrace> trace(Subject of, int number) {
        return Optional.ofNullable(engines.get(of)).flatMap(engine -> keeping.trace(engine, number));
    }

    /** The readings of an attempt that has ended. */
    synchronized Optional<List<Sample>> samples(Subject of, int number) {
        return Optional.ofNullable(engines.get(of)).flatMap(engine -> keeping.samples(engine, number));
    }

    /** Silence is noticed. @param now the server's time; @param steady_ns the same on the machine's steady clock */
    synchronized void tick(Instant now, long steady_ns) {
        for (EngineWatch engine : engines.values()) {
            if (isSilent(engine, steady_ns) && hearing(engine.subject()).wasHeard()) {
                if (engine.isRunning()) {
                    blindSince.putIfAbsent(engine.subject(), now);
                }
                tell(engine, now, steady_ns);
            }
        }
        Feed feed = departures.state(departureId).feed();
        if (feed != null && feed.live() && isLost(steady_ns)) {
            departures.record(
                    departureId,
                    List.of(Event.of(
                            new FeedEvent.FeedLost(feed.id(), lastHeard().orElse(now)))),
                    actor(),
                    now);
        }
    }

    /** Whether nothing of the aircraft has been heard for so long that its feed counts as lost. */
    private boolean isLost(long steady_ns) {
        Duration since = hearings.values().stream()
                .filter(Hearing::wasHeard)
                .map(hearing -> hearing.silence(steady_ns))
                .min(Duration::compareTo)
                .orElse(Duration.ofNanos(steady_ns - begun_ns));
        return since.compareTo(LOST) > 0;
    }

    private Optional<Instant> lastHeard() {
        return hearings.values().stream()
                .map(Hearing::newest_us)
                .filter(at_us -> at_us != Long.MIN_VALUE)
                .max(Long::compare)
                .map(AttemptFacts::instant);
    }

    /** That the page was blind for a while stays on record, whatever comes afterwards. */
    private void seeAgain(Instant now, long steady_ns) {
        List<Subject> seen = blindSince.keySet().stream()
                .filter(subject -> !isSilent(watch(subject), steady_ns))
                .toList();
        for (Subject subject : seen) {
            Instant from = blindSince.remove(subject);
            int number = watch(subject).number(departures.state(departureId));
            if (from != null && number > 0) {
                departures.record(
                        departureId,
                        List.of(Event.of(new AttemptEvent.SightLost(subject, number, from, now))),
                        actor(),
                        now);
            }
        }
    }

    private boolean isSilent(EngineWatch engine, long steady_ns) {
        return hearing(engine.subject()).silence(steady_ns).compareTo(engine.isRunning() ? SILENT_IN_START : SILENT)
                > 0;
    }

    /** An engine whose start the crew is telling is shown as it tells it. */
    private boolean isTapped(EngineWatch engine) {
        Departure departure = departures.state(departureId);
        return TappedEngine.of(
                        profile,
                        departure.attempts(),
                        departure.isRead(),
                        engine.subject().number())
                .isPresent();
    }

    private void tell(EngineWatch engine, Instant now, long steady_ns) {
        if (isTapped(engine)) {
            return;
        }
        long after_us = told_us.getOrDefault(engine.subject(), Long.MIN_VALUE);
        departures.tell(departureId, "start", () -> message(engine, after_us, now, steady_ns));
        told_us.put(engine.subject(), engine.newest_us());
    }

    private StartMessage message(EngineWatch engine, long after_us, Instant now, long steady_ns) {
        Hearing hearing = hearing(engine.subject());
        // The subject's own clock runs on from its newest reading; after a restart it stands there until something is
        // heard.
        long passed_us =
                hearing.wasHeard() ? Math.round(hearing.silence(steady_ns).toNanos() / 1000.0 * speed) : 0;
        Instant then =
                hearing.newest_us() == Long.MIN_VALUE ? now : AttemptFacts.instant(hearing.newest_us() + passed_us);
        return new StartMessage(
                engine.view(then, isSilent(engine, steady_ns)),
                StartMessage.rows(profile, engine.samplesAfter(after_us)));
    }

    /** Every engine as it stands, with the readings after a time. @param after_us on the feed's clock */
    synchronized List<StartMessage> all(long after_us, Instant now, long steady_ns) {
        return engines.values().stream()
                .filter(engine -> !isTapped(engine))
                .map(engine -> message(engine, after_us, now, steady_ns))
                .toList();
    }

    /** The newest reading of every engine that is not silent, by its number. */
    synchronized Map<Integer, Sample> newest(long steady_ns) {
        Map<Integer, Sample> newest = new TreeMap<>();
        for (EngineWatch engine : engines.values()) {
            if (!isSilent(engine, steady_ns) && !isTapped(engine)) {
                engine.samplesAfter(engine.newest_us() - 1)
                        .forEach(sample -> newest.put(engine.subject().number(), sample));
            }
        }
        return newest;
    }

    /** Whether a start is under way that is being read. */
    synchronized boolean isStarting(long steady_ns) {
        return engines.values().stream()
                .anyMatch(engine -> engine.isRunning()
                        && hearing(engine.subject()).silence(steady_ns).compareTo(IDLE_AFTER) < 0);
    }

    /** Whether nothing has been heard for long and no feed is to be missed. */
    synchronized boolean isIdle(long steady_ns) {
        Feed feed = departures.state(departureId).feed();
        boolean quiet = hearings.values().stream()
                .allMatch(hearing -> hearing.silence(steady_ns).compareTo(IDLE_AFTER) > 0);
        return quiet && steady_ns - begun_ns > IDLE_AFTER.toNanos() && (feed == null || !feed.live());
    }
}
