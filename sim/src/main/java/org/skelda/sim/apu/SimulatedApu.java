package org.skelda.sim.apu;

import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuRule;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.limit.Limit;
import org.skelda.core.simulator.ApuControls;
import org.skelda.core.start.Switch;

/**
 * An APU under somebody's hands, at 50 Hz. Its shaft turns by a balance of starter, turbine and drag; its exhaust
 * follows its fuel with a lag; its controller opens the door, brings fuel and ignition, lets the starter go, keeps the
 * air shut until it is warm through, runs the cool-down, and stops it when it must. Deterministic from its seed.
 *
 * <p>Times are microseconds since 1970. One thread.
 */
public final class SimulatedApu {
    private static final long STEP_us = 20_000;
    private static final double STEP_s = STEP_us / 1e6;
    private static final double US_PER_MS = 1000;

    private static final double GOVERNED_pct = 100;
    private static final double STARTER_pctps = 7.5;
    private static final double STARTER_RUNS_OUT_pct = 85;
    private static final double TURBINE_pctps = 9;
    private static final double DRAG_perS = 0.055;
    private static final double FRICTION_pctps = 0.6;
    private static final double STANDS_STILL_pct = 1;
    private static final double SPOOLS_FROM_pct = 40;
    private static final double HANGS_AT_pct = 62;
    private static final double IGNITION_TAKES_s = 1.2;
    private static final double GIVES_UP_AFTER_s = 45;

    private static final double AMBIENT_c = 15;
    private static final double START_UNDER_LIMIT_c = 95;
    private static final double HOT_OVER_LIMIT_c = 45;
    private static final double IDLE_UNDER_LIMIT_c = 190;
    private static final double GENERATOR_c = 35;
    private static final double BLEED_c = 85;
    private static final double HEATS_s = 2.2;
    private static final double COOLS_TURNING_s = 9;
    private static final double COOLS_STILL_s = 240;
    private static final double SPEED_NOISE_pct = 0.03;
    private static final double TEMPERATURE_NOISE_c = 1.2;

    private final ApuProfile profile;
    private final ApuRule rule;
    private final SplittableRandom noise;
    private long now_us;

    private boolean master;
    private boolean waitsForStandstill;
    private boolean generatorSwitch;
    private boolean bleedSwitch;
    private boolean batteries = true;
    private ApuFailure failure = ApuFailure.NOTHING;

    private Phase phase = Phase.OFF;
    private long phaseSince_us;
    private double speed_pct;
    private double temperature_c = AMBIENT_c;
    private boolean lit;
    private boolean starter;
    private long fuelSince_us = -1;
    private long atSpeedSince_us = -1;
    private long airOffAt_us = -1;
    private boolean bleeds;
    private boolean generates;
    private boolean latched;
    private boolean emergency;
    private @Nullable AutomaticStop stopped;

    /** One that is cold and off, its batteries on. */
    public SimulatedApu(ApuProfile profile, long seed, long begin_us) {
        this.profile = profile;
        this.rule = profile.rule();
        this.noise = new SplittableRandom(seed);
        this.now_us = begin_us;
        this.phaseSince_us = begin_us;
    }

    /** One that stands as somebody has told. @param told at its beginning */
    public static SimulatedApu as(ApuProfile profile, long seed, long begin_us, Apu told) {
        SimulatedApu apu = new SimulatedApu(profile, seed, begin_us);
        apu.phase = told.phase();
        // A start that is under way has its whole time again: how far it has come was not told.
        apu.phaseSince_us = told.phase() == Phase.STARTING ? begin_us : Math.min(begin_us, micros(told.since()));
        apu.master = told.phase() == Phase.POWERED || told.phase() == Phase.STARTING || told.phase() == Phase.AVAILABLE;
        apu.latched = told.latched();
        apu.generates = told.run().generator();
        apu.generatorSwitch = apu.generates;
        apu.bleeds = told.run().bleed();
        apu.bleedSwitch = apu.bleeds;
        apu.airOffAt_us = told.run().airOffAt() == null ? -1 : micros(told.run().airOffAt());
        apu.lit = apu.isBurning();
        apu.speed_pct = apu.lit ? GOVERNED_pct : told.phase() == Phase.SPOOLING_DOWN ? SPOOLS_FROM_pct : 0;
        apu.temperature_c = apu.lit ? profile.runningMax_C() - IDLE_UNDER_LIMIT_c : AMBIENT_c;
        return apu;
    }

    private static long micros(Instant at) {
        return at.getEpochSecond() * 1_000_000 + at.getNano() / 1000;
    }

    /**
     * A control is moved.
     *
     * @param control one of {@link ApuControls}; @param position one of its positions
     * @param at_us not before the move before it
     * @throws IllegalArgumentException for any other
     */
    public void move(String control, String position, long at_us) {
        advanceTo(at_us);
        boolean on = position.equals("on");
        switch (control) {
            case "apu/master" -> master(on);
            case "apu/start" -> {
                if (on && phase == Phase.POWERED && isReady()) {
                    enter(Phase.STARTING);
                }
            }
            case "apu/generator" -> generatorSwitch = on;
            case "apu/bleed" -> bleedSwitch = on;
            case "apu/emergency-stop" -> {
                emergency = isBurning();
                stopNow();
            }
            case "apu/batteries" -> batteries(on);
            case "apu/reset" -> latched = false;
            case "apu/goes-wrong" -> goesWrong(position);
            default -> throw new IllegalArgumentException("the simulated APU has no control '" + control + "'");
        }
        settle();
    }

    private void master(boolean on) {
        boolean turned = on != master;
        master = on;
        waitsForStandstill =
                on && (turned || waitsForStandstill) && phase == Phase.SPOOLING_DOWN && !latched && batteries;
        if (on && turned && (phase == Phase.OFF || phase == Phase.STOPPED)) {
            power();
        } else if (!on && phase == Phase.POWERED) {
            enter(Phase.OFF);
        } else if (!on && phase == Phase.STARTING) {
            stopNow();
        } else if (!on && phase == Phase.AVAILABLE) {
            closeAir();
            enter(Phase.COOLING);
        }
    }

    private void power() {
        if (!latched && batteries) {
            stopped = null;
            emergency = false;
            enter(Phase.POWERED);
        }
    }

    private void batteries(boolean on) {
        if (batteries && !on) {
            if (phase == Phase.POWERED) {
                enter(Phase.OFF);
            } else if (phase != Phase.OFF) {
                latched = true;
                stopNow();
            }
        }
        batteries = on;
        waitsForStandstill &= on;
    }

    private void goesWrong(String what) {
        for (AutomaticStop why : AutomaticStop.values()) {
            if (ApuControls.stop(why).equals(what)) {
                if (isBurning()) {
                    stopped = why;
                    stopNow();
                }
                return;
            }
        }
        failure = Arrays.stream(ApuFailure.values())
                .filter(one ->
                        one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(what))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + what + "' cannot go wrong with the APU"));
    }

    private boolean isBurning() {
        return phase == Phase.STARTING || phase == Phase.AVAILABLE || phase == Phase.COOLING;
    }

    private void stopNow() {
        if (isBurning()) {
            closeAir();
            enter(Phase.SPOOLING_DOWN);
        }
    }

    private void closeAir() {
        if (bleeds) {
            airOffAt_us = now_us;
        }
        bleeds = false;
    }

    private void enter(Phase next) {
        phase = next;
        phaseSince_us = now_us;
        if (next == Phase.STARTING) {
            lit = false;
            starter = true;
            fuelSince_us = -1;
            atSpeedSince_us = -1;
            airOffAt_us = -1;
        }
        if (next == Phase.SPOOLING_DOWN || next == Phase.OFF || next == Phase.POWERED) {
            lit = false;
            starter = false;
            generates = false;
        }
    }

    /** Steps up to a time. A time in the past is no news. */
    public void advanceTo(long at_us) {
        while (now_us + STEP_us <= at_us) {
            now_us += STEP_us;
            step();
        }
    }

    private void step() {
        turn();
        heat();
        settle();
    }

    /** What its controller does, by what it senses and by its clocks. */
    private void settle() {
        switch (phase) {
            case STARTING -> starting();
            case AVAILABLE -> {
                generates = generatorSwitch;
                boolean warm = since(phaseSince_us) >= seconds(rule.bleedAfter());
                if (bleeds && !bleedSwitch) {
                    closeAir();
                }
                bleeds = bleedSwitch && warm;
            }
            case COOLING -> {
                generates = generates && generatorSwitch;
                if (airOffAt_us < 0 || since(airOffAt_us) >= seconds(rule.coolDown())) {
                    enter(Phase.SPOOLING_DOWN);
                }
            }
            case SPOOLING_DOWN -> {
                if (speed_pct < STANDS_STILL_pct) {
                    enter(Phase.STOPPED);
                    if (waitsForStandstill) {
                        waitsForStandstill = false;
                        power();
                    }
                }
            }
            case STOPPED -> {
                if (since(phaseSince_us) >= seconds(rule.batteriesAfter())) {
                    enter(Phase.OFF);
                }
            }
            case OFF, POWERED -> {}
        }
    }

    private void starting() {
        if (speed_pct >= rule.fuelAt_pct() && fuelSince_us < 0) {
            fuelSince_us = now_us;
        }
        if (fuelSince_us >= 0 && failure != ApuFailure.NO_LIGHT && since(fuelSince_us) >= IGNITION_TAKES_s) {
            lit = true;
        }
        if (speed_pct >= rule.starterOutAt_pct()) {
            starter = false;
        }
        boolean atSpeed = speed_pct >= rule.availableAt_pct();
        atSpeedSince_us = !atSpeed ? -1 : atSpeedSince_us < 0 ? now_us : atSpeedSince_us;
        if (atSpeed && since(atSpeedSince_us) >= seconds(rule.settles())) {
            enter(Phase.AVAILABLE);
        } else if (since(phaseSince_us) > GIVES_UP_AFTER_s) {
            stopped = AutomaticStop.UNDERSPEED;
            stopNow();
        }
    }

    private boolean isReady() {
        return failure != ApuFailure.DOOR_STUCK && batteries && since(phaseSince_us) >= seconds(rule.ready());
    }

    private double since(long from_us) {
        return (now_us - from_us) / 1e6;
    }

    private static double seconds(java.time.Duration duration) {
        return duration.toMillis() / US_PER_MS;
    }

    /** Starter, turbine and drag. */
    private void turn() {
        double torque = starter ? STARTER_pctps * Math.max(0, 1 - speed_pct / STARTER_RUNS_OUT_pct) : 0;
        if (lit) {
            double most = failure == ApuFailure.HANGS && phase == Phase.STARTING ? HANGS_AT_pct : GOVERNED_pct;
            torque += TURBINE_pctps * Math.clamp((most + 1.5 - speed_pct) / 3, 0, 1) * (0.35 + speed_pct / 150);
            torque += DRAG_perS * speed_pct * (speed_pct < most ? 0.9 : 1);
        }
        double drag = DRAG_perS * speed_pct + (speed_pct > 0 ? FRICTION_pctps : 0);
        speed_pct = Math.max(0, speed_pct + (torque - drag) * STEP_s);
    }

    private void heat() {
        double target = AMBIENT_c;
        double lag_s = speed_pct > 1 ? COOLS_TURNING_s : COOLS_STILL_s;
        if (lit) {
            double never = profile.startLimits().stream()
                    .mapToDouble(Limit::value)
                    .max()
                    .orElseThrow();
            double first = profile.startLimits().stream()
                    .mapToDouble(Limit::value)
                    .min()
                    .orElseThrow();
            double start = failure == ApuFailure.HOT ? never + HOT_OVER_LIMIT_c : first - START_UNDER_LIMIT_c;
            double idle = profile.runningMax_C()
                    - IDLE_UNDER_LIMIT_c
                    + (generates ? GENERATOR_c : 0)
                    + (bleeds ? BLEED_c : 0);
            target = phase == Phase.STARTING && speed_pct < rule.availableAt_pct() - 4 ? start : idle;
            lag_s = HEATS_s;
        }
        temperature_c += (target - temperature_c) * STEP_s / lag_s;
    }

    /** What it truly does. */
    public Phase phase() {
        return phase;
    }

    /** Whether its fault is latched. */
    public boolean isLatched() {
        return latched;
    }

    /** Whether it truly gives air. */
    public boolean bleeds() {
        return bleeds;
    }

    /** Whether its generator truly carries. */
    public boolean generates() {
        return generates;
    }

    /** Whether something of it changes: off, and steady at its speed, it is read seldom. */
    public boolean busy() {
        return phase != Phase.OFF && phase != Phase.AVAILABLE;
    }

    /** What its sensors and switches say now. */
    public ApuSample sample() {
        return new ApuSample(
                now_us,
                Math.max(0, speed_pct + noise.nextDouble(-1, 1) * SPEED_NOISE_pct),
                temperature_c + noise.nextDouble(-1, 1) * TEMPERATURE_NOISE_c,
                told(master),
                told(phase == Phase.STARTING),
                told(phase == Phase.POWERED && isReady()),
                told(generates),
                told(bleeds),
                told(batteries),
                told(emergency),
                told(latched),
                stopped);
    }

    private static Switch told(boolean on) {
        return on ? Switch.ON : Switch.OFF;
    }
}
