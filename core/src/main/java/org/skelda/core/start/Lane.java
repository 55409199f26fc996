package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Limit;

/**
 * One reading of a start as it is shown: its value, and how far that is from its limits.
 *
 * @param parameter what is read
 * @param value in the parameter's unit; null when it is lost or was never read
 * @param note the margin in figures, or what it is held to
 * @param forecast_s time until the temperature is forecast to exceed a limit (s); null when it is not
 */
public record Lane(
        Parameter parameter,
        @Nullable Double value,
        String note,
        @Nullable Double forecast_s) {

    /**
     * Every lane of a type, in the order in which they stand.
     *
     * @param monitor that watches the engine
     * @param attempt the running one, or the last while it is still shown; null when there is none
     * @param elevation_ft of the stand
     */
    public static List<Lane> all(
            StartProfile profile, StartMonitor monitor, @Nullable AttemptReport attempt, double elevation_ft) {
        List<Lane> lanes = new ArrayList<>();
        for (Parameter parameter : List.of(
                Parameter.SPOOL,
                Parameter.TEMPERATURE,
                Parameter.FLOW,
                Parameter.OIL,
                profile.supplyParameter(),
                Parameter.FAN)) {
            double value = monitor.value(parameter);
            Double forecast_s = parameter == Parameter.TEMPERATURE ? limitIn_s(profile, monitor) : null;
            String note = Double.isNaN(value)
                    ? "no reading"
                    : note(profile, parameter, value, attempt, elevation_ft, monitor, forecast_s);
            lanes.add(new Lane(parameter, Double.isNaN(value) ? null : (Double) value, note, forecast_s));
        }
        return List.copyOf(lanes);
    }

    private static String note(
            StartProfile profile,
            Parameter parameter,
            double value,
            @Nullable AttemptReport attempt,
            double elevation_ft,
            StartMonitor monitor,
            @Nullable Double forecast_s) {
        return switch (parameter) {
            case SPOOL ->
                text(
                        "starter out at %.0f, overrun %.0f",
                        profile.starter().cutOut_pct(), profile.starter().overrun_pct());
            case TEMPERATURE ->
                forecast_s != null
                        ? text("first limit in %.1f s at this rate", forecast_s)
                        : temperature(profile, value);
            case FLOW -> flow(profile, value, attempt, monitor);
            case OIL -> oil(profile, value, attempt);
            case DUCT, VOLTS -> supply(profile, value, attempt, elevation_ft, monitor);
            case FAN -> text("must turn by %.0f %% %s", profile.turning().fanBy_pct(), profile.words(Parameter.SPOOL));
            case AMPERES -> "";
        };
    }

    /** How far a temperature (degC) is from every start limit, in figures. */
    public static String temperature(StartProfile profile, double value) {
        List<String> all = profile.temperatureLimits().stream()
                .map(limit -> value <= limit.value()
                        ? text("%.0f below %.0f", limit.value() - value, limit.value())
                        : text("%.0f above %.0f", value - limit.value(), limit.value()))
                .toList();
        return String.join(", ", all);
    }

    /** The flow is held to its cut value until a while after light-off; afterwards an engine may burn more. */
    private static String flow(
            StartProfile profile, double value, @Nullable AttemptReport attempt, StartMonitor monitor) {
        double most = profile.fuel().cutAbove_kgph();
        Duration lit = attempt == null ? null : attempt.milestones().get(Milestone.LIGHT_OFF);
        if (attempt != null
                && lit != null
                && monitor.since(attempt).compareTo(lit.plus(FuelRules.FLOW_AFTER_LIGHT)) > 0) {
            return text("%.0f was for light-off only", most);
        }
        return value <= most
                ? text("%.0f below %.0f at light-off", most - value, most)
                : text("%.0f above %.0f at light-off", value - most, most);
    }

    private static String oil(StartProfile profile, double value, @Nullable AttemptReport attempt) {
        boolean idle = attempt != null && attempt.milestones().containsKey(Milestone.IDLE);
        if (idle) {
            double margin = value - profile.idle().oilLeast_kpa();
            return margin >= 0
                    ? text(
                            "%.0f above the idle minimum %.0f",
                            margin, profile.idle().oilLeast_kpa())
                    : text(
                            "%.0f under the idle minimum %.0f",
                            -margin, profile.idle().oilLeast_kpa());
        }
        Duration rising = attempt == null ? null : attempt.milestones().get(Milestone.OIL_RISING);
        return rising == null ? "not rising yet" : text("rising since %.0f s", rising.toNanos() / 1e9);
    }

    private static String supply(
            StartProfile profile,
            double value,
            @Nullable AttemptReport attempt,
            double elevation_ft,
            StartMonitor monitor) {
        boolean cranking = monitor.standing().starter();
        if (!cranking && attempt != null && !attempt.ended()) {
            return "starter out";
        }
        double spool_pct = monitor.value(Parameter.SPOOL);
        double least = cranking
                ? profile.supply().crankingAt(Double.isNaN(spool_pct) ? 0 : spool_pct, elevation_ft)
                : profile.supply().beforeStarterAt(elevation_ft);
        String which = cranking ? "while cranking" : "before the starter";
        double margin = value - least;
        String unit = profile.supplyUnit();
        boolean volts = profile.supplyParameter() == Parameter.VOLTS;
        return text(
                volts ? "%.1f %s %s %.1f %s" : "%.0f %s %s %.0f %s",
                Math.abs(margin),
                unit,
                margin >= 0 ? "above" : "under",
                least,
                which);
    }

    /**
     * When the drawn forecast first passes a limit that it will outstay, or that allows no time; null when it does not.
     */
    private static @Nullable Double limitIn_s(StartProfile profile, StartMonitor monitor) {
        List<Double> curve = monitor.forecast(FORECAST_POINTS);
        for (int i = 0; i < curve.size(); i++) {
            for (Limit limit : profile.temperatureLimits()) {
                if (limit.allowed().isZero() && curve.get(i) > limit.value()) {
                    return i * TemperatureForecast.DRAWN_EVERY_s;
                }
            }
        }
        return null;
    }

    /** Points of a forecast as it is drawn: 5 s of it. */
    public static final int FORECAST_POINTS = 21;
}
