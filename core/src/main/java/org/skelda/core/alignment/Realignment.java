package org.skelda.core.alignment;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Which alignment the inertial units need before the next flight: a full one, a quick one, or none. The numbers are the
 * type's.
 *
 * @param mostDrift_NMh drift of the last leg over which it is full, NM/h
 * @param mostSpeed_kt residual speed at the last stop over which it is full, kt
 * @param quickSpeed_kt residual speed from which a quick one is wanted, kt
 * @param quickDifference_NM difference of the position from the stand's from which a quick one is wanted, NM
 * @param quickStanding_min minutes of standing from which a quick one is wanted
 * @param source where the numbers come from
 */
public record Realignment(
        double mostDrift_NMh,
        double mostSpeed_kt,
        double quickSpeed_kt,
        double quickDifference_NM,
        double quickStanding_min,
        String source) {

    /** @throws IllegalArgumentException when a number cannot be */
    public Realignment {
        if (!(mostDrift_NMh > 0 && quickSpeed_kt > 0 && quickDifference_NM > 0 && quickStanding_min > 0)) {
            throw new IllegalArgumentException("realignment: its numbers must be positive");
        }
        if (!(mostSpeed_kt > quickSpeed_kt)) {
            throw new IllegalArgumentException("realignment: a speed for a full one must be over that for a quick one");
        }
    }

    /** Which it is. */
    public enum Kind {
        FULL,
        QUICK,
        NONE,
        /** What is not known could still make it another. */
        NOT_DECIDED
    }

    /**
     * What is known of the units; null for what nobody knows.
     *
     * @param nightStop whether they were off over a night stop or for maintenance
     * @param crewChanged whether the crew is a new one
     * @param withoutAids whether the route has no ground aids
     * @param drift_NMh of the last leg, NM/h, not negative
     * @param speed_kt they showed at the last stop, kt, not negative
     * @param difference_NM of their position from the stand's, NM, not negative
     * @param standing_min since the last stop
     * @param navigating whether they stand still and navigate
     */
    public record Day(
            @Nullable Boolean nightStop,
            @Nullable Boolean crewChanged,
            @Nullable Boolean withoutAids,
            @Nullable Double drift_NMh,
            @Nullable Double speed_kt,
            @Nullable Double difference_NM,
            @Nullable Double standing_min,
            @Nullable Boolean navigating) {}

    /**
     * What speaks for it.
     *
     * @param words what it is ("Drift of the last leg")
     * @param value in {@code unit}; null for a yes or no
     * @param limit that it reaches or is over, in {@code unit}; null for a yes or no
     * @param unit empty for a yes or no
     */
    public record Reason(
            String words, @Nullable Double value, @Nullable Double limit, String unit) {}

    /**
     * @param reasons that speak for it; for none, empty
     * @param unknown what is not known and could make it another, in words; empty once it is decided
     * @param source of the numbers
     */
    public record Advice(Kind kind, List<Reason> reasons, List<String> unknown, String source) {
        public Advice {
            reasons = List.copyOf(reasons);
            unknown = List.copyOf(unknown);
        }
    }

    /** Which it is today. What is not known never decides: whatever it turns out to be, a decided advice stays. */
    public Advice advice(Day day) {
        Asked full = new Asked();
        full.whether("A night stop or maintenance", day.nightStop());
        full.whether("A new crew", day.crewChanged());
        full.whether("A route without ground aids", day.withoutAids());
        full.over("Drift of the last leg", day.drift_NMh(), mostDrift_NMh, "NM/h");
        full.over("Speed shown at the last stop", day.speed_kt(), mostSpeed_kt, "kt");
        if (!full.reasons.isEmpty()) {
            return new Advice(Kind.FULL, full.reasons, List.of(), source);
        }
        Asked quick = new Asked();
        quick.from("Speed shown at the last stop", day.speed_kt(), quickSpeed_kt, "kt");
        quick.from("Difference from the stand", day.difference_NM(), quickDifference_NM, "NM");
        quick.from("Time on the stand", day.standing_min(), quickStanding_min, "min");
        if (day.navigating() == null) {
            quick.unknown.add("Whether they stand still and navigate");
        }
        if (Boolean.FALSE.equals(day.navigating())) {
            // What does not navigate has nothing that a quick one could start from.
            return new Advice(
                    Kind.FULL, List.of(new Reason("They do not navigate", null, null, "")), List.of(), source);
        }
        List<String> unknown = new ArrayList<>(full.unknown);
        if (quick.reasons.isEmpty() || day.navigating() == null) {
            quick.unknown.stream().filter(one -> !unknown.contains(one)).forEach(unknown::add);
        }
        if (!unknown.isEmpty()) {
            return new Advice(Kind.NOT_DECIDED, quick.reasons, unknown, source);
        }
        return new Advice(quick.reasons.isEmpty() ? Kind.NONE : Kind.QUICK, quick.reasons, List.of(), source);
    }

    /** What speaks for an answer, and what is not known of it. */
    private static final class Asked {
        private final List<Reason> reasons = new ArrayList<>();
        private final List<String> unknown = new ArrayList<>();

        void whether(String words, @Nullable Boolean known) {
            if (known == null) {
                unknown.add(words);
            } else if (known) {
                reasons.add(new Reason(words, null, null, ""));
            }
        }

        void over(String words, @Nullable Double value, double limit, String unit) {
            judge(words, value, limit, unit, value != null && value > limit);
        }

        void from(String words, @Nullable Double value, double limit, String unit) {
            judge(words, value, limit, unit, value != null && value >= limit);
        }

        private void judge(String words, @Nullable Double value, double limit, String unit, boolean speaks) {
            if (value == null || value.isNaN()) {
                unknown.add(words);
            } else if (speaks) {
                reasons.add(new Reason(words, value, limit, unit));
            }
        }
    }
}
