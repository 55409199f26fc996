package org.skelda.bench;

import java.util.Locale;
import java.util.concurrent.ConcurrentLinkedQueue;

/** Durations of one kind, and their quantiles. Safe to add to from many threads. */
final class Times {
    private static final double NANOS_PER_MILLI = 1e6;
    private final ConcurrentLinkedQueue<Long> nanos = new ConcurrentLinkedQueue<>();

    void add(long duration_ns) {
        nanos.add(duration_ns);
    }

    void clear() {
        nanos.clear();
    }

    /** @param share 0 to 1 @return that quantile (ms) */
    double quantile_ms(double share) {
        long[] sorted = nanos.stream().mapToLong(Long::longValue).sorted().toArray();
        return sorted[(int) Math.min(sorted.length - 1, Math.floor(share * sorted.length))] / NANOS_PER_MILLI;
    }

    String row(String what) {
        return String.format(
                Locale.ROOT, "| %s | %d | %.2f | %.2f |", what, nanos.size(), quantile_ms(0.5), quantile_ms(0.99));
    }
}
