package org.skelda.core.start;

import java.time.Duration;
import org.skelda.core.limit.Signal;

/**
 * Whether an engine is clear of the fuel of its last start. Counted on the engine across attempts, from the fuel's
 * going off, while it stays off; forgotten half an hour after it. Time on the starter with ignition on does not count.
 *
 * <p>Fuel that never lit: where the type drains, the starter off without a break for the drain, then starter time
 * summing to the dry motor; else starter time summing to the type's time to keep turning. Fuel that lit: starter time
 * summing to what the type asks for, which is nothing where it turns until it is cool. Fuel on which idle was reached
 * leaves nothing.
 *
 * <p>Times are microseconds on the caller's clock and never run back. One thread.
 */
public final class Clearing {
    private static final long FORGOTTEN_us = Duration.ofMinutes(30).toNanos() / 1000;
    private static final double LIGHT_OFF_RISE_degC = MilestoneRules.LIGHT_OFF_RISE_degC;

    private final long drain_us;
    private final long turnUnlit_us;
    private final long turnLit_us;
    private long now_us = Long.MIN_VALUE;
    private boolean starter;
    private boolean fuel;
    private boolean ignition;
    private boolean lit;
    private boolean idle;
    private double coolest_c = Double.POSITIVE_INFINITY;
    private boolean owes;
    private long cut_us = Signal.NEVER;
    private long drained_us;
    private long turned_us;
    private boolean clearAtFuel = true;
    private double coolestTurning_c = Double.POSITIVE_INFINITY;

    /** What a fuel that came on and went off leaves to be done. */
    public enum Leaves {
        /** Nothing: no fuel yet, idle was reached on it, it is cleared, or it is long ago. */
        NOTHING,
        /** Fuel that never lit. */
        UNLIT,
        /** Fuel that burnt. */
        BURNT
    }

    /**
     * What is left to do.
     *
     * @param fuel what the last fuel left
     * @param drain still to stand with the starter off, without a break; zero where the type does not drain or it has
     *     drained
     * @param turn still to be turned on the starter, fuel and ignition off
     * @param turned what has been turned of it so far
     */
    public record Left(Leaves fuel, Duration drain, Duration turn, Duration turned) {
        static final Left NOTHING = new Left(Leaves.NOTHING, Duration.ZERO, Duration.ZERO, Duration.ZERO);

        public boolean isCleared() {
            return drain.isZero() && turn.isZero();
        }
    }

    public Clearing(StartProfile profile) {
        drain_us = profile.remedy().drain().toNanos() / 1000;
        turnUnlit_us = profile.remedy().turnUnlit().toNanos() / 1000;
        turnLit_us = profile.remedy().turnLit().toNanos() / 1000;
    }

    private Clearing(Clearing other) {
        drain_us = other.drain_us;
        turnUnlit_us = other.turnUnlit_us;
        turnLit_us = other.turnLit_us;
        now_us = other.now_us;
        starter = other.starter;
        fuel = other.fuel;
        ignition = other.ignition;
        lit = other.lit;
        idle = other.idle;
        coolest_c = other.coolest_c;
        owes = other.owes;
        cut_us = other.cut_us;
        drained_us = other.drained_us;
        turned_us = other.turned_us;
        clearAtFuel = other.clearAtFuel;
        coolestTurning_c = other.coolestTurning_c;
    }

    /** Another one that stands as this one does. */
    Clearing copy() {
        return new Clearing(this);
    }

    /** Time passes with everything as it was last told. */
    public void advanceTo(long at_us) {
        if (owes && now_us != Long.MIN_VALUE && at_us > now_us) {
            count(at_us - now_us);
        }
        now_us = Math.max(now_us, at_us);
    }

    private void count(long passed_us) {
        if (starter && !ignition && (lit || drained_us >= drain_us)) {
            turned_us += passed_us;
        } else if (!starter) {
            drained_us += passed_us;
        }
        if (starter && drained_us < drain_us) {
            drained_us = 0; // The drain is without a break.
        }
    }

    /** How starter, fuel and ignition stand from now on. */
    public void switched(boolean starterOn, boolean fuelOn, boolean ignitionOn) {
        starter = starterOn;
        ignition = ignitionOn;
        if (fuelOn && !fuel) {
            clearAtFuel = left().isCleared();
            owes = false;
            lit = false;
            idle = false;
            coolest_c = Double.POSITIVE_INFINITY;
        } else if (!fuelOn && fuel) {
            owes = !idle;
            cut_us = now_us;
            drained_us = 0;
            turned_us = 0;
            coolestTurning_c = Double.POSITIVE_INFINITY;
        }
        fuel = fuelOn;
        if (starter && drained_us < drain_us) {
            drained_us = 0;
        }
    }

    /** A temperature (degC) at the present moment; while fuel is on, its rise tells whether it lit. */
    void read(double temperature_c) {
        if (!fuel && starter && temperature_c < coolestTurning_c) {
            coolestTurning_c = temperature_c;
        }
        if (!fuel || lit || Double.isNaN(temperature_c)) {
            return;
        }
        coolest_c = Math.min(coolest_c, temperature_c);
        lit = temperature_c >= coolest_c + LIGHT_OFF_RISE_degC;
    }

    /** The fuel that is on has lit. */
    public void lit() {
        lit |= fuel;
    }

    /** Idle is reached on the fuel that is on. */
    public void atIdle() {
        idle |= fuel;
    }

    /** What is left to do now. */
    public Left left() {
        if (!owes || now_us - cut_us >= FORGOTTEN_us) {
            return Left.NOTHING;
        }
        if (lit) {
            return new Left(Leaves.BURNT, Duration.ZERO, micros(turnLit_us - turned_us), micros(turned_us));
        }
        return new Left(
                Leaves.UNLIT, micros(drain_us - drained_us), micros(turnUnlit_us - turned_us), micros(turned_us));
    }

    /** Coolest temperature read on the starter since the fuel last went off (degC); infinite when none was. */
    double coolestTurning_c() {
        return coolestTurning_c;
    }

    /** Whether the engine was clear when the fuel last came on. */
    boolean wasClearAtFuel() {
        return clearAtFuel;
    }

    private static Duration micros(long us) {
        return Duration.ofNanos(Math.max(0, us) * 1000);
    }
}
