package org.skelda.core.procedure;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.crew.Role;

/**
 * What any line may carry beside its kind.
 *
 * @param control the control it moves, where that needs care; null otherwise
 * @param agree whether that control is moved only once it is agreed on
 * @param stationary whether it is never done while the aircraft moves
 * @param notSteering whether, while the aircraft moves, it is never done by the one who steers
 * @param by whose it is alone, by role; null when either may
 * @param heldUntilAgreed whether it is complete only once the other agrees
 * @param repeatable whether it may be done again
 * @param reopenOn changes of the day that undo it
 * @param motion what it tells of the aircraft's moving; null when nothing
 * @param apu what its being done tells of the APU; null when nothing
 * @param inertial what its being done tells of every inertial unit; null when nothing
 */
public record Marks(
        @Nullable Control control,
        boolean agree,
        boolean stationary,
        boolean notSteering,
        @Nullable Role by,
        boolean heldUntilAgreed,
        boolean repeatable,
        Set<Change> reopenOn,
        @Nullable Motion motion,
        @Nullable ApuTap apu,
        @Nullable UnitTap inertial) {
    public static final Marks NONE =
            new Marks(null, false, false, false, null, false, false, Set.of(), null, null, null);

    /** What a line's being done tells of the aircraft. */
    public enum Motion {
        BEGINS,
        ENDS
    }

    public Marks {
        reopenOn = Set.copyOf(reopenOn);
    }
}
