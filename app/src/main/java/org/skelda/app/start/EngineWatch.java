package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.StartRecord;
import org.skelda.core.start.AfterCut;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Ladder;
import org.skelda.core.start.Lane;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Switch;
import org.skelda.core.start.Verdict;

/**
 * One engine under watch: its monitor, the readings of the present attempt and of the two seconds before it, and the starter's times.
 * Times are microseconds of the feed's own clock. Confined to its departure's {@link LiveTail}.
 */
final class EngineWatch {
    private static final long LEAD_IN_us = 2_000_000;
    private static final long KEPT_us = 30_000_000;

    private final int engine;
    private final String name;
    private final StartProfile profile;
    private final double elevation_ft;
    private final StartMonitor monitor;
    private final Deque<Sample> recent = new ArrayDeque<>();
    private final List<Sample> ofAttempt = new ArrayList<>();
    private final List<Sample> unstored = new ArrayList<>();
    private final List<StarterDuty.Engagement> engagements = new ArrayList<>();
    private final List<Span> finished = new ArrayList<>();
    private long keptUntil_us = Long.MIN_VALUE;
    private boolean starter;
    private boolean running;
    private long newest_us = Long.MIN_VALUE;

    /** @param name as the crew calls it; a file does not tell which engine it is of */
    EngineWatch(int engine, String name, StartProfile profile, double elevation_ft) {
        this.engine = engine;
        this.name = name;
        this.profile = profile;
        this.elevation_ft = elevation_ft;
        this.monitor = new StartMonitor(profile, elevation_ft);
    }

    int engine() { return engine; }

    /** Time of the newest reading; {@link Long#MIN_VALUE} before there was one. */
    long newest_us() { return newest_us; }

    boolean isRunning() { return running; }

    /** Judges a reading, which must be later than the one before. @param stored whether it is in a block already */
    void take(Sample sample, boolean stored) {
        monitor.accept(sample);
        newest_us = sample.at_us();
        noteStarter(sample);
        recent.addLast(sample);
        while (recent.peekFirst() != null && recent.peekFirst().at_us() < sample.at_us() - KEPT_us) {
            recent.removeFirst();
        }
        boolean runs = monitor.isRunning();
        if (runs && !running) {
            begin(sample, stored);
        } else if (running) {
            ofAttempt.add(sample);
            keep(sample, stored);
        }
        noteEnd(runs);
    }

    /** A new attempt takes the two seconds before it along. */
    private void begin(Sample first, boolean stored) {
        ofAttempt.clear();
        recent.stream().filter(sample -> sample.at_us() >= first.at_us() - LEAD_IN_us).forEach(ofAttempt::add);
        ofAttempt.forEach(sample -> keep(sample, stored));
    }

    /** A reading that two attempts share is kept once. */
    private void keep(Sample sample, boolean stored) {
        if (sample.at_us() > keptUntil_us) {
            keptUntil_us = sample.at_us();
            if (!stored) {
                unstored.add(sample);
            }
        }
    }

    private void noteEnd(boolean runs) {
        if (running && !runs) {
            finished.add(Span.of(ofAttempt));
        }
        running = runs;
    }

    private void noteStarter(Sample sample) {
        if (sample.starter() == Switch.ON && !starter) {
            engagements.add(new StarterDuty.Engagement(AttemptFacts.instant(sample.at_us()), null));
        } else if (sample.starter() == Switch.OFF && starter && !engagements.isEmpty()) {
            engagements.set(engagements.size() - 1, new StarterDuty.Engagement(engagements.getLast().on(), AttemptFacts.instant(sample.at_us())));
        }
        starter = sample.starter() == Switch.UNTOLD ? starter : sample.starter() == Switch.ON;
    }

    /** Time passes without a reading. */
    void advanceTo(long at_us) {
        monitor.advanceTo(at_us);
        noteEnd(monitor.isRunning());
    }

    /** Readings of attempts that are in no block yet; they count as stored from now on. */
    List<Sample> takeUnstored() {
        List<Sample> taken = List.copyOf(unstored);
        unstored.clear();
        return taken;
    }

    boolean hasUnstored(long olderThan_us) {
        return !unstored.isEmpty() && unstored.getFirst().at_us() <= olderThan_us;
    }

    /** What the log does not say yet of the attempts so far. */
    List<Event> facts(Departure logged, String watched) {
        List<AttemptReport> all = monitor.attempts();
        List<Event> facts = new ArrayList<>();
        List<StartRecord> known = logged.starts(engine).stream().filter(start -> start.tapped() == null).toList();
        List<Integer> numbers = numbers(logged, all.size());
        for (int i = Math.max(0, known.size() - 1); i < all.size(); i++) {
            Optional<StartRecord> record = i < known.size() ? Optional.of(known.get(i)) : Optional.empty();
            facts.addAll(AttemptFacts.of(engine, numbers.get(i), all.get(i), record, watched));
        }
        return facts;
    }

    /** The numbers that the log gives, or will give, to the attempts seen here: those that the crew tapped have numbers among them. */
    private List<Integer> numbers(Departure logged, int count) {
        List<StartRecord> all = logged.starts(engine);
        List<Integer> numbers = new ArrayList<>(all.stream().filter(start -> start.tapped() == null).map(StartRecord::number).toList());
        int next = all.isEmpty() ? 1 : all.getLast().number() + 1;
        while (numbers.size() < count) {
            numbers.add(next++);
        }
        return numbers;
    }

    /** From the first to the last reading of an attempt, the two seconds before it included. */
    record Span(long from_us, long to_us) {
        static Span of(List<Sample> samples) {
            return new Span(samples.getFirst().at_us(), samples.getLast().at_us());
        }
    }

    /** An attempt that has ended, and when its readings were. */
    record Finished(AttemptReport report, Span readings) {}

    /** @param logged the departure; @param number of the attempt in its log */
    Optional<Finished> finished(Departure logged, int number) {
        int place = numbers(logged, finished.size()).indexOf(number);
        return place < 0 || place >= finished.size() ? Optional.empty() : Optional.of(new Finished(monitor.attempts().get(place), finished.get(place)));
    }

    /** Readings after a time of the present or last attempt, or of the last seconds when there was none. */
    List<Sample> samplesAfter(long after_us) {
        List<Sample> from = running || ofAttempt.isEmpty() ? (running ? ofAttempt : List.copyOf(recent)) : withRest();
        return from.stream().filter(sample -> sample.at_us() > after_us).toList();
    }

    private List<Sample> withRest() {
        List<Sample> all = new ArrayList<>(ofAttempt);
        long last_us = ofAttempt.getLast().at_us();
        recent.stream().filter(sample -> sample.at_us() > last_us).forEach(all::add);
        return all;
    }

    /** What the desk shows now. @param silent whether nothing has come for too long */
    StartView view(Instant now, boolean silent) {
        List<AttemptReport> all = monitor.attempts();
        AttemptReport last = all.isEmpty() ? null : all.getLast();
        Duration since = last == null ? Duration.ZERO : monitor.standing(last).now();
        AttemptReport shown = last != null && (running || isRecent(last, since)) ? last : null;
        Verdict verdict = silent ? Verdict.noData(name, running) : running || shown == null ? monitor.verdict(name) : Verdict.after(name, shown);
        StarterDuty.NextTry duty = afterThisAttempt(StarterDuty.next(profile.starter(), engagements, now));
        Milestone next = silent ? null : verdict.next();
        double spool = monitor.value(Parameter.SPOOL);
        return new StartView(engine, name, all.size(), last == null ? null : AttemptFacts.instant(last.startedAt_us()), running, now, verdict,
                Ladder.of(profile, shown, since, next),
                Lane.all(profile, monitor, shown, elevation_ft), monitor.forecast(Lane.FORECAST_POINTS), script(all, now, duty),
                last == null ? List.of() : last.findings(), last == null ? List.of() : last.margins(), last == null || running ? null : last.outcome().code(),
                last == null ? List.of() : last.gaps(), duty, duty.words(now, Double.isNaN(spool) ? 0 : spool),
                starter && last != null ? monitor.standing(last).starterOn() : null, null);
    }

    private static boolean isRecent(AttemptReport last, Duration since) {
        return since.minus(last.lasted()).compareTo(Duration.ofMinutes(2)) < 0;
    }

    /** While an attempt that had fuel is not over, a further one waits until it is: fuel again in the same attempt is cut. */
    private StarterDuty.NextTry afterThisAttempt(StarterDuty.NextTry next) {
        boolean fuelled = monitor.running().flatMap(report -> report.reached(Milestone.FUEL_ON)).isPresent();
        Double most = next.spoolAtMost_pct();
        return !fuelled || most != null && most <= StartMonitor.OVER_UNDER_pct ? next
                : new StarterDuty.NextTry(next.number(), next.of(), next.allowedAt(), next.mayLast(), StartMonitor.OVER_UNDER_pct, next.left());
    }

    /** The next try, were the starter switched off now. */
    private StarterDuty.NextTry afterThisTry(Instant now) {
        List<StarterDuty.Engagement> done = new ArrayList<>(engagements);
        done.set(done.size() - 1, new StarterDuty.Engagement(done.getLast().on(), now));
        return afterThisAttempt(StarterDuty.next(profile.starter(), done, now));
    }

    /** The steps after a cut: those of the newest attempt that was cut, until fuel comes on in a later one. */
    private List<AfterCut.Step> script(List<AttemptReport> all, Instant now, StarterDuty.NextTry duty) {
        @Nullable AttemptReport cut = null;
        for (AttemptReport report : all) {
            boolean fuel = report.reached(Milestone.FUEL_ON).isPresent();
            boolean off = report.wasCut() || report.outcome().code().equals("CREW_ABORT");
            cut = off ? report : fuel ? null : cut;
        }
        if (cut == null) {
            return List.of();
        }
        StarterDuty.NextTry next = starter ? afterThisTry(now) : duty;
        return AfterCut.script(profile, cut, monitor.standing(cut), next, Duration.between(now, next.allowedAt()));
    }
}
