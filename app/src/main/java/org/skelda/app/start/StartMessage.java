package org.skelda.app.start;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;

/**
 * What is told of an engine while it is watched.
 *
 * @param view as it stands
 * @param samples new readings: milliseconds since 1970 on the feed's clock, then start spool, temperature, flow, oil,
 *     supply, fan, starter, fuel (1 or 0); null where there is none
 */
public record StartMessage(StartView view, List<List<@Nullable Double>> samples) {
    private static final double US_PER_MS = 1000;

    /** Readings as they go over a wire; times as the samples have them, in milliseconds. */
    public static List<List<@Nullable Double>> rows(StartProfile profile, List<Sample> samples) {
        return samples.stream()
                .map(sample -> {
                    List<@Nullable Double> row = new ArrayList<>();
                    row.add(sample.at_us() / US_PER_MS);
                    for (Parameter parameter : List.of(
                            Parameter.SPOOL,
                            Parameter.TEMPERATURE,
                            Parameter.FLOW,
                            Parameter.OIL,
                            profile.supplyParameter(),
                            Parameter.FAN)) {
                        double value = sample.of(parameter);
                        row.add(Double.isNaN(value) ? null : (Double) value);
                    }
                    row.add(told(sample.starter()));
                    row.add(told(sample.fuel()));
                    return row;
                })
                .toList();
    }

    private static @Nullable Double told(Switch position) {
        return position == Switch.UNTOLD ? null : (Double) (position == Switch.ON ? 1.0 : 0.0);
    }
}
