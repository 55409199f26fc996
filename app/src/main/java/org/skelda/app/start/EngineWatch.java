package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.departure.Departure;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Lane;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartAdvice;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;

/**
 * One engine under watch: its monitor, the readings that it may have to judge again, and the starter's times. Readings
 * that come late, in order or out of it, are judged again from a monitor as it stood before them. Times are
 * microseconds of the feed's own clock. Confined to its departure's {@link LiveTail}.
 */
final class EngineWatch {
    private static final long LEAD_IN_us = 2_000_000;
    private static final long KEPT_us = 30_000_000;
    /** An engine that is never done with its attempt is not judged again from its beginning for ever. */
    private static final int MOST_KEPT = 40_000;

    private static final DateTimeFormatter CLOCK =
            DateTimeFormatter.ofPattern("HH:mm:ss").withZone(ZoneOffset.UTC);

    private final Subject subject;
    private final String name;
    private final StartProfile profile;
    private final double elevation_ft;
    private StartMonitor monitor;
    /** The monitor as it stood at the beginning of what is kept, and the one that takes its place next. */
    private StartMonitor before;

    private StartMonitor middle;
    private long middle_us = Long.MIN_VALUE;
    private final TreeMap<Long, Sample> kept = new TreeMap<>();
    private final TreeMap<Long, Sample> unstored = new TreeMap<>();
    private final Set<Long> stored = new HashSet<>();
    private List<StarterDuty.Engagement> engagements = new ArrayList<>();
    private boolean starter;
    private boolean running;
    private long newest_us = Long.MIN_VALUE;

    /** @param name as the crew calls it; a file does not tell which engine it is of */
    EngineWatch(Subject subject, String name, StartProfile profile, double elevation_ft) {
        this.subject = subject;
        this.name = name;
        this.profile = profile;
        this.elevation_ft = elevation_ft;
        this.monitor = new StartMonitor(profile, elevation_ft);
        this.before = new StartMonitor(profile, elevation_ft);
        this.middle = before;
    }

    Subject subject() {
        return subject;
    }

    /** Time of the newest reading; {@link Long#MIN_VALUE} before there was one. */
    long newest_us() {
        return newest_us;
    }

    boolean isRunning() {
        return running;
    }

    /** Judges a reading that is later than all before. @param isStored whether it is in a block already */
    void take(Sample sample, boolean isStored) {
        forget(sample.at_us());
        newest_us = sample.at_us();
        kept.put(sample.at_us(), sample);
        if (isStored) {
            stored.add(sample.at_us());
        }
        boolean ran = running;
        accept(sample);
        if (running || ran) {
            keep(sample);
        }
    }

    private void accept(Sample sample) {
        int attempts = monitor.count();
        monitor.accept(sample);
        noteStarter(sample);
        running = monitor.isRunning();
        if (monitor.count() > attempts) {
            // A new attempt takes the two seconds before it along.
            kept.tailMap(sample.at_us() - LEAD_IN_us, true)
                    .headMap(sample.at_us(), true)
                    .values()
                    .forEach(this::keep);
        }
    }

    /** A reading is kept on the disk once, whichever attempts share it. */
    private void keep(Sample sample) {
        if (!stored.contains(sample.at_us())) {
            unstored.put(sample.at_us(), sample);
        }
    }

    /**
     * Judges readings that are not later than the newest: what they belong to is judged again, from the monitor as it
     * stood before them.
     *
     * @param late in any order
     * @return those that were judged; the others came after their attempt had ended, or are too old to be judged again
     */
    List<Sample> takeLate(List<Sample> late) {
        long from_us = Math.max(before.now_us(), ended_us());
        List<Sample> judged = late.stream()
                .filter(sample -> sample.at_us() > from_us && kept.size() < MOST_KEPT)
                .toList();
        if (judged.isEmpty()) {
            return judged;
        }
        judged.forEach(sample -> kept.put(sample.at_us(), sample));
        judgeAgain();
        List<Span> spans = spans();
        judged.stream()
                .filter(sample -> spans.stream().anyMatch(span -> span.holds(sample.at_us())))
                .forEach(this::keep);
        return judged;
    }

    /** End of the last attempt that has ended; long ago when there was none. */
    private long ended_us() {
        return monitor.attempts().stream()
                .filter(AttemptReport::ended)
                .mapToLong(EngineWatch::end_us)
                .max()
                .orElse(Long.MIN_VALUE);
    }

    private static long end_us(AttemptReport report) {
        return report.startedAt_us() + report.lasted().toNanos() / 1000;
    }

    private void judgeAgain() {
        monitor = before.fork();
        middle = before;
        middle_us = newest_us;
        long since_us = before.now_us();
        engagements = new ArrayList<>(engagements.stream()
                .filter(one -> AttemptFacts.micros(one.on()) <= since_us)
                .toList());
        starter = !engagements.isEmpty()
                && (engagements.getLast().off() == null
                        || AttemptFacts.micros(engagements.getLast().off()) > since_us);
        if (starter) {
            engagements.set(
                    engagements.size() - 1,
                    new StarterDuty.Engagement(engagements.getLast().on(), null));
        }
        kept.values().forEach(this::accept);
    }

    /** Between attempts what is older than half a minute is not judged again any more. */
    private void forget(long at_us) {
        if (running || middle_us != Long.MIN_VALUE && at_us - middle_us < KEPT_us) {
            return;
        }
        if (middle != before) {
            before = middle;
            long done_us = before.now_us();
            kept.headMap(done_us, true).clear();
            stored.removeIf(time -> time <= done_us);
        }
        middle = monitor.fork();
        middle_us = at_us;
    }

    private void noteStarter(Sample sample) {
        if (sample.starter() == Switch.ON && !starter) {
            engagements.add(new StarterDuty.Engagement(AttemptFacts.instant(sample.at_us()), null));
        } else if (sample.starter() == Switch.OFF && starter && !engagements.isEmpty()) {
            engagements.set(
                    engagements.size() - 1,
                    new StarterDuty.Engagement(engagements.getLast().on(), AttemptFacts.instant(sample.at_us())));
        }
        starter = sample.starter() == Switch.UNTOLD ? starter : sample.starter() == Switch.ON;
    }

    /** Time passes without a reading; only a replay knows that nothing more will come before it. */
    void advanceTo(long at_us) {
        monitor.advanceTo(at_us);
        running = monitor.isRunning();
    }

    /** Readings of attempts that are in no block yet, in the order of time. */
    List<Sample> unstored() {
        return List.copyOf(unstored.values());
    }

    /** The database has them. */
    void stored(List<Sample> samples) {
        samples.forEach(sample -> {
            unstored.remove(sample.at_us());
            stored.add(sample.at_us());
        });
    }

    boolean hasUnstored(long olderThan_us) {
        return !unstored.isEmpty() && unstored.firstKey() <= olderThan_us;
    }

    /** What the log does not say yet of the attempts so far. */
    List<AttemptEvent> facts(Departure logged, String watched) {
        List<AttemptReport> all = monitor.attempts();
        List<AttemptEvent> facts = new ArrayList<>();
        List<StartRecord> known = logged.starts(subject.number()).stream()
                .filter(start -> start.tapped() == null)
                .toList();
        List<Integer> numbers = numbers(logged, all.size());
        for (int i = 0; i < all.size(); i++) {
            Optional<StartRecord> record = i < known.size() ? Optional.of(known.get(i)) : Optional.empty();
            facts.addAll(AttemptFacts.of(subject, numbers.get(i), all.get(i), record, watched));
        }
        return facts;
    }

    /** The number that the log gives to the attempt that runs, or ran last; 0 before there was one. */
    int number(Departure logged) {
        int count = monitor.count();
        return count == 0 ? 0 : numbers(logged, count).get(count - 1);
    }

    /**
     * The numbers that the log gives, or will give, to the attempts seen here: those that the crew tapped have numbers
     * among them.
     */
    private List<Integer> numbers(Departure logged, int count) {
        List<StartRecord> all = logged.starts(subject.number());
        List<Integer> numbers = new ArrayList<>(all.stream()
                .filter(start -> start.tapped() == null)
                .map(StartRecord::number)
                .toList());
        int next = all.isEmpty() ? 1 : all.getLast().number() + 1;
        while (numbers.size() < count) {
            numbers.add(next++);
        }
        return numbers;
    }

    /** From the first to the last moment of an attempt, the two seconds before it included. */
    record Span(long from_us, long to_us) {
        static Span of(AttemptReport report) {
            return new Span(report.startedAt_us() - LEAD_IN_us, end_us(report));
        }

        static Span of(List<Sample> samples) {
            return new Span(samples.getFirst().at_us(), samples.getLast().at_us());
        }

        boolean holds(long at_us) {
            return at_us >= from_us && at_us <= to_us;
        }
    }

    private List<Span> spans() {
        return monitor.attempts().stream().map(Span::of).toList();
    }

    /** An attempt that has ended, and when its readings were. */
    record Finished(AttemptReport report, Span readings) {}

    /** @param logged the departure; @param number of the attempt in its log */
    Optional<Finished> finished(Departure logged, int number) {
        List<AttemptReport> all = monitor.attempts();
        int place = numbers(logged, all.size()).indexOf(number);
        return place < 0 || !all.get(place).ended()
                ? Optional.empty()
                : Optional.of(new Finished(all.get(place), Span.of(all.get(place))));
    }

    /** Readings after a time of the present or last attempt and since, or of the last seconds when there was none. */
    List<Sample> samplesAfter(long after_us) {
        List<AttemptReport> all = monitor.attempts();
        long from_us = all.isEmpty() ? newest_us - KEPT_us : all.getLast().startedAt_us() - LEAD_IN_us;
        return List.copyOf(kept.tailMap(Math.max(after_us, from_us - 1), false).values());
    }

    /** What the desk shows now. @param silent whether nothing has come for too long */
    StartView view(Instant now, boolean silent) {
        List<AttemptReport> all = monitor.attempts();
        AttemptReport last = all.isEmpty() ? null : all.getLast();
        StarterDuty.NextTry duty = StarterDuty.next(profile.starter(), engagements, now);
        StarterDuty.NextTry next = starter ? afterThisTry(now) : duty;
        StartAdvice advice = StartAdvice.read(
                name, monitor, silent, next, Duration.between(now, next.allowedAt()), EngineWatch::clockTime);
        double spool = monitor.value(Parameter.SPOOL);
        AttemptReport shown = last != null
                        && (running || monitor.since(last).minus(last.lasted()).compareTo(Duration.ofMinutes(2)) < 0)
                ? last
                : null;
        return new StartView(
                subject.number(),
                name,
                all.size(),
                last == null ? null : AttemptFacts.instant(last.startedAt_us()),
                running,
                now,
                advice.verdict(),
                advice.ladder(),
                Lane.all(profile, monitor, shown, elevation_ft),
                silent ? List.of() : monitor.forecast(Lane.FORECAST_POINTS),
                advice.script(),
                last == null ? List.of() : last.findings(),
                last == null ? List.of() : last.margins(),
                last == null || running ? null : last.outcome().code(),
                last == null ? List.of() : last.gaps(),
                duty,
                duty.words(now, Double.isNaN(spool) ? 0 : spool),
                starterOnSince(last),
                null);
    }

    private static String clockTime(long at_us) {
        return CLOCK.format(AttemptFacts.instant(at_us));
    }

    /** When the starter that is on went on, since the newest attempt's beginning; null while it is off. */
    private @Nullable Duration starterOnSince(@Nullable AttemptReport last) {
        return starter && last != null && !engagements.isEmpty()
                ? Duration.ofNanos((AttemptFacts.micros(engagements.getLast().on()) - last.startedAt_us()) * 1000)
                : null;
    }

    /** The next try, were the starter switched off now. */
    private StarterDuty.NextTry afterThisTry(Instant now) {
        List<StarterDuty.Engagement> done = new ArrayList<>(engagements);
        if (!done.isEmpty()) {
            done.set(done.size() - 1, new StarterDuty.Engagement(done.getLast().on(), now));
        }
        return StarterDuty.next(profile.starter(), done, now);
    }
}
