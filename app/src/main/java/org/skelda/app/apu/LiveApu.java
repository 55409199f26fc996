package org.skelda.app.apu;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apurun.ApuFact;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.apurun.ApuWatch;
import org.skelda.core.feed.Feed;

/** One APU that is read: its watch, and its readings of the last minutes. Everything in it happens one at a time. */
final class LiveApu {
    private static final double US_PER_MS = 1000;
    /** Ten minutes at ten readings a second. */
    private static final int KEPT = 6000;

    private final ApuProfile profile;
    private final ArrayDeque<ApuSample> newest = new ArrayDeque<>();
    private @Nullable ApuWatch watch;
    private @Nullable ApuHistory known;

    LiveApu(ApuProfile profile) {
        this.profile = profile;
    }

    /**
     * Takes readings in.
     *
     * @param samples in their order; earlier ones than those before tell nothing
     * @param history as the log has it; what others told of it meanwhile counts
     * @param feed that it is read by
     * @return what they tell that the log does not have
     */
    synchronized List<ApuFact> take(List<ApuSample> samples, ApuHistory history, @Nullable Feed feed, Instant now) {
        if (watch == null) {
            watch = new ApuWatch(profile, history);
        } else if (!history.equals(known)) {
            watch.told(history);
        }
        List<ApuFact> facts = new ArrayList<>();
        if (!history.isRead(feed)) {
            facts.add(new ApuFact.ApuRead(now));
        }
        for (ApuSample sample : samples) {
            if (newest.isEmpty() || newest.getLast().at_us() < sample.at_us()) {
                newest.add(sample);
                facts.addAll(watch.accept(sample));
            }
        }
        while (newest.size() > KEPT) {
            newest.removeFirst();
        }
        return facts;
    }

    /** What the log has after it took what was told. */
    synchronized void agree(@Nullable ApuHistory history) {
        known = history;
    }

    /** Time, speed and temperature of each reading after a time: milliseconds since 1970, %, degC. */
    synchronized List<List<@Nullable Double>> rows(long after_us) {
        return rows(newest.stream().filter(sample -> sample.at_us() > after_us).toList());
    }

    static List<List<@Nullable Double>> rows(List<ApuSample> samples) {
        return samples.stream()
                .map(sample -> {
                    List<@Nullable Double> row = new ArrayList<>();
                    row.add(sample.at_us() / US_PER_MS);
                    row.add(or(sample.speed_pct()));
                    row.add(or(sample.temperature_c()));
                    return row;
                })
                .toList();
    }

    private static @Nullable Double or(double value) {
        return Double.isNaN(value) ? null : (Double) value;
    }
}
