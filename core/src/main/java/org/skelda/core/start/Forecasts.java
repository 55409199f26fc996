package org.skelda.core.start;

/** The forecast that was chosen by measurement; the comparison is told in docs/forecast.md. */
public final class Forecasts {
    private Forecasts() {}

    /** A fresh forecast for one attempt. */
    public static TemperatureForecast chosen() {
        return new TemperatureForecast(
                new ExponentialApproach(),
                new TemperatureForecast.Calling(3, 0.2, 4.0, 2.0),
                new CreepingHeat(),
                new LeapingHeat());
    }

    /** What was chosen before, for the comparison: the curve alone. */
    public static TemperatureForecast curveAlone() {
        return new TemperatureForecast(new ExponentialApproach(), new TemperatureForecast.Calling(3, 0.2, 4.0, 2.0));
    }

    /** A forecast that never says anything. */
    public static TemperatureForecast none() {
        return new TemperatureForecast(Silent.INSTANCE, new TemperatureForecast.Calling(1, 0, 5, 2));
    }

    private enum Silent implements Extrapolation {
        INSTANCE;

        @Override
        public void restart() {}

        @Override
        public void read(long at_us, double value) {}

        @Override
        public boolean isReady() {
            return false;
        }

        @Override
        public double at(double ahead_s) {
            return Double.NaN;
        }
    }
}
