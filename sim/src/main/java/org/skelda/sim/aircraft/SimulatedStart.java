package org.skelda.sim.aircraft;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.Controls;
import org.skelda.sim.Failure;
import org.skelda.sim.Surroundings;
import org.skelda.sim.start.SimulatedEngine;

/**
 * One start by a scripted crew: starter after two seconds, ignition as the type has it, fuel at a start spool, no hand
 * moved after that but what is asked for. Deterministic.
 *
 * @param profile of the type
 * @param surroundings where and in what weather
 * @param failures that the aircraft has
 * @param seed of the sensors' noise
 * @param fuelAt_pct start spool at which the crew opens the fuel; never opened when it is not reached
 * @param cutAfterLight_s the crew cuts the fuel this long after light-off; infinite for never
 * @param packsOn whether packs or heavy loads were left on
 * @param groundPower whether ground power feeds an electric start
 */
public record SimulatedStart(
        StartProfile profile,
        Surroundings surroundings,
        Set<Failure> failures,
        long seed,
        double fuelAt_pct,
        double cutAfterLight_s,
        boolean packsOn,
        boolean groundPower) {
    /** Seconds before the starter. */
    public static final double LEAD_IN_s = 2;

    private static final int STEPS_PER_SAMPLE = 5;
    private static final double US_PER_S = 1e6;

    public SimulatedStart {
        failures = Set.copyOf(failures);
    }

    /** A good start on a standard day. */
    public static SimulatedStart of(StartProfile profile) {
        return new SimulatedStart(
                profile,
                Surroundings.standard(),
                Set.of(),
                1,
                profile.fuel().preferred_pct(),
                Double.POSITIVE_INFINITY,
                false,
                false);
    }

    public SimulatedStart in(Surroundings other) {
        return new SimulatedStart(profile, other, failures, seed, fuelAt_pct, cutAfterLight_s, packsOn, groundPower);
    }

    public SimulatedStart with(Failure... wrong) {
        return new SimulatedStart(
                profile, surroundings, Set.of(wrong), seed, fuelAt_pct, cutAfterLight_s, packsOn, groundPower);
    }

    public SimulatedStart fuelAt(double pct) {
        return new SimulatedStart(profile, surroundings, failures, seed, pct, cutAfterLight_s, packsOn, groundPower);
    }

    public SimulatedStart cutAfterLight(double seconds) {
        return new SimulatedStart(profile, surroundings, failures, seed, fuelAt_pct, seconds, packsOn, groundPower);
    }

    public SimulatedStart packsLeftOn() {
        return new SimulatedStart(
                profile, surroundings, failures, seed, fuelAt_pct, cutAfterLight_s, true, groundPower);
    }

    public SimulatedStart onGroundPower() {
        return new SimulatedStart(profile, surroundings, failures, seed, fuelAt_pct, cutAfterLight_s, packsOn, true);
    }

    public SimulatedStart seed(long other) {
        return new SimulatedStart(
                profile, surroundings, failures, other, fuelAt_pct, cutAfterLight_s, packsOn, groundPower);
    }

    /** Samples ten times a second for a time (s) after the starter. */
    public List<Sample> samples(double lasts_s) {
        return samples(new SimulatedEngine(profile, surroundings, failures, seed), lasts_s);
    }

    /** The same crew on an engine of one's own, at rest. */
    public List<Sample> samples(SimulatedEngine engine, double lasts_s) {
        Controls controls = Controls.ready().withPacks(packsOn).withGroundPower(groundPower);
        List<Sample> samples = new ArrayList<>();
        double lit_s = Double.POSITIVE_INFINITY;
        long steps = Math.round((LEAD_IN_s + lasts_s) * US_PER_S / SimulatedEngine.STEP_us);
        for (long step = 0; step <= steps; step++) {
            if (step % STEPS_PER_SAMPLE == 0) {
                engine.sample().ifPresent(samples::add);
            }
            double t = engine.at_us() / US_PER_S;
            lit_s = engine.isLit() ? Math.min(lit_s, t) : lit_s;
            controls = moved(controls, engine, t, lit_s);
            engine.step(controls);
        }
        return samples;
    }

    private Controls moved(Controls controls, SimulatedEngine engine, double t, double lit_s) {
        boolean early = profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
        boolean starter = t >= LEAD_IN_s
                && !(profile.starter().byHand()
                        && engine.spool_pct() >= profile.starter().cutOut_pct());
        boolean fuel = (controls.fuel() || starter && engine.spool_pct() >= fuelAt_pct) && t < lit_s + cutAfterLight_s;
        return controls.withStarter(starter)
                .withFuel(fuel)
                .withIgnition(early ? t >= LEAD_IN_s - 1 && t < lit_s + cutAfterLight_s : fuel);
    }
}
