package org.skelda.sim.aircraft;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.Controls;
import org.skelda.sim.EngineControls;
import org.skelda.sim.Failure;
import org.skelda.sim.Fault;
import org.skelda.sim.Surroundings;
import org.skelda.sim.electrics.BatteryState;
import org.skelda.sim.start.SimulatedEngine;

/**
 * One start by a scripted crew: starter after two seconds, ignition as the type has it, fuel at a start spool, no hand
 * moved after that but what is asked for. With a start computer the crew's master is all of it. Deterministic.
 *
 * @param profile of the type
 * @param surroundings where and in what weather
 * @param faults that the aircraft has
 * @param seed of the sensors' noise
 * @param fuelAt_pct start spool at which the crew opens the fuel; never opened when it is not reached; a start computer
 *     opens it at its own
 * @param cutAfterLight_s the crew cuts the fuel this long after light-off; infinite for never
 * @param shared how the controls stand that are not the engine's
 */
public record SimulatedStart(
        StartProfile profile,
        Surroundings surroundings,
        List<Fault> faults,
        long seed,
        double fuelAt_pct,
        double cutAfterLight_s,
        Controls shared) {
    /** Seconds before the starter. */
    public static final double LEAD_IN_s = 2;

    private static final int STEPS_PER_SAMPLE = 5;
    private static final double US_PER_S = 1e6;

    public SimulatedStart {
        faults = List.copyOf(faults);
    }

    /** A good start on a standard day. */
    public static SimulatedStart of(StartProfile profile) {
        return new SimulatedStart(
                profile,
                Surroundings.standard(),
                List.of(),
                1,
                profile.fuel().preferred_pct(),
                Double.POSITIVE_INFINITY,
                Controls.ready());
    }

    public SimulatedStart in(Surroundings other) {
        return new SimulatedStart(profile, other, faults, seed, fuelAt_pct, cutAfterLight_s, shared);
    }

    /** With failures as bad as they get. */
    public SimulatedStart with(Failure... wrong) {
        return with(Arrays.stream(wrong).map(Fault::of).toList());
    }

    public SimulatedStart with(List<Fault> wrong) {
        return new SimulatedStart(profile, surroundings, wrong, seed, fuelAt_pct, cutAfterLight_s, shared);
    }

    public SimulatedStart fuelAt(double pct) {
        return new SimulatedStart(profile, surroundings, faults, seed, pct, cutAfterLight_s, shared);
    }

    public SimulatedStart cutAfterLight(double seconds) {
        return new SimulatedStart(profile, surroundings, faults, seed, fuelAt_pct, seconds, shared);
    }

    public SimulatedStart packsLeftOn() {
        return sharing(shared.withPacks(true));
    }

    public SimulatedStart onGroundPower() {
        return sharing(shared.withGroundPower(true));
    }

    /** With other controls that are not the engine's. */
    public SimulatedStart sharing(Controls other) {
        return new SimulatedStart(profile, surroundings, faults, seed, fuelAt_pct, cutAfterLight_s, other);
    }

    public SimulatedStart seed(long other) {
        return new SimulatedStart(profile, surroundings, faults, other, fuelAt_pct, cutAfterLight_s, shared);
    }

    /** Samples ten times a second for a time (s) after the starter. */
    public List<Sample> samples(double lasts_s) {
        return samples(aircraft(), lasts_s);
    }

    /** The same crew with a battery of its own. */
    public List<Sample> samples(BatteryState battery, double lasts_s) {
        SimulatedAircraft aircraft = aircraft();
        aircraft.battery(battery);
        return samples(aircraft, lasts_s);
    }

    private SimulatedAircraft aircraft() {
        SimulatedAircraft aircraft = new SimulatedAircraft(profile, surroundings, 1, seed, 0);
        aircraft.goesWrong(faults);
        aircraft.set(shared);
        aircraft.settle();
        return aircraft;
    }

    private List<Sample> samples(SimulatedAircraft aircraft, double lasts_s) {
        EngineControls controls = EngineControls.OFF;
        SimulatedEngine engine = aircraft.engine(1);
        List<Sample> samples = new ArrayList<>();
        double lit_s = Double.POSITIVE_INFINITY;
        long steps = Math.round((LEAD_IN_s + lasts_s) * US_PER_S / SimulatedEngine.STEP_us);
        for (long step = 0; step <= steps; step++) {
            if (step % STEPS_PER_SAMPLE == 0) {
                aircraft.sample(1).ifPresent(samples::add);
            }
            double t = aircraft.now_us() / US_PER_S;
            lit_s = engine.isLit() ? Math.min(lit_s, t) : lit_s;
            controls = moved(controls, engine, t, lit_s);
            aircraft.set(1, controls);
            aircraft.step();
        }
        return samples;
    }

    private EngineControls moved(EngineControls controls, SimulatedEngine engine, double t, double lit_s) {
        EngineControls starts = hands(profile, fuelAt_pct, controls, engine, t - LEAD_IN_s);
        return t < lit_s + cutAfterLight_s ? starts : starts.withFuel(false).withIgnition(false);
    }

    /**
     * How a crew moves the controls of one engine in a start.
     *
     * @param fuelAt_pct start spool at which it opens the fuel; a start computer opens it at its own
     * @param before as they stand
     * @param since_s since the starter, s; negative before it
     * @return as they stand from now on; the fuel stays open once it is
     */
    public static EngineControls hands(
            StartProfile profile, double fuelAt_pct, EngineControls before, SimulatedEngine engine, double since_s) {
        if (profile.drive().automatic()) {
            return before.withFuel(since_s >= 0);
        }
        boolean early = profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
        boolean starter = since_s >= 0
                && !(profile.starter().byHand()
                        && engine.spool_pct() >= profile.starter().cutOut_pct());
        boolean fuel = before.fuel() || starter && engine.spool_pct() >= fuelAt_pct;
        return before.withStarter(starter).withFuel(fuel).withIgnition(early ? since_s >= -1 : fuel);
    }
}
