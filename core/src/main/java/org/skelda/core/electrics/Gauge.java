package org.skelda.core.electrics;

/**
 * The instrument that a measured line reads, where a feed tells it.
 *
 * @param source whose it is, by its id in the type's {@link Network}
 * @param quantity what it shows
 */
public record Gauge(String source, Quantity quantity) {

    /** What an instrument of a source shows. */
    public enum Quantity {
        VOLTAGE,
        CURRENT
    }

    /** What it shows in V or A; NaN when it is not told. */
    public double of(PowerSample.OfSource read) {
        return quantity == Quantity.VOLTAGE ? read.voltage_V() : read.current_A();
    }
}
