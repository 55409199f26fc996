package org.skelda.app.start;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;

/**
 * A start as it happened, to be shown again: the same watch that runs live, stopped at every half second and at every moment that
 * matters.
 *
 * @param title what it is
 * @param engine which engine, 0 when a file does not say
 * @param sheet lanes and limits of its type
 * @param frames in the order of time
 * @param samples as in {@link StartMessage}
 * @param late how many further readings came too late to be judged live; they are kept
 */
public record Replay(String title, int engine, StartSheet sheet, List<Frame> frames, List<List<@Nullable Double>> samples, int late) {
    private static final long EVERY_us = 500_000;

    /** @param at milliseconds on the clock of the samples; @param view as the desk showed it then */
    public record Frame(double at, StartView view) {}

    /** @param name how the crew calls the engine; @param samples in the order of time, at least one; @param late how many more came too late */
    public static Replay of(String title, int engine, String name, StartProfile profile, double elevation_ft, List<Sample> samples, int late) {
        EngineWatch watch = new EngineWatch(Subject.engine(Math.max(1, engine)), name, profile, elevation_ft);
        TreeSet<Long> stops = stops(profile, elevation_ft, samples);
        List<Frame> frames = new ArrayList<>();
        for (Sample sample : samples) {
            // What falls due between two readings is shown at its own moment.
            while (!stops.isEmpty() && stops.first() < sample.at_us()) {
                watch.advanceTo(stops.first());
                frames.add(frame(watch, stops.pollFirst()));
            }
            watch.take(sample, true);
        }
        while (!stops.isEmpty()) {
            watch.advanceTo(stops.first());
            frames.add(frame(watch, stops.pollFirst()));
        }
        return new Replay(title, engine, StartSheet.of(profile, elevation_ft), frames, StartMessage.rows(profile, samples), late);
    }

    private static Frame frame(EngineWatch watch, long at_us) {
        return new Frame(at_us / 1000.0, watch.view(AttemptFacts.instant(at_us), false));
    }

    /** Every half second, and just after every milestone and finding. */
    private static TreeSet<Long> stops(StartProfile profile, double elevation_ft, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, elevation_ft);
        samples.forEach(monitor::accept);
        long last_us = samples.getLast().at_us() + 1;
        monitor.advanceTo(last_us);
        TreeSet<Long> stops = new TreeSet<>();
        for (long at_us = samples.getFirst().at_us() + 1; at_us < last_us; at_us += EVERY_us) {
            stops.add(at_us);
        }
        for (AttemptReport report : monitor.attempts()) {
            report.milestones().values().forEach(at -> stops.add(report.startedAt_us() + at.toNanos() / 1000 + 1));
            report.findings().forEach(finding -> stops.add(report.startedAt_us() + finding.at().toNanos() / 1000 + 1));
        }
        stops.add(last_us);
        return stops;
    }
}
