package org.skelda.core.record;

import org.skelda.core.log.Fact;

/** What can have happened to the departure as a whole, and to its record. */
public sealed interface RecordEvent extends Fact {

    record Opened(Opening opening) implements RecordEvent {}

    record Signed() implements RecordEvent {}

    record Amended(String text) implements RecordEvent {}

    record Abandoned(String reason) implements RecordEvent {}

    @Override
    default String subject() {
        return "departure";
    }
}
