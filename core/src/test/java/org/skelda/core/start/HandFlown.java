package org.skelda.core.start;

import java.util.ArrayList;
import java.util.List;

/** An engine whose readings are set by hand, ten times a second, second by second. It is no model of an engine. */
final class HandFlown {
    private static final long STEP_us = 100_000;

    final StartProfile profile;
    final StartMonitor monitor;
    final List<Sample> samples = new ArrayList<>();
    double spool_pct;
    double temperature_c = 15;
    double flow_kgph;
    double oil_kpa;
    double risesPerSecond_c;
    double spoolPerSecond_pct;
    boolean starter;
    boolean fuel;
    boolean ignition;
    private long now_us;

    HandFlown(StartProfile profile) {
        this.profile = profile;
        this.monitor = new StartMonitor(profile, 0);
        for_s(1);
    }

    /** Everything stays as it is set for a time, but for what rises by itself. */
    HandFlown for_s(double seconds) {
        for (int i = (int) Math.round(seconds * 10); i > 0; i--) {
            boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
            double supply = profile.supply().beforeStarter() + 1;
            Sample sample = new Sample(
                    now_us,
                    spool_pct,
                    Math.max(0, spool_pct * 10),
                    temperature_c,
                    flow_kgph,
                    oil_kpa,
                    air ? supply : Double.NaN,
                    air ? Double.NaN : supply,
                    Double.NaN,
                    told(starter),
                    told(fuel),
                    told(ignition));
            samples.add(sample);
            monitor.accept(sample);
            now_us += STEP_us;
            temperature_c += risesPerSecond_c / 10;
            spool_pct = Math.max(0, spool_pct + spoolPerSecond_pct / 10);
        }
        return this;
    }

    HandFlown starter(boolean on) {
        starter = on;
        return this;
    }

    HandFlown ignition(boolean on) {
        ignition = on;
        return this;
    }

    /** Fuel on or off, with its flow. */
    HandFlown fuel(boolean on) {
        fuel = on;
        flow_kgph = on ? profile.fuel().normalFrom_kgph() : 0;
        return this;
    }

    HandFlown spool(double pct) {
        spool_pct = pct;
        return this;
    }

    HandFlown temperature(double degC) {
        temperature_c = degC;
        return this;
    }

    HandFlown rising(double degCps) {
        risesPerSecond_c = degCps;
        return this;
    }

    /** Starter on and turning, up to fuel at the preferred speed, oil up. */
    HandFlown toFuel() {
        starter(true).ignition(true).for_s(1);
        oil_kpa = profile.idle().oilLeast_kpa();
        spool(profile.fuel().preferred_pct()).for_s(4);
        return fuel(true).for_s(0.5);
    }

    /** From fuel to light-off, the temperature then steady. */
    HandFlown lit() {
        return temperature(300).for_s(2);
    }

    /** Fuel and ignition off. */
    HandFlown cut() {
        return fuel(false).ignition(false).for_s(0.5);
    }

    List<AttemptReport> attempts() {
        return monitor.attempts();
    }

    List<FindingId> findings(int attempt) {
        return attempts().get(attempt).findings().stream().map(Finding::id).toList();
    }

    private static Switch told(boolean on) {
        return on ? Switch.ON : Switch.OFF;
    }
}
