package org.skelda.core.limit;

import org.hipparchus.stat.regression.SimpleRegression;

/**
 * The least-squares slope over the readings of the last seconds, both ends included. Needs three readings in its window; empty
 * cells are simply not read.
 *
 * <p>Source: ordinary least squares of value on time. One thread.
 */
public final class SlopeWindow {
    private static final int FIRST_CAPACITY = 64;
    private static final int FEWEST = 3;
    private static final double US_PER_S = 1e6;

    private final long length_us;
    private final long zero_us;
    private final SimpleRegression line = new SimpleRegression();
    private long[] at_us = new long[FIRST_CAPACITY];
    private double[] values = new double[FIRST_CAPACITY];
    private int first;
    private int count;

    /**
     * @param length_us of the window (us)
     * @param zero_us the moment that times are reckoned from, near the readings, so that a shifted clock gives the same slope
     */
    public SlopeWindow(long length_us, long zero_us) {
        this.length_us = length_us;
        this.zero_us = zero_us;
    }

    /** A reading, later than those before. @param value finite */
    public void read(long time_us, double value) {
        while (count > 0 && at_us[first] < time_us - length_us) {
            count--;
            if (count == 0) {
                line.clear(); // Taking away the last reading would divide by none.
            } else {
                line.removeData(seconds(at_us[first]), values[first]);
            }
            first = (first + 1) % at_us.length;
        }
        if (count == at_us.length) {
            grow();
        }
        int place = (first + count) % at_us.length;
        at_us[place] = time_us;
        values[place] = value;
        count++;
        line.addData(seconds(time_us), value);
    }

    private double seconds(long time_us) {
        return (time_us - zero_us) / US_PER_S;
    }

    private void grow() {
        long[] times = new long[at_us.length * 2];
        double[] grown = new double[at_us.length * 2];
        for (int i = 0; i < count; i++) {
            times[i] = at_us[(first + i) % at_us.length];
            grown[i] = values[(first + i) % at_us.length];
        }
        at_us = times;
        values = grown;
        first = 0;
    }

    /** Change per second as of the last reading, in the value's unit; NaN with fewer than three readings. */
    public double perSecond() {
        return count < FEWEST ? Double.NaN : line.getSlope();
    }

    /** How many readings the window holds. */
    public int count() {
        return count;
    }
}
