package org.skelda.core.limit;

/**
 * The least-squares slope over the readings of the last seconds, both ends included. Needs three readings in its
 * window; empty cells are simply not read.
 *
 * <p>Source: ordinary least squares of value on time, b = (n Stv - St Sv) / (n Stt - St St), from sums that slide along
 * with the window: it is asked at every sample, and a library's regression took a third of the whole step. One thread.
 */
public final class SlopeWindow {
    private static final int FIRST_CAPACITY = 64;
    private static final int FEWEST = 3;
    private static final double US_PER_S = 1e6;
    /** Sums are made anew from a nearer zero this often, so that no rounding error lasts. */
    private static final long REBASE_us = 20_000_000;

    private final long length_us;
    private long zero_us;
    private long[] at_us = new long[FIRST_CAPACITY];
    private double[] values = new double[FIRST_CAPACITY];
    private int first;
    private int count;
    private double sumT;
    private double sumV;
    private double sumTT;
    private double sumTV;

    /**
     * @param length_us of the window (us)
     * @param zero_us the moment that times are reckoned from at first, not after the readings, so that a shifted clock
     *     gives the same slope
     */
    public SlopeWindow(long length_us, long zero_us) {
        this.length_us = length_us;
        this.zero_us = zero_us;
    }

    /** Another window that holds the same readings. */
    public SlopeWindow copy() {
        SlopeWindow copy = new SlopeWindow(length_us, zero_us);
        copy.at_us = at_us.clone();
        copy.values = values.clone();
        copy.first = first;
        copy.count = count;
        copy.sumT = sumT;
        copy.sumV = sumV;
        copy.sumTT = sumTT;
        copy.sumTV = sumTV;
        return copy;
    }

    /** A reading, later than those before. @param value finite */
    public void read(long time_us, double value) {
        while (count > 0 && at_us[first] < time_us - length_us) {
            take(-1, seconds(at_us[first]), values[first]);
            first = first + 1 == at_us.length ? 0 : first + 1;
            if (--count == 0) {
                sumT = sumV = sumTT = sumTV = 0; // Nothing is left: neither are rounding errors.
            }
        }
        if (count == at_us.length) {
            grow();
        }
        int place = first + count < at_us.length ? first + count : first + count - at_us.length;
        at_us[place] = time_us;
        values[place] = value;
        count++;
        if (time_us - zero_us > REBASE_us) {
            rebase();
        } else {
            take(1, seconds(time_us), value);
        }
    }

    private void rebase() {
        zero_us = at_us[first];
        sumT = sumV = sumTT = sumTV = 0;
        for (int i = 0; i < count; i++) {
            int place = (first + i) % at_us.length;
            take(1, seconds(at_us[place]), values[place]);
        }
    }

    private void take(int sign, double t, double v) {
        sumT += sign * t;
        sumV += sign * v;
        sumTT += sign * t * t;
        sumTV += sign * t * v;
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
        return count < FEWEST ? Double.NaN : (count * sumTV - sumT * sumV) / (count * sumTT - sumT * sumT);
    }

    /** How many readings the window holds. */
    public int count() {
        return count;
    }
}
