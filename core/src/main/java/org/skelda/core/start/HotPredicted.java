package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.skelda.core.limit.Limit;

/** HOT_PREDICTED: the temperature is forecast to exceed a start limit. Not said once a limit is exceeded. */
final class HotPredicted implements Rule.AtSample, Rule.AtMilestone {
    private final TemperatureForecast forecast;

    HotPredicted(TemperatureForecast forecast) {
        this.forecast = forecast;
    }

    @Override
    public void reached(Attempt a, Milestone milestone) {
        if (milestone == Milestone.LIGHT_OFF) {
            forecast.lit(a.now_us());
        }
    }

    @Override
    public void sampled(Attempt a) {
        double temperature = a.readings().of(Parameter.TEMPERATURE).last();
        if (a.readings().of(Parameter.TEMPERATURE).last_us() != a.now_us() || !a.isReached(Milestone.FUEL_ON)) {
            return;
        }
        double toCutOut_pct = a.starter() ? a.profile().starter().cutOut_pct() - a.value(Parameter.SPOOL) : Double.NaN;
        forecast.read(a.now_us(), temperature, toCutOut_pct);
        if (!a.switches().fuel()
                || !a.isReached(Milestone.LIGHT_OFF)
                || !a.mayRaise(FindingId.HOT_PREDICTED, a.profile().guardedCut())
                || !a.mayRaise(FindingId.HOT_START, a.profile().guardedCut())) {
            return;
        }
        Limit limit =
                forecast.ofAny(a.limitWatches()) == TemperatureForecast.Exceeding.CALLED ? forecast.about() : null;
        if (limit != null) {
            a.raise(
                    FindingId.HOT_PREDICTED,
                    a.now_us(),
                    a.profile().guardedCut(),
                    text(
                            "%s at %.0f °C is forecast to %s within 5 s.",
                            a.profile().words(Parameter.TEMPERATURE),
                            temperature,
                            limit.allowed().isZero()
                                    ? text("exceed the start limit of %.0f °C", limit.value())
                                    : text(
                                            "outstay the %d s allowed above %.0f °C",
                                            limit.allowed().toSeconds(), limit.value())));
        }
    }
}
