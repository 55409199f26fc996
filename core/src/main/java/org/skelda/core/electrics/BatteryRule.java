package org.skelda.core.electrics;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * What a battery must do, and what it needs for that. The numbers are the type's and the tail's.
 *
 * @param task what it must do
 * @param min_v loaded volts under which it must not be used for it, V, positive
 * @param charge how long it is charged when it has less; null when the type's document names no time
 * @param dip how it dips under a starter; null for a task in which that is not computed
 * @param wind id of the measure that reads the wind on the tail, against which it turns; null where wind is no matter
 * @param source where the numbers come from
 */
public record BatteryRule(
        Task task,
        double min_v,
        @Nullable Duration charge,
        @Nullable Dip dip,
        @Nullable String wind,
        String source) {

    /** What it must do. */
    public enum Task {
        APU_START("to start the APU"),
        ENGINE_START("to start an engine");

        private final String words;

        Task(String words) {
            this.words = words;
        }

        /** As the crew reads it. */
        public String words() {
            return words;
        }
    }

    /**
     * A battery as a source with a resistance, under the current of a starter that stands still.
     *
     * @param at25_mohm its resistance at 25 degC, mOhm, positive: this tail's
     * @param growsPerDegree part by which it grows for each degC below 25, not negative
     * @param full_v open-circuit volts when full, V
     * @param standstill_a current of the starter at standstill, A, positive
     * @param caution_v dip under which a start is worth a caution, V
     * @param stop_v dip under which the starter is stopped, V, at most the caution
     */
    public record Dip(
            double at25_mohm,
            double growsPerDegree,
            double full_v,
            double standstill_a,
            double caution_v,
            double stop_v) {
        private static final double REFERENCE_degC = 25;
        private static final double MOHM_PER_OHM = 1000;

        /** @throws IllegalArgumentException when a number cannot be */
        public Dip {
            if (!(at25_mohm > 0 && standstill_a > 0 && growsPerDegree >= 0)) {
                throw new IllegalArgumentException("battery: resistance and current must be positive");
            }
            if (!(stop_v <= caution_v)) {
                throw new IllegalArgumentException("battery: the dip that stops must not be over that of the caution");
            }
        }

        /**
         * Volts to which it dips: {@code V - I R(T)}, Thevenin's source; the starter at standstill.
         *
         * @param loaded_v as they were read, V
         * @param battery_c temperature of the battery, degC
         */
        public double dip_v(double loaded_v, double battery_c) {
            double grown = 1 + growsPerDegree * Math.max(0, REFERENCE_degC - battery_c);
            return loaded_v - standstill_a * at25_mohm * grown / MOHM_PER_OHM;
        }

        /** The coldest battery that dips no further than so; NaN when even a warm one dips further. */
        public double coldest_c(double loaded_v, double dip_v) {
            if (dip_v(loaded_v, REFERENCE_degC) < dip_v) {
                return Double.NaN;
            }
            double grown = (loaded_v - dip_v) * MOHM_PER_OHM / (standstill_a * at25_mohm);
            return growsPerDegree == 0 ? Double.NEGATIVE_INFINITY : REFERENCE_degC - (grown - 1) / growsPerDegree;
        }
    }

    /** @throws IllegalArgumentException when a number cannot be */
    public BatteryRule {
        if (!(min_v > 0)) {
            throw new IllegalArgumentException("battery: its least volts must be positive");
        }
    }
}
