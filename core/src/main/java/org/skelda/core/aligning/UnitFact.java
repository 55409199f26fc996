package org.skelda.core.aligning;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.log.Fact;

/** What a feed or the crew told of the inertial units, as the log keeps it: changes only, never single readings. */
public sealed interface UnitFact extends Fact {

    /** Something happened to some of them. @param units their numbers; @param events in their order */
    record UnitsTold(List<Integer> units, List<UnitEvent> events) implements UnitFact {
        public UnitsTold {
            units = List.copyOf(units);
            events = List.copyOf(events);
        }
    }

    /** What the crew told last was a slip. @param reason needed when another person told it */
    record UnitsUntold(@Nullable String reason) implements UnitFact {}

    /** Their readings arrive from here on: what a feed tells counts, the crew's taps rest. */
    record UnitsRead(Instant since) implements UnitFact {}

    @Override
    default String subject() {
        return "inertial";
    }
}
