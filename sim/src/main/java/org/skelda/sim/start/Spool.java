package org.skelda.sim.start;

import org.skelda.core.start.StartProfile;

/**
 * The spool that the starter turns, by balance of torque: starter, drag that rises with speed, turbine once it burns.
 *
 * <p>With n = N / N idle: dn/dt = S s (1 - n / nf) - (a n + b n n) + T f, where s is the supply against what the type
 * needs, f the burning fuel against light-off flow, nf the starter's free speed. S is such that the starter alone
 * settles at the type's motoring speed on that supply; thin air takes a little more from T than from the drag. T is
 * such that idle is reached in about two thirds of the time the type allows.
 */
final class Spool {
    private static final double LINEAR_DRAG = 0.035;
    private static final double SQUARE_DRAG = 0.035;
    private static final double MOTORING_IN_PART_OF_IDLE_TIME = 0.16;
    private static final double TO_IDLE_PART = 0.40;
    private static final double TURBINE_BY_DENSITY = 0.8;
    private static final double STANDS = 1e-4;

    private final StartProfile profile;
    private final double drag;
    private final double starter;
    private final double turbine;
    private final double free;
    private final double motoring;
    private double n;

    /** @throws IllegalArgumentException when the type does not tell what its starter reaches alone */
    Spool(StartProfile profile) {
        this.profile = profile;
        StartProfile.Starter.Alone alone = profile.starter().alone();
        if (alone == null) {
            throw new IllegalArgumentException(
                    profile.name() + " cannot be simulated: its document does not tell what its starter reaches alone");
        }
        double idle = profile.idle().speed_pct();
        double within_s = profile.idle().within().toMillis() / 1000.0;
        free = alone.free_pct() / idle;
        motoring = alone.motoring_pct() / idle;
        // The motoring speed is neared with this time constant: starter and drag must share it.
        double near_s = within_s * MOTORING_IN_PART_OF_IDLE_TIME;
        double dragAt = LINEAR_DRAG * motoring + SQUARE_DRAG * motoring * motoring;
        double slope = dragAt / (1 - motoring / free) / free + LINEAR_DRAG + 2 * SQUARE_DRAG * motoring;
        drag = 1 / near_s / slope;
        starter = drag * dragAt / (1 - motoring / free);
        double rate = (1 - motoring) / (within_s * TO_IDLE_PART);
        double middle = (1 + motoring) / 2;
        turbine = rate + drag * (LINEAR_DRAG * middle + SQUARE_DRAG * middle * middle);
    }

    /**
     * Steps on.
     *
     * @param supply against what the type needs while cranking; 0 when the starter does not drive it
     * @param burning fuel against the flow at light-off
     * @param sigma density of the air: thin air drags less, and gives the turbine less to work with
     */
    void step(double supply, double burning, double sigma, double dt_s) {
        double pull = n < free ? starter * supply * (1 - n / free) : 0;
        double held = drag * sigma * (LINEAR_DRAG * n + SQUARE_DRAG * n * n);
        double pushed = turbine * (burning > 0 ? Math.pow(sigma, TURBINE_BY_DENSITY) * burning : 0);
        n = Math.max(0, n + dt_s * (pull - held + pushed));
        if (n < STANDS && pull + pushed == 0) {
            n = 0;
        }
    }

    /** Speed against idle. */
    double part() {
        return n;
    }

    /** Speed (%). */
    double pct() {
        return n * profile.idle().speed_pct();
    }

    /** Speed against the starter's free speed. */
    double partOfFree() {
        return Math.min(1, n / free);
    }

    /** Speed against idle that the starter alone reaches on a good supply. */
    double motoring() {
        return motoring;
    }

    /** Fuel against light-off flow that holds idle. */
    double fuelAtIdle() {
        return fuelAt(1);
    }

    /** Fuel against light-off flow that holds a speed (against idle) without the starter. */
    double fuelAt(double speed) {
        return drag * (LINEAR_DRAG * speed + SQUARE_DRAG * speed * speed) / turbine;
    }
}
