package org.skelda.core.aligning;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitTap;

/** What the crew can tell of inertial units that nothing reads. */
public sealed interface UnitAsk {

    /**
     * Tells something of them.
     *
     * @param units their numbers; empty for all
     * @param position as it was typed, for {@link UnitTap#POSITION} alone
     * @param code as the unit shows it, for {@link UnitTap#CODE} alone
     * @param tappedAt by the person's device
     */
    record TellUnits(
            List<Integer> units,
            UnitTap tap,
            @Nullable String position,
            @Nullable String code,
            Instant tappedAt) implements UnitAsk {
        public TellUnits {
            units = List.copyOf(units);
        }
    }

    /** Takes the newest of what the crew told back. @param reason needed when another person told it */
    record UntellUnits(@Nullable String reason) implements UnitAsk {}
}
