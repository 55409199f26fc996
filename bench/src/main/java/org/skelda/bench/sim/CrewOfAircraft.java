package org.skelda.bench.sim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.EngineControls;
import org.skelda.sim.aircraft.SimulatedAircraft;
import org.skelda.sim.aircraft.SimulatedStart;
import org.skelda.sim.start.SimulatedEngine;

/** A scripted crew at a simulated aircraft of several engines: it starts some of them, two seconds after it came. */
final class CrewOfAircraft {
    private static final int STEPS_PER_SAMPLE = 5;
    private static final double US_PER_S = 1e6;

    private final StartProfile profile;
    private final SimulatedAircraft aircraft;

    CrewOfAircraft(StartProfile profile, SimulatedAircraft aircraft) {
        this.profile = profile;
        this.aircraft = aircraft;
    }

    /** Its hands on one engine. */
    @FunctionalInterface
    interface Hands {
        /** @param before as the controls stand; @param since_s since the starter, negative before it */
        EngineControls move(EngineControls before, SimulatedEngine engine, double since_s);
    }

    /** Starts an engine as the type has it: fuel at the preferred speed. */
    EngineControls starts(EngineControls before, SimulatedEngine engine, double since_s) {
        return SimulatedStart.hands(profile, profile.fuel().preferred_pct(), before, engine, since_s);
    }

    /**
     * Moves the controls of the engines from 1 on, and reads the first of them ten times a second.
     *
     * @param hands one for each engine that is moved; others stay as they are
     */
    List<Sample> read(double lasts_s, Hands... hands) {
        List<Sample> samples = new ArrayList<>();
        EngineControls[] controls = new EngineControls[hands.length];
        Arrays.fill(controls, EngineControls.OFF);
        long begin_us = aircraft.now_us();
        long steps = Math.round((SimulatedStart.LEAD_IN_s + lasts_s) * US_PER_S / SimulatedEngine.STEP_us);
        for (long step = 0; step <= steps; step++) {
            if (step % STEPS_PER_SAMPLE == 0) {
                aircraft.sample(1).ifPresent(samples::add);
            }
            double since_s = (aircraft.now_us() - begin_us) / US_PER_S - SimulatedStart.LEAD_IN_s;
            for (int i = 0; i < hands.length; i++) {
                controls[i] = hands[i].move(controls[i], aircraft.engine(i + 1), since_s);
                aircraft.set(i + 1, controls[i]);
            }
            aircraft.step();
        }
        return samples;
    }
}
