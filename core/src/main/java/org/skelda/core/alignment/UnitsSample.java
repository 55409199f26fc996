package org.skelda.core.alignment;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Switch;

/**
 * What the inertial units of an aircraft show at one moment.
 *
 * @param at_us microseconds since 1970 on the feed's own clock
 * @param units number 1 first; null for one that is not told of
 */
public record UnitsSample(long at_us, List<@Nullable One> units) {

    public UnitsSample {
        units = java.util.Collections.unmodifiableList(new java.util.ArrayList<>(units));
    }

    /**
     * One of them.
     *
     * @param phase what it does; null when it is not told
     * @param left_s what is left of its count, s; NaN when it does not count or does not tell
     * @param position that it holds; null when it holds none, or it is not told
     * @param entered what was typed last and waits to be typed again; null when nothing does
     * @param speed_kt over the ground by its own reckoning, kt; NaN when it is not told
     * @param code that it shows; empty for none, null when it is not told
     * @param moving whether it is being moved
     * @param power whether it has power
     */
    public record One(
            InertialUnit.@Nullable Phase phase,
            double left_s,
            @Nullable Position position,
            @Nullable Position entered,
            double speed_kt,
            @Nullable String code,
            Switch moving,
            Switch power) {}
}
