package org.skelda.core.fact;

import java.util.List;
import org.skelda.core.kind.LineRef;
import org.skelda.core.log.Fact;
import org.skelda.core.need.Value;

/** What can have happened to the facts of the day. */
public sealed interface FactEvent extends Fact {

    /**
     * A fact was given.
     *
     * @param source who knows it
     * @param changed the lines that it changes, and how; those that stay as they were are not among them
     */
    record FactGiven(DayFact fact, Value value, Source source, List<Change> changed) implements FactEvent {
        public FactGiven {
            changed = List.copyOf(changed);
        }
    }

    /** Where a fact comes from. */
    enum Source {
        CREW,
        SCHEDULE,
        WEATHER,
        LOAD,
        /** The starts that are on record. */
        ENGINE_LOG
    }

    /** A line became something else. */
    record Change(LineRef line, Becomes becomes) {}

    /** What a line became. */
    enum Becomes {
        NEEDED,
        NOT_NEEDED,
        NOT_DECIDED
    }

    @Override
    default String subject() {
        return switch (this) {
            case FactGiven e -> "fact:" + e.fact().id();
        };
    }
}
