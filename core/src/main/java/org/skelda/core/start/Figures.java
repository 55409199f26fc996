package org.skelda.core.start;

import java.util.Optional;
import org.skelda.core.limit.Signal;

/** The numbers of an attempt that are remembered: peak, dip, times and flow. Times are microseconds. */
final class Figures {
    private static final long DIP_WITHIN_us = 2_000_000;
    private static final double FLAT_pctps = 0.2;
    private static final long STEADY_us = 3_000_000;
    private static final double LEAST_MOTORING_pct = 5;
    private static final double FALLEN_pct = 2;
    private static final double FALLS_pctps = -0.5;
    private static final double TAKEN_v = 1.5;
    /** An ammeter that sees the starter shows hundreds of amperes at the dip. */
    private static final double STARTER_SEEN_a = 100;

    private static final double MOHM_PER_OHM = 1000;

    private double peak_c = Double.NEGATIVE_INFINITY;
    private long peakAt_us = Signal.NEVER;
    private double dip_v = Double.POSITIVE_INFINITY;
    private double coolestSinceFuel_c = Double.POSITIVE_INFINITY;
    private double flowAtLightOff_kgph = Double.NaN;
    private boolean lit;
    private boolean fuelled;
    private long preferred_us = Signal.NEVER;
    private double motoring_pct = Double.NEGATIVE_INFINITY;
    private long starter_us;
    private double lowestDuct_kpa = Double.POSITIVE_INFINITY;
    private double voltsBefore = Double.NaN;
    private double amperesBefore = Double.NaN;
    private double amperesAtDip = Double.NaN;
    private boolean fellOnStarter;
    private long last_us = Signal.NEVER;
    private boolean starterBefore;

    void absorb(Attempt a, Sample sample) {
        if (starterBefore && last_us != Signal.NEVER) {
            starter_us += sample.at_us() - last_us;
        }
        last_us = sample.at_us();
        starterBefore = a.switches().starter();
        fuelled |= a.fuelComesOn();
        double temperature = sample.temperature_c();
        if (temperature > peak_c) {
            peak_c = temperature;
            peakAt_us = sample.at_us();
        }
        if (fuelled && temperature < coolestSinceFuel_c) {
            coolestSinceFuel_c = temperature;
        }
        if (sample.at_us() - a.startedAt_us() <= DIP_WITHIN_us && sample.bus_v() < dip_v) {
            dip_v = sample.bus_v();
            amperesAtDip = sample.bus_a();
        }
        if (!fuelled && starterBefore && sample.spool_pct() > motoring_pct) {
            motoring_pct = sample.spool_pct();
        }
        if (starterBefore && sample.duct_kpa() < lowestDuct_kpa) {
            lowestDuct_kpa = sample.duct_kpa();
        }
        if (Double.isNaN(voltsBefore)) {
            voltsBefore = sample.bus_v();
            amperesBefore = sample.bus_a();
        }
        fellOnStarter = fellOnStarter || starterBefore && fallsOnStarter(a);
        preferred(a, sample);
    }

    /**
     * The starter is on, its supply is there, and below the speed at which it motors the spool falls: it turns the
     * engine no more.
     */
    private boolean fallsOnStarter(Attempt a) {
        Switches switches = a.switches();
        return a.now_us() - switches.starterOn_us() >= STEADY_us
                && motoring_pct >= LEAST_MOTORING_pct
                && a.value(Parameter.SPOOL)
                        < Math.min(motoring_pct, a.profile().fuel().minimum_pct()) - FALLEN_pct
                && a.windows().spoolOver3s() <= FALLS_pctps
                && MilestoneRules.supplied(a);
    }

    /** Whether the starter does not turn the engine although it takes air or current, or the spool has fallen on it. */
    boolean isDriveLost(Attempt a) {
        boolean still = a.findings().stream().anyMatch(finding -> finding.id() == FindingId.NO_ROTATION);
        return fellOnStarter || still && (a.isReached(Milestone.VALVE_OPEN) || dip_v < voltsBefore - TAKEN_v);
    }

    /** Lowest duct pressure with the starter on, where it is measured. */
    Optional<Double> lowestDuct_kpa() {
        return lowestDuct_kpa < Double.POSITIVE_INFINITY ? Optional.of(lowestDuct_kpa) : Optional.empty();
    }

    /** The preferred speed is reached, or the spool turns as fast as it will above the minimum. */
    private void preferred(Attempt a, Sample sample) {
        if (preferred_us != Signal.NEVER || fuelled || !a.switches().starter()) {
            return;
        }
        StartProfile.Fuel fuel = a.profile().fuel();
        double spool = sample.spool_pct();
        if (spool >= fuel.preferred_pct()
                || spool >= fuel.minimum_pct() && a.windows().spoolOver3s() < FLAT_pctps) {
            preferred_us = sample.at_us();
        }
    }

    /** Remembers the flow as the engine lights. */
    void lightOff(Attempt a) {
        lit = true;
        flowAtLightOff_kgph = a.value(Parameter.FLOW);
    }

    /** Coolest reading since the first fuel on (degC); infinite before. */
    double coolestSinceFuel_c() {
        return coolestSinceFuel_c;
    }

    /** Hottest reading of the attempt (degC); minus infinity before there was one. */
    double peak_c() {
        return peak_c;
    }

    /** When that was. */
    long peakAt_us() {
        return peakAt_us;
    }

    /** When fuel would best have come on; {@link Signal#NEVER} when that never was. */
    long preferred_us() {
        return preferred_us;
    }

    /** How long the starter was on so far, up to the last sample. */
    long starter_us() {
        return starter_us;
    }

    /** Highest start spool on the starter before fuel (%). */
    Optional<Double> motoring_pct() {
        return motoring_pct == Double.NEGATIVE_INFINITY ? Optional.empty() : Optional.of(motoring_pct);
    }

    /** Lowest bus volts within 2.0 s of starter on, where they are measured. */
    Optional<Double> dip_v() {
        return dip_v < Double.POSITIVE_INFINITY ? Optional.of(dip_v) : Optional.empty();
    }

    /**
     * Resistance of what fed the starter, mOhm: (volts before less volts at the dip) / (current at the dip less current
     * before), at the one instant of the dip. Empty where the ammeter does not see the starter.
     */
    Optional<Double> resistance_mohm() {
        double taken_a = amperesAtDip - amperesBefore;
        double fallen_v = voltsBefore - dip_v;
        return taken_a >= STARTER_SEEN_a && fallen_v > 0
                ? Optional.of(fallen_v / taken_a * MOHM_PER_OHM)
                : Optional.empty();
    }

    /** Fuel flow at light-off (kg/h), where it was lit and flow was read. */
    Optional<Double> flowAtLightOff_kgph() {
        return lit && !Double.isNaN(flowAtLightOff_kgph) ? Optional.of(flowAtLightOff_kgph) : Optional.empty();
    }
}
