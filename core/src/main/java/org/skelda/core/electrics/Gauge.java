package org.skelda.core.electrics;

import org.jspecify.annotations.Nullable;

/**
 * The instrument that a measured line reads, where a feed tells it.
 *
 * @param source whose it is, by its id in the type's {@link Network}; {@value #ENGINES} for a fan
 * @param quantity what it shows
 */
public record Gauge(String source, Quantity quantity) {

    /** In place of a source: all engines, of which the fastest fan is meant. */
    public static final String ENGINES = "engines";

    /** What an instrument shows: of a source in V or A, of the engines in % N1. */
    public enum Quantity {
        VOLTAGE,
        CURRENT,
        FAN
    }

    /** What it shows of a source, in V or A; NaN when it is not told. */
    public double of(PowerSample.OfSource read) {
        return switch (quantity) {
            case VOLTAGE -> read.voltage_V();
            case CURRENT -> read.current_A();
            case FAN -> Double.NaN;
        };
    }

    /** Whether a type has what it is an instrument of. @param network of the type; null when it tells of none */
    public boolean isOf(@Nullable Network network) {
        return quantity == Quantity.FAN
                ? source.equals(ENGINES)
                : network != null
                        && network.sources().stream().anyMatch(one -> one.id().equals(source));
    }
}
