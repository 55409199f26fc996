package org.skelda.core.apu;

import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is known of one run of an APU, from its master switch on.
 *
 * @param readySeen whether its message said that it can be started
 * @param seen when each milestone of its start was seen
 * @param lowest_C the lowest temperature since fuel, degC; null before any reading
 * @param settling since when it is at its speed without a break; null when it is not
 * @param availableAt when it became available; null when it did not
 * @param generator whether its generator carries
 * @param bleed whether it gives air
 * @param airOffAt when its air last went off; null when it gave none
 */
public record ApuRun(
        boolean readySeen,
        Map<ApuMilestone, Instant> seen,
        @Nullable Double lowest_C,
        @Nullable Instant settling,
        @Nullable Instant availableAt,
        boolean generator,
        boolean bleed,
        @Nullable Instant airOffAt) {
    /** Nothing is known. */
    public static final ApuRun NONE = new ApuRun(false, Map.of(), null, null, null, false, false, null);

    public ApuRun {
        seen = Map.copyOf(seen);
    }

    ApuRun ready() {
        return new ApuRun(true, seen, lowest_C, settling, availableAt, generator, bleed, airOffAt);
    }

    ApuRun started() {
        return new ApuRun(readySeen, Map.of(), null, null, null, false, false, null);
    }

    ApuRun available(Instant at) {
        return new ApuRun(readySeen, seen, lowest_C, null, at, false, false, null);
    }

    ApuRun carrying(boolean on) {
        return new ApuRun(readySeen, seen, lowest_C, settling, availableAt, on, bleed, airOffAt);
    }

    ApuRun giving(boolean on, Instant at) {
        return new ApuRun(
                readySeen, seen, lowest_C, settling, availableAt, generator, on, bleed && !on ? at : airOffAt);
    }

    /** Without current and air. */
    ApuRun unloaded(Instant at) {
        return new ApuRun(readySeen, seen, lowest_C, null, availableAt, false, false, bleed ? (Instant) at : airOffAt);
    }

    /** A milestone counts the first time. */
    ApuRun saw(ApuMilestone milestone, Instant at) {
        if (seen.containsKey(milestone)) {
            return this;
        }
        Map<ApuMilestone, Instant> all = new EnumMap<>(ApuMilestone.class);
        all.putAll(seen);
        all.put(milestone, at);
        return new ApuRun(
                readySeen,
                all,
                lowest_C,
                milestone == ApuMilestone.UP_TO_SPEED ? (Instant) at : settling,
                availableAt,
                generator,
                bleed,
                airOffAt);
    }

    /** Its speed was read. @param speed_pct % */
    ApuRun turning(ApuRule rule, double speed_pct, Instant at) {
        ApuRun run = this;
        run = speed_pct >= rule.fuelAt_pct() ? run.saw(ApuMilestone.FUEL, at) : run;
        run = speed_pct >= rule.starterOutAt_pct() ? run.saw(ApuMilestone.STARTER_OUT, at) : run;
        if (speed_pct < rule.availableAt_pct()) {
            return run.settlingSince(null);
        }
        return run.saw(ApuMilestone.UP_TO_SPEED, at).settlingSince(settling == null ? (Instant) at : settling);
    }

    /** Its temperature was read. @param temperature_C degC; @param rise_C over the lowest since fuel that is light */
    ApuRun burning(double temperature_C, double rise_C, Instant at) {
        if (!seen.containsKey(ApuMilestone.FUEL)) {
            return this;
        }
        double low = lowest_C == null ? temperature_C : Math.min(lowest_C, temperature_C);
        ApuRun run = new ApuRun(readySeen, seen, low, settling, availableAt, generator, bleed, airOffAt);
        return temperature_C >= low + rise_C ? run.saw(ApuMilestone.LIGHT, at) : run;
    }

    /**
     * With the lowest temperature that was read in another view of the same start; as it is when it is not the same.
     */
    ApuRun knowing(ApuRun read) {
        Instant fuel = seen.get(ApuMilestone.FUEL);
        return fuel != null && fuel.equals(read.seen.get(ApuMilestone.FUEL))
                ? new ApuRun(readySeen, seen, read.lowest_C, settling, availableAt, generator, bleed, airOffAt)
                : this;
    }

    /** @param at null while it is not at its speed */
    ApuRun settlingSince(@Nullable Instant at) {
        return new ApuRun(readySeen, seen, lowest_C, at, availableAt, generator, bleed, airOffAt);
    }
}
