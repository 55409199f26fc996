package org.skelda.core.beside;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;

/** The readings of one start against the time since its starter. Between two readings it is a straight line. */
public final class Course {
    /** Across a longer gap nothing is drawn, and nothing compared. */
    private static final long GAP_us = 1_500_000;

    private final long from_us;
    private final long to_us;
    private final Map<Parameter, Readings> readings = new EnumMap<>(Parameter.class);

    private record Readings(long[] at_us, double[] values, int count) {}

    private Course(long startedAt_us, List<Sample> samples) {
        from_us = samples.isEmpty() ? 0 : samples.getFirst().at_us() - startedAt_us;
        to_us = samples.isEmpty() ? 0 : samples.getLast().at_us() - startedAt_us;
        for (Parameter parameter : Parameter.values()) {
            long[] at_us = new long[samples.size()];
            double[] values = new double[samples.size()];
            int count = 0;
            for (Sample sample : samples) {
                double value = sample.of(parameter);
                if (!Double.isNaN(value)) {
                    at_us[count] = sample.at_us() - startedAt_us;
                    values[count++] = value;
                }
            }
            readings.put(parameter, new Readings(at_us, values, count));
        }
    }

    /**
     * @param startedAt_us when its starter went on, microseconds on the clock of the samples
     * @param samples in the order of time
     */
    public static Course of(long startedAt_us, List<Sample> samples) {
        return new Course(startedAt_us, samples);
    }

    /** Time of the first reading since the starter, microseconds; negative before it. */
    public long from_us() {
        return from_us;
    }

    /** Time of the last reading since the starter, microseconds. */
    public long to_us() {
        return to_us;
    }

    /**
     * What was read at a moment, in the parameter's unit; NaN before the first reading, after the last one, and in a
     * gap of more than 1.5 s.
     *
     * @param since_us time since the starter, microseconds
     */
    public double at(Parameter parameter, long since_us) {
        Readings of = readings.get(parameter);
        if (of == null || of.count == 0 || since_us < of.at_us[0] || since_us > of.at_us[of.count - 1]) {
            return Double.NaN;
        }
        int found = java.util.Arrays.binarySearch(of.at_us, 0, of.count, since_us);
        if (found >= 0) {
            return of.values[found];
        }
        int after = -found - 1;
        long gap_us = of.at_us[after] - of.at_us[after - 1];
        double part = (double) (since_us - of.at_us[after - 1]) / gap_us;
        return gap_us > GAP_us ? Double.NaN : of.values[after - 1] + part * (of.values[after] - of.values[after - 1]);
    }
}
