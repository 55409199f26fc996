package org.skelda.core.start;

import java.util.List;
import org.skelda.core.limit.Limit;

/**
 * Another way to find the longest time above a limit: walk along the straight lines between samples in steps of a
 * millisecond.
 */
record Broken(double longest) {
    private static final double STEP_s = 0.001;

    /** The broken line through corners of time and value. */
    static double at(List<double[]> corners, double t) {
        double[] before = corners.getFirst();
        for (double[] corner : corners) {
            if (corner[0] > t) {
                return before == corner
                        ? corner[1]
                        : before[1] + (corner[1] - before[1]) * (t - before[0]) / (corner[0] - before[0]);
            }
            before = corner;
        }
        return before[1];
    }

    /** @param ends when the attempt ended, seconds since starter on */
    static Broken of(List<Sample> samples, Limit limit, double ends) {
        double longest = 0;
        double run = 0;
        for (int i = 1; i < samples.size(); i++) {
            double from = samples.get(i - 1).at_us() / 1e6;
            double to = samples.get(i).at_us() / 1e6;
            double a = samples.get(i - 1).temperature_c();
            double b = samples.get(i).temperature_c();
            int steps = (int) Math.round((to - from) / STEP_s);
            for (int step = 0; step < steps; step++) {
                double part = (step + 0.5) / steps;
                boolean counts = from + part * (to - from) - SimpleStart.LEAD_IN_s <= ends
                        && from + part * (to - from) > SimpleStart.LEAD_IN_s;
                run = counts && a + part * (b - a) > limit.value() ? run + (to - from) / steps : 0;
                longest = Math.max(longest, run);
            }
        }
        return new Broken(longest);
    }
}
