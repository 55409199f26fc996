package org.skelda.app.start;

import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.skelda.core.start.Sample;

/**
 * The aircraft's own readings of the last minutes: duct and bus are its, and an engine's line without them takes the
 * nearest of them.
 */
final class AircraftReadings {
    private static final long MERGED_WITHIN_us = 500_000;
    private static final int KEPT = 1200;

    private final TreeMap<Long, Sample> newest = new TreeMap<>();

    /** Whether a line of the aircraft reads any of them: one that tells its lights alone does not. */
    static boolean has(Sample sample) {
        return !(Double.isNaN(sample.duct_kpa()) && Double.isNaN(sample.bus_v()) && Double.isNaN(sample.bus_a()));
    }

    void take(Sample sample) {
        newest.put(sample.at_us(), sample);
        if (newest.size() > KEPT) {
            newest.pollFirstEntry();
        }
    }

    /** An engine's reading with the aircraft's supply where it has none of its own. */
    Sample withSupply(Sample sample) {
        Sample bus = Stream.of(newest.floorEntry(sample.at_us()), newest.higherEntry(sample.at_us()))
                .filter(java.util.Objects::nonNull)
                .map(Map.Entry::getValue)
                .filter(near -> Math.abs(near.at_us() - sample.at_us()) <= MERGED_WITHIN_us)
                .findFirst()
                .orElse(null);
        if (bus == null) {
            return sample;
        }
        return new Sample(
                sample.at_us(),
                sample.spool_pct(),
                sample.fan(),
                sample.temperature_c(),
                sample.flow_kgph(),
                sample.oil_kpa(),
                or(sample.duct_kpa(), bus.duct_kpa()),
                or(sample.bus_v(), bus.bus_v()),
                or(sample.bus_a(), bus.bus_a()),
                sample.starter(),
                sample.fuel(),
                sample.ignition());
    }

    private static double or(double own, double other) {
        return Double.isNaN(own) ? other : own;
    }
}
