package org.skelda.core.start;

/**
 * When each milestone of a start holds, in the order of their table. Each is stamped with the sample that first shows
 * it.
 */
final class MilestoneRules {
    private static final double VALVE_DROP_kPa = 12;
    private static final double ROTATION_pct = 2;
    /** A spool that still turned at starter on must turn up by this much (%). */
    private static final double TURNS_UP_pct = 1;

    private static final double OIL_RISE_kPa = 15;
    private static final double FAN_pct = 1;
    private static final double PROPELLER_rpm = 30;
    static final double LIGHT_OFF_RISE_degC = 30;
    private static final double STEADY_pctps = 0.2;
    private static final long VOLTS_COUNT_AFTER_us = 2_000_000;

    private double ductAtStart = Double.NaN;
    private double lowestSpool = Double.NaN;
    private double lowestOil = Double.NaN;

    void absorb(Attempt a) {
        takeBaselines(a);
        if (isAhead(a, Milestone.VALVE_OPEN) && valveOpen(a)) a.reach(Milestone.VALVE_OPEN);
        if (isAhead(a, Milestone.ROTATION) && turnsUp(a)) a.reach(Milestone.ROTATION);
        if (isAhead(a, Milestone.OIL_RISING) && oilRises(a)) a.reach(Milestone.OIL_RISING);
        if (isAhead(a, Milestone.FAN_ROTATION) && a.value(Parameter.FAN) >= turning(a)) a.reach(Milestone.FAN_ROTATION);
        if (isAhead(a, Milestone.FUEL_ALLOWED) && fuelAllowed(a)) a.reach(Milestone.FUEL_ALLOWED);
        if (a.fuelComesOn()) a.reach(Milestone.FUEL_ON);
        if (isAhead(a, Milestone.LIGHT_OFF) && lit(a)) a.reach(Milestone.LIGHT_OFF);
        if (a.switches().starterTurnedOff()
                && a.isReached(Milestone.LIGHT_OFF)
                && a.switches().fuel()) a.reach(Milestone.STARTER_OUT);
        if (isAhead(a, Milestone.IDLE) && idle(a)) a.reach(Milestone.IDLE);
    }

    private static boolean isAhead(Attempt a, Milestone milestone) {
        return !a.isReached(milestone);
    }

    private static boolean lit(Attempt a) {
        return a.isReached(Milestone.FUEL_ON)
                && a.value(Parameter.TEMPERATURE) >= a.figures().coolestSinceFuel_c() + LIGHT_OFF_RISE_degC;
    }

    /**
     * Duct pressure at starter on, or where there was no reading at that very sample the first after it; spool and oil
     * at their lowest since.
     */
    private void takeBaselines(Attempt a) {
        if (Double.isNaN(ductAtStart)) {
            ductAtStart = a.value(Parameter.DUCT);
        }
        if (isAhead(a, Milestone.ROTATION)) {
            lowestSpool = lower(lowestSpool, a.value(Parameter.SPOOL));
        }
        if (isAhead(a, Milestone.OIL_RISING)) {
            lowestOil = lower(lowestOil, a.value(Parameter.OIL));
        }
    }

    private static double lower(double lowest, double value) {
        return value >= lowest || Double.isNaN(value) ? lowest : value;
    }

    private boolean turnsUp(Attempt a) {
        double spool = a.value(Parameter.SPOOL);
        return spool >= ROTATION_pct && (lowestSpool <= TURNS_UP_pct || spool >= lowestSpool + TURNS_UP_pct);
    }

    private boolean oilRises(Attempt a) {
        double oil = a.value(Parameter.OIL);
        return oil >= lowestOil + OIL_RISE_kPa || oil >= a.profile().idle().oilLeast_kpa() / 2;
    }

    private boolean valveOpen(Attempt a) {
        return a.profile().drive().manner() == StartProfile.Manner.BLEED_AIR
                && a.value(Parameter.DUCT) <= ductAtStart - VALVE_DROP_kPa;
    }

    private static double turning(Attempt a) {
        return a.profile().drive().engine() == StartProfile.Engine.JET ? FAN_pct : PROPELLER_rpm;
    }

    private static boolean fuelAllowed(Attempt a) {
        StartProfile.Fuel fuel = a.profile().fuel();
        return !a.isReached(Milestone.FUEL_ON)
                && !a.switches().fuel()
                && a.switches().starter()
                && a.value(Parameter.SPOOL) >= fuel.minimum_pct()
                && a.value(Parameter.TEMPERATURE) <= fuel.hottestBefore_c()
                && supplied(a);
    }

    /** Whether the supply is at or above its least while cranking, as far as it is measured and counts yet. */
    static boolean supplied(Attempt a) {
        if (!a.readings().of(a.profile().supplyParameter()).isMeasured()) {
            return true;
        }
        boolean counts = a.profile().drive().manner() == StartProfile.Manner.BLEED_AIR
                || a.now_us() - a.switches().starterOn_us() >= VOLTS_COUNT_AFTER_us;
        return !counts
                || !a.readings().margin().isLostAt(a.now_us())
                        && a.readings().margin().last() >= 0;
    }

    private static boolean idle(Attempt a) {
        return a.switches().fuel()
                && a.profile().idle().at(a.value(Parameter.SPOOL))
                && Math.abs(a.windows().spoolOver5s()) <= STEADY_pctps
                && a.value(Parameter.TEMPERATURE) < a.profile().lowestLimit_c();
    }
}
