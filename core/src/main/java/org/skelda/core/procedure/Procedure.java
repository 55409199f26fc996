package org.skelda.core.procedure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Seat;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.When;

/**
 * A flow, a checklist or a read-and-do list.
 *
 * @param id a slug, never reused
 * @param title as shown on the thread
 * @param style how it is worked
 * @param seat whose work it is; null when it is both pilots' work
 * @param strand which of the two strands of the thread it lies on; 2 runs beside what stands before it
 * @param how one line on how it is worked ("silent, from memory; the before-start checklist verifies it")
 * @param inOrder whether a line that waits holds up those behind it; otherwise they are offered meanwhile
 * @param map id of its panel map; null when it has none
 * @param lines in working order, at least one
 * @param occasion when it is worked at all
 * @param when whether it is needed today; null when it always is
 */
public record Procedure(
        String id,
        String title,
        Style style,
        @Nullable Seat seat,
        int strand,
        String how,
        boolean inOrder,
        @Nullable String map,
        List<Line> lines,
        Occasion occasion,
        @Nullable When when) {

    /** How a procedure is worked. */
    public enum Style {
        FLOW,
        CHECKLIST,
        READ_AND_DO
    }

    /** When a procedure is worked at all. */
    public enum Occasion {
        /** Before every departure. */
        ALWAYS,
        /** When something has gone wrong: once one of its lines is answered, or a decision leads to it. */
        ABNORMAL,
        /** After the flight: once a line of any of them is answered, all of them are. */
        ARRIVAL
    }

    public boolean abnormal() {
        return occasion == Occasion.ABNORMAL;
    }

    public Procedure {
        lines = List.copyOf(lines);
    }

    public LineRef ref(Line line) {
        return new LineRef(id, line.id());
    }
}
