package org.skelda.core.departure;

import java.util.List;

/** What became of a command. */
public sealed interface Decision {

    /** Accepted: these happened, in this order, all at once. Never empty. */
    record Accepted(List<Event> events) implements Decision {
        public Accepted {
            events = List.copyOf(events);
        }

        static Accepted of(Event... events) {
            return new Accepted(List.of(events));
        }
    }

    /** Accepted before under the same id; nothing changes. */
    record Repeated() implements Decision {}

    /** Not accepted; nothing changes. */
    record Refused(Refusal refusal) implements Decision {}
}
