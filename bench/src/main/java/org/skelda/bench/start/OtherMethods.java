package org.skelda.bench.start;

import org.hipparchus.stat.regression.OLSMultipleLinearRegression;
import org.hipparchus.stat.regression.SimpleRegression;
import org.skelda.core.start.Extrapolation;

/** The curves that the chosen forecast was measured against. */
final class OtherMethods {
    private OtherMethods() {}

    /** Readings of the last seconds, oldest first. */
    private abstract static class Windowed implements Extrapolation {
        private static final int CAPACITY = 512;
        private final long window_us;
        private final long ready_us;
        private final long[] at_us = new long[CAPACITY];
        private final double[] values = new double[CAPACITY];
        private int count;
        private boolean fitted;

        Windowed(double window_s, double ready_s) {
            window_us = Math.round(window_s * 1e6);
            ready_us = Math.round(ready_s * 1e6);
        }

        @Override
        public final void restart() {
            count = 0;
        }

        @Override
        public final void read(long time_us, double value) {
            int gone = 0;
            while (gone < count && (at_us[gone] < time_us - window_us || count - gone == CAPACITY)) {
                gone++;
            }
            System.arraycopy(at_us, gone, at_us, 0, count - gone);
            System.arraycopy(values, gone, values, 0, count - gone);
            count -= gone;
            at_us[count] = time_us;
            values[count++] = value;
            fitted = false;
        }

        @Override
        public final boolean isReady() {
            return count >= 4 && at_us[count - 1] - at_us[0] >= ready_us;
        }

        final int count() {
            return count;
        }

        /** Seconds before the last reading, not positive. */
        final double seconds(int i) {
            return (at_us[i] - at_us[count - 1]) / 1e6;
        }

        final double value(int i) {
            return values[i];
        }

        abstract void fit();

        abstract double curve(double ahead_s);

        @Override
        public final double at(double ahead_s) {
            if (!fitted) {
                fit();
                fitted = true;
            }
            return curve(ahead_s);
        }
    }

    /** A straight line through the last second. */
    static final class StraightLine extends Windowed {
        private final SimpleRegression line = new SimpleRegression();

        StraightLine() {
            super(1.0, 0.8);
        }

        @Override
        void fit() {
            line.clear();
            for (int i = 0; i < count(); i++) {
                line.addData(seconds(i), value(i));
            }
        }

        @Override
        double curve(double ahead_s) {
            return line.predict(ahead_s);
        }
    }

    /** A parabola through the last 3 s. */
    static final class Parabola extends Windowed {
        private double[] beta = new double[3];

        Parabola() {
            super(3.0, 1.9);
        }

        @Override
        void fit() {
            double[] y = new double[count()];
            double[][] x = new double[count()][];
            for (int i = 0; i < y.length; i++) {
                y[i] = value(i);
                x[i] = new double[] {seconds(i), seconds(i) * seconds(i)};
            }
            OLSMultipleLinearRegression regression = new OLSMultipleLinearRegression();
            regression.newSampleData(y, x);
            beta = regression.estimateRegressionParameters();
        }

        @Override
        double curve(double ahead_s) {
            return beta[0] + beta[1] * ahead_s + beta[2] * ahead_s * ahead_s;
        }
    }

    /** The same exponential approach with all its time constants from the beginning, and from half a second on. */
    static final class UnguardedApproach extends Windowed {
        private static final double[] TAU_s = {0.5, 1, 2, 4, 8, 16};
        private final SimpleRegression line = new SimpleRegression();
        private double intercept;
        private double slope;
        private double tau_s;

        UnguardedApproach() {
            super(3.0, 0.5);
        }

        @Override
        void fit() {
            double least = Double.POSITIVE_INFINITY;
            for (double candidate : TAU_s) {
                line.clear();
                for (int i = 0; i < count(); i++) {
                    line.addData(Math.exp(-seconds(i) / candidate), value(i));
                }
                if (line.getSumSquaredErrors() < least) {
                    least = line.getSumSquaredErrors();
                    intercept = line.getIntercept();
                    slope = line.getSlope();
                    tau_s = candidate;
                }
            }
        }

        @Override
        double curve(double ahead_s) {
            return intercept + slope * Math.exp(-ahead_s / tau_s);
        }
    }
}
