package org.skelda.core.start;

/**
 * One engine's readings at one moment. NaN where there is no reading at this sample.
 *
 * @param at_us microseconds on the feed's or the trace's own clock
 * @param spool_pct N2 or Ng, %
 * @param fan N1, %, or Np, rpm
 * @param temperature_c EGT or ITT, degC
 * @param flow_kgph fuel flow, kg/h
 * @param oil_kpa oil pressure, kPa
 * @param duct_kpa duct pressure, kPa gauge
 * @param bus_v bus voltage, V
 * @param bus_a bus current, A
 * @param starter whether the starter is engaged
 * @param fuel whether the fuel lever is on
 * @param ignition whether the igniters are on
 */
public record Sample(
        long at_us,
        double spool_pct,
        double fan,
        double temperature_c,
        double flow_kgph,
        double oil_kpa,
        double duct_kpa,
        double bus_v,
        double bus_a,
        Switch starter,
        Switch fuel,
        Switch ignition) {

    /** A moment at which nothing of an engine is read. */
    public static Sample nothing(long at_us) {
        double none = Double.NaN;
        return new Sample(
                at_us, none, none, none, none, none, none, none, none, Switch.UNTOLD, Switch.UNTOLD, Switch.UNTOLD);
    }

    /** The reading of one parameter; NaN when there is none at this sample. */
    public double of(Parameter parameter) {
        return switch (parameter) {
            case SPOOL -> spool_pct;
            case FAN -> fan;
            case TEMPERATURE -> temperature_c;
            case FLOW -> flow_kgph;
            case OIL -> oil_kpa;
            case DUCT -> duct_kpa;
            case VOLTS -> bus_v;
            case AMPERES -> bus_a;
        };
    }

    /** The same readings at another time. */
    public Sample at(long other_us) {
        return new Sample(
                other_us,
                spool_pct,
                fan,
                temperature_c,
                flow_kgph,
                oil_kpa,
                duct_kpa,
                bus_v,
                bus_a,
                starter,
                fuel,
                ignition);
    }
}
