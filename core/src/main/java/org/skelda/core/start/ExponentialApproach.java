package org.skelda.core.start;

/**
 * An exponential approach to a final value, fitted by least squares over the last 3 s for each time constant of a grid;
 * the best fitting one is drawn on. In the first 4 s the longer time constants are left out: while the flame still
 * spreads they cannot be told from a straight line, which would run away. Needs 1.0 s of readings.
 *
 * <p>With x = exp(-(t - t0) / tau), value = a + b x by ordinary least squares; t0 is arbitrary, since it only scales b.
 * The grid is three chains, each halving its time constant by squaring x. Readings closer than 60 ms to the last one
 * taken add nothing and are left out.
 */
public final class ExponentialApproach implements Extrapolation {
    private static final double US_PER_S = 1e6;
    private static final long WINDOW_us = 3_000_000;
    private static final long READY_us = 1_000_000;
    private static final long LONG_FROM_us = 4_000_000;
    private static final long CLOSEST_us = 60_000;
    private static final long BASE_LASTS_us = 6_000_000;
    private static final int FEWEST = 4;
    private static final double NOISE_degC = 30;
    private static final int CAPACITY = 64;
    /** Time constants (s), from the shortest up, and where each stands in the chains. */
    private static final double[] TAU_s = {1, 1.25, 1.6, 2, 2.5, 3.2, 4, 5, 6.4, 8};

    private static final int SHORT_ONES = 6;
    private static final double[] CHAINS_s = {8, 5, 6.4};

    private final long[] at_us = new long[CAPACITY];
    private final double[] values = new double[CAPACITY];
    private final double[][] x = new double[TAU_s.length][CAPACITY];
    private int first;
    private int count;
    private long base_us;
    private long began_us;
    private boolean fitted;
    private double a;
    private double b;
    private double tau_s;

    @Override
    public void restart() {
        count = 0;
        first = 0;
        fitted = false;
    }

    @Override
    public void read(long time_us, double value) {
        if (count > 0 && time_us - at_us[place(count - 1)] < CLOSEST_us) {
            return;
        }
        while (count > 0 && (at_us[first] < time_us - WINDOW_us || count == CAPACITY)) {
            first = (first + 1) % CAPACITY;
            count--;
        }
        if (count == 0) {
            began_us = time_us;
        }
        int place = place(count++);
        at_us[place] = time_us;
        values[place] = value;
        fitted = false;
        if (count == 1 || time_us - base_us > BASE_LASTS_us) {
            rebase(at_us[first]);
        } else {
            power(place);
        }
    }

    private int place(int index) {
        return first + index < CAPACITY ? first + index : first + index - CAPACITY;
    }

    private void rebase(long time_us) {
        base_us = time_us;
        for (int i = 0; i < count; i++) {
            power(place(i));
        }
    }

    private void power(int place) {
        double since_s = (at_us[place] - base_us) / US_PER_S;
        double by8 = Math.exp(-since_s / CHAINS_s[0]);
        double by5 = Math.exp(-since_s / CHAINS_s[1]);
        double by64 = Math.exp(-since_s / CHAINS_s[2]);
        x[9][place] = by8;
        x[6][place] = by8 * by8;
        x[3][place] = x[6][place] * x[6][place];
        x[0][place] = x[3][place] * x[3][place];
        x[7][place] = by5;
        x[4][place] = by5 * by5;
        x[1][place] = x[4][place] * x[4][place];
        x[8][place] = by64;
        x[5][place] = by64 * by64;
        x[2][place] = x[5][place] * x[5][place];
    }

    @Override
    public boolean isReady() {
        return count >= FEWEST && span_us() >= READY_us;
    }

    private long span_us() {
        return at_us[place(count - 1)] - at_us[first];
    }

    /** A rising approach only flattens: it gains less than at its mean rate so far, noise apart. */
    @Override
    public boolean staysUnder(double value, double ahead_s) {
        double last = values[place(count - 1)];
        double rate = (last - values[first]) / (span_us() / US_PER_S);
        return last + Math.max(0, rate) * ahead_s + NOISE_degC < value;
    }

    private void fit() {
        fitted = true;
        double last = values[place(count - 1)];
        double sy = 0;
        for (int i = 0; i < count; i++) {
            sy += values[place(i)] - last;
        }
        double most = Double.NEGATIVE_INFINITY;
        int candidates = at_us[place(count - 1)] - began_us < LONG_FROM_us ? SHORT_ONES : TAU_s.length;
        for (int k = 0; k < candidates; k++) {
            double[] xs = x[k];
            double sx = 0;
            double sxx = 0;
            double sxy = 0;
            for (int i = 0, p = first; i < count; i++, p = p + 1 == CAPACITY ? 0 : p + 1) {
                sx += xs[p];
                sxx += xs[p] * xs[p];
                sxy += xs[p] * (values[p] - last);
            }
            double covered = sxy - sx * sy / count;
            double spread = sxx - sx * sx / count;
            double explained = covered * covered / spread;
            if (explained > most) {
                most = explained;
                tau_s = TAU_s[k];
                double slope = covered / spread;
                a = last + (sy - slope * sx) / count;
                b = slope * xs[place(count - 1)];
            }
        }
    }

    @Override
    public double at(double ahead_s) {
        if (!fitted) {
            fit();
        }
        return a + b * Math.exp(-ahead_s / tau_s);
    }
}
