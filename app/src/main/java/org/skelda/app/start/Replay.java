package org.skelda.app.start;

import java.util.AbstractCollection;
import java.util.Collection;
import java.util.Iterator;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;

/**
 * A start as it happened, to be shown again: the same watch that runs live, stopped at every half second of a start, at
 * every moment that matters, and now and then where nothing runs.
 *
 * @param title what it is
 * @param engine which engine, 0 when a file does not say
 * @param sheet lanes and limits of its type
 * @param frames in the order of time; each is made when it is asked for, so that a long trace is never whole in memory
 * @param samples as in {@link StartMessage}
 * @param late how many further readings came too late to be judged live; they are kept
 */
public record Replay(
        String title,
        int engine,
        StartSheet sheet,
        Collection<Frame> frames,
        List<List<@Nullable Double>> samples,
        int late) {
    private static final long EVERY_us = 500_000;
    private static final long AT_REST_EVERY_us = 10_000_000;
    private static final long AROUND_us = 30_000_000;
    /** No start takes longer; a starter that was never switched off is shown as what nothing happens to. */
    private static final long LONGEST_us = 20 * 60_000_000L;

    /** @param at milliseconds on the clock of the samples; @param view as the desk showed it then */
    public record Frame(double at, StartView view) {}

    /**
     * @param name how the crew calls the engine; @param samples in the order of time, at least one; @param late how
     *     many more came too late
     */
    public static Replay of(
            String title,
            int engine,
            String name,
            StartProfile profile,
            double elevation_ft,
            List<Sample> samples,
            int late) {
        SortedSet<Long> stops = stops(profile, elevation_ft, samples);
        Collection<Frame> frames = new AbstractCollection<>() {
            @Override
            public Iterator<Frame> iterator() {
                return new Frames(
                        new EngineWatch(Subject.engine(Math.max(1, engine)), name, profile, elevation_ft),
                        stops,
                        samples);
            }

            @Override
            public int size() {
                return stops.size();
            }
        };
        return new Replay(
                title, engine, StartSheet.of(profile, elevation_ft), frames, StartMessage.rows(profile, samples), late);
    }

    /** Lets a watch run through the readings, from one stop to the next. */
    private static final class Frames implements Iterator<Frame> {
        private final EngineWatch watch;
        private final Iterator<Long> stops;
        private final List<Sample> samples;
        private int next;

        Frames(EngineWatch watch, SortedSet<Long> stops, List<Sample> samples) {
            this.watch = watch;
            this.stops = stops.iterator();
            this.samples = samples;
        }

        @Override
        public boolean hasNext() {
            return stops.hasNext();
        }

        @Override
        public Frame next() {
            long stop = stops.next();
            // What falls due between two readings is shown at its own moment.
            while (next < samples.size() && samples.get(next).at_us() <= stop) {
                watch.take(samples.get(next++), true);
            }
            watch.advanceTo(stop);
            return frame(watch, stop);
        }
    }

    private static Frame frame(EngineWatch watch, long at_us) {
        return new Frame(at_us / 1000.0, watch.view(AttemptFacts.instant(at_us), false));
    }

    /**
     * Every half second of an attempt and around it, every ten seconds elsewhere, and just after every milestone and
     * finding.
     */
    private static SortedSet<Long> stops(StartProfile profile, double elevation_ft, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, elevation_ft);
        samples.forEach(monitor::accept);
        long last_us = samples.getLast().at_us() + 1;
        monitor.advanceTo(last_us);
        TreeSet<Long> stops = new TreeSet<>();
        long first_us = samples.getFirst().at_us() + 1;
        every(AT_REST_EVERY_us, first_us, last_us, stops);
        for (AttemptReport report : monitor.attempts()) {
            long lasted_us = Math.min(LONGEST_us, report.lasted().toNanos() / 1000);
            every(
                    EVERY_us,
                    Math.max(first_us, report.startedAt_us() - AROUND_us),
                    Math.min(last_us, report.startedAt_us() + lasted_us + AROUND_us),
                    stops);
            report.milestones().values().forEach(at -> stops.add(report.startedAt_us() + at.toNanos() / 1000 + 1));
            report.findings()
                    .forEach(finding ->
                            stops.add(report.startedAt_us() + finding.at().toNanos() / 1000 + 1));
        }
        stops.add(last_us);
        return stops;
    }

    private static void every(long step_us, long from_us, long until_us, SortedSet<Long> stops) {
        for (long at_us = from_us; at_us < until_us; at_us += step_us) {
            stops.add(at_us);
        }
    }
}
