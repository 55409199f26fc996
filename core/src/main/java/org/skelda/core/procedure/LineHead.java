package org.skelda.core.procedure;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.need.When;

/**
 * What every kind of line has.
 *
 * @param id a slug, never reused within the procedure
 * @param zone the place on the procedure's panel map where the hand or the eye goes; null when it has no place
 * @param gate all of these must hold before the line may be answered; empty when it is always open
 * @param guards what is destroyed or hurt when the gate is passed early ("the APU's hot section"); null when going on
 *     early is only a deviation. With it, an override must name the gate in a second step.
 * @param hardToSee why a wrong setting is easily missed; null when it is plain
 * @param starts ids of the clocks that begin when the line is complete
 * @param marksOffBlock whether completing the line is the moment the aircraft leaves its stand
 * @param when all of these must hold for it to be needed today; empty when it always is
 * @param marks what else it carries
 */
public record LineHead(
        String id,
        @Nullable String zone,
        List<Condition> gate,
        @Nullable String guards,
        @Nullable String hardToSee,
        List<String> starts,
        boolean marksOffBlock,
        List<When> when,
        Marks marks) {

    public LineHead {
        gate = List.copyOf(gate);
        when = List.copyOf(when);
        starts = List.copyOf(starts);
    }

    /** A line with a condition at most, and no marks. */
    public LineHead(
            String id,
            @Nullable String zone,
            List<Condition> gate,
            @Nullable String guards,
            @Nullable String hardToSee,
            List<String> starts,
            boolean marksOffBlock,
            @Nullable When when) {
        this(
                id,
                zone,
                gate,
                guards,
                hardToSee,
                starts,
                marksOffBlock,
                when == null ? List.of() : List.of(when),
                Marks.NONE);
    }

    /** A line with an id and nothing else. */
    public static LineHead of(String id) {
        return new LineHead(id, null, List.of(), null, null, List.of(), false, List.of(), Marks.NONE);
    }

    /** The same with marks. */
    public LineHead with(Marks other) {
        return new LineHead(id, zone, gate, guards, hardToSee, starts, marksOffBlock, when, other);
    }
}
