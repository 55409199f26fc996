package org.skelda.core.beside;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Parameter;

/**
 * How far one start's reading lay from what it is compared with.
 *
 * @param by the widest it was apart, in the parameter's unit: positive above, negative below
 * @param at when that was, since the starter
 * @param apart how long it lay outside, all told; between two starts, how long both were read
 */
public record Apart(Parameter parameter, double by, Duration at, Duration apart) {

    /** One start from another, at every moment at which both were read; a parameter that one lacks is left out. */
    public static List<Apart> between(Course one, Course other, Collection<Parameter> parameters) {
        List<Apart> all = new ArrayList<>();
        for (Parameter parameter : parameters) {
            Widest widest = new Widest(parameter);
            for (long at_us = grid(one.from_us()); at_us <= one.to_us(); at_us += Band.STEP_us) {
                double by = one.at(parameter, at_us) - other.at(parameter, at_us);
                if (!Double.isNaN(by)) {
                    widest.take(by, at_us);
                }
            }
            widest.told().ifPresent(all::add);
        }
        return List.copyOf(all);
    }

    /** One start from a band; a parameter that never lay outside is left out. */
    public static List<Apart> from(Band band, Course one) {
        List<Apart> all = new ArrayList<>();
        for (Band.Spread spread : band.spreads()) {
            Widest widest = new Widest(spread.parameter());
            for (int i = 0; i < spread.median().size(); i++) {
                long at_us = band.from_us() + i * band.step_us();
                double by = outside(
                        one.at(spread.parameter(), at_us),
                        spread.lowest().get(i),
                        spread.highest().get(i));
                if (by != 0) {
                    widest.take(by, at_us);
                }
            }
            widest.told().ifPresent(all::add);
        }
        return List.copyOf(all);
    }

    private static double outside(double value, @Nullable Double lowest, @Nullable Double highest) {
        if (Double.isNaN(value) || lowest == null || highest == null) {
            return 0;
        }
        return value > highest ? value - highest : Math.min(0, value - lowest);
    }

    private static long grid(long from_us) {
        return Math.ceilDiv(from_us, Band.STEP_us) * Band.STEP_us;
    }

    /** Keeps the widest of what it is told. */
    private static final class Widest {
        private final Parameter parameter;
        private double by;
        private long at_us;
        private long moments;

        Widest(Parameter parameter) {
            this.parameter = parameter;
        }

        void take(double apart, long moment_us) {
            moments++;
            if (moments == 1 || Math.abs(apart) > Math.abs(by)) {
                by = apart;
                at_us = moment_us;
            }
        }

        Optional<Apart> told() {
            return moments == 0
                    ? Optional.empty()
                    : Optional.of(new Apart(parameter, by, micros(at_us), micros(moments * Band.STEP_us)));
        }

        private static Duration micros(long time_us) {
            return Duration.ofNanos(time_us * 1000);
        }
    }
}
