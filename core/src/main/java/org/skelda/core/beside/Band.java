package org.skelda.core.beside;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import org.hipparchus.stat.descriptive.rank.Median;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Parameter;

/**
 * Where the readings of several starts lie, at every quarter of a second since the starter: the lowest, the median and
 * the highest. It is told where at least three of them, and at least half, have a reading: towards the end, when most
 * are over, it would be the band of the slow ones only.
 *
 * @param starts how many it is made of
 * @param from_us time of the first moment since the starter, microseconds
 * @param step_us from one moment to the next, microseconds
 * @param spreads one for each parameter that was read
 */
public record Band(int starts, long from_us, long step_us, List<Spread> spreads) {
    /** From one moment to the next, microseconds. */
    static final long STEP_us = 250_000;

    private static final int FEWEST = 3;

    /**
     * @param lowest at each moment, in the parameter's unit; null where nothing is told
     * @param median as lowest
     * @param highest as lowest
     */
    public record Spread(
            Parameter parameter,
            List<@Nullable Double> lowest,
            List<@Nullable Double> median,
            List<@Nullable Double> highest) {

        boolean isTold() {
            return median.stream().anyMatch(value -> value != null);
        }
    }

    /**
     * The band of some starts.
     *
     * @param courses any number; fewer than three make a band that tells nothing
     * @param parameters of which there shall be a spread, as far as they were read
     */
    public static Band of(List<Course> courses, Collection<Parameter> parameters) {
        long from_us = whole(courses.stream().mapToLong(Course::from_us).min().orElse(0));
        long to_us = courses.stream().mapToLong(Course::to_us).max().orElse(0);
        List<Spread> spreads = parameters.stream()
                .map(parameter -> spread(courses, parameter, from_us, to_us))
                .filter(Spread::isTold)
                .toList();
        return new Band(courses.size(), from_us, STEP_us, spreads);
    }

    /** The moment of the grid at or before a time. */
    private static long whole(long time_us) {
        return Math.floorDiv(time_us, STEP_us) * STEP_us;
    }

    private static Spread spread(List<Course> courses, Parameter parameter, long from_us, long to_us) {
        int needed = Math.max(FEWEST, (courses.size() + 1) / 2);
        List<@Nullable Double> lowest = new ArrayList<>();
        List<@Nullable Double> median = new ArrayList<>();
        List<@Nullable Double> highest = new ArrayList<>();
        for (long at_us = from_us; at_us <= to_us; at_us += STEP_us) {
            double[] values = read(courses, parameter, at_us);
            boolean told = values.length >= needed;
            lowest.add(told ? (Double) values[0] : null);
            median.add(told ? (Double) new Median().evaluate(values) : null);
            highest.add(told ? (Double) values[values.length - 1] : null);
        }
        return new Spread(parameter, lowest, median, highest);
    }

    private static double[] read(List<Course> courses, Parameter parameter, long at_us) {
        double[] values = courses.stream()
                .mapToDouble(course -> course.at(parameter, at_us))
                .filter(value -> !Double.isNaN(value))
                .toArray();
        Arrays.sort(values);
        return values;
    }
}
