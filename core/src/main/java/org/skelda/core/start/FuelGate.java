package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import org.jspecify.annotations.Nullable;

/**
 * Whether fuel may come on at this moment, and why not: every condition of {@link Milestone#FUEL_ALLOWED}, the engine's
 * clearing, and ignition where the type has its switch. The first that does not hold is named.
 *
 * @param open whether fuel may come on now
 * @param best whether now is best
 * @param words what to wait for, or that it may
 */
record FuelGate(boolean open, boolean best, String words) {

    /** Null when fuel is no question: the starter is off, fuel came on, or a computer opens it. */
    static @Nullable FuelGate of(Attempt a) {
        if (!a.starter()
                || a.switches().fuel()
                || a.isReached(Milestone.FUEL_ON)
                || a.wasFuelCut()
                || a.profile().drive().automatic()) {
            return null;
        }
        String wait = waitsFor(a);
        if (wait != null) {
            return new FuelGate(false, false, "Wait: " + wait);
        }
        StartProfile.Fuel fuel = a.profile().fuel();
        boolean best = a.figures().preferred_us() <= a.now_us();
        return new FuelGate(
                true, best, best ? "now is best" : text("allowed now, better at %.0f %%", fuel.preferred_pct()));
    }

    private static @Nullable String waitsFor(Attempt a) {
        StartProfile profile = a.profile();
        double spool = a.value(Parameter.SPOOL);
        double temperature = a.value(Parameter.TEMPERATURE);
        Clearing.Left left = a.clearing().left();
        if (!(spool >= profile.fuel().minimum_pct())) {
            return Double.isNaN(spool)
                    ? profile.words(Parameter.SPOOL) + " not read"
                    : text(
                            "%s %.1f %%, at least %.1f %%",
                            profile.words(Parameter.SPOOL),
                            spool,
                            profile.fuel().minimum_pct());
        }
        if (!(temperature <= profile.fuel().hottestBefore_c())) {
            return Double.isNaN(temperature)
                    ? profile.words(Parameter.TEMPERATURE) + " not read"
                    : text(
                            "%s %.0f °C, at most %.0f °C",
                            profile.words(Parameter.TEMPERATURE),
                            temperature,
                            profile.fuel().hottestBefore_c());
        }
        if (!MilestoneRules.supplied(a)) {
            return text("%s under the least for cranking%s", profile.words(profile.supplyParameter()), under(a));
        }
        if (!left.isCleared()) {
            return left.drain().isZero()
                    ? text("%d s more on the starter, fuel and ignition OFF", seconds(left.turn()))
                    : "the engine is not drained of its last fuel";
        }
        boolean switched = profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
        return switched && a.switches().ignitionMeasured() && !a.switches().ignition() ? "ignition is OFF" : null;
    }

    private static String under(Attempt a) {
        double margin = a.readings().margin().last();
        return a.readings().margin().isLostAt(a.now_us())
                ? ", not read"
                : text(", by %.1f %s", -margin, a.profile().supplyUnit());
    }

    private static long seconds(java.time.Duration duration) {
        return (duration.toMillis() + 999) / 1000;
    }
}
