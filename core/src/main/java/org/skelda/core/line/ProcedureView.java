package org.skelda.core.line;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;

/**
 * A procedure at a time.
 *
 * @param next its first line that can be answered now; null when there is none
 * @param opensAt when its first closed line opens by time alone; null when it does not
 * @param held since when and why it is put aside; null when it is not
 * @param takenBy the seat that works it for now in the place of its own; null when none does
 * @param heldFor how long it has been put aside; null when it is not
 */
public record ProcedureView(
        String id,
        ProcedureState state,
        int done,
        int total,
        @Nullable LineRef next,
        @Nullable Instant opensAt,
        @Nullable Held held,
        @Nullable Duration heldFor,
        @Nullable Seat takenBy,
        List<LineView> lines) {

    /** A procedure's state on the thread. NOT_NEEDED: an abnormal list that nobody has begun. */
    public enum ProcedureState {
        OPEN,
        NOW,
        WAITING,
        HELD,
        DONE,
        NOT_NEEDED
    }
}
