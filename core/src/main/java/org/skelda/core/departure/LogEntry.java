package org.skelda.core.departure;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.procedure.Seat;

/**
 * One line of a departure's log.
 *
 * @param id of the event
 * @param seq its place in the log, from 1, without gaps
 * @param at when it was accepted; never before the entry ahead of it
 * @param doneAt when it was really done, for a late entry; null otherwise
 * @param actor who did it
 * @param seat the seat the person held then; null when none
 * @param commandId the command it answers
 * @param event what happened
 */
public record LogEntry(
        UUID id, long seq, Instant at, @Nullable Instant doneAt, Person actor, @Nullable Seat seat, UUID commandId, Event event) {

    /** The time the thing was done: {@code doneAt} of a late entry, else {@code at}. */
    public Instant happenedAt() {
        return doneAt == null ? at : doneAt;
    }
}
