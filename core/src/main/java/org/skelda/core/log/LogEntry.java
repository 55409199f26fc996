package org.skelda.core.log;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;

/**
 * One line of a departure's log.
 *
 * @param <E> what can have happened: anything of a departure, or what concerns one room of it
 * @param id of the event
 * @param seq its place in the log, from 1, without gaps
 * @param at when it was accepted; never before the entry ahead of it
 * @param doneAt when it was really done, for a late entry; null otherwise
 * @param actor who did it
 * @param seat the seat the person held then; null when none
 * @param commandId the command it answers
 * @param event what happened
 */
public record LogEntry<E extends Fact>(
        UUID id,
        long seq,
        Instant at,
        @Nullable Instant doneAt,
        Person actor,
        @Nullable Seat seat,
        UUID commandId,
        E event) {

    /** The time the thing was done: {@code doneAt} of a late entry, else {@code at}. */
    public Instant happenedAt() {
        return doneAt == null ? at : doneAt;
    }

    /** The same entry, of what a room makes of it. */
    public <F extends Fact> LogEntry<F> with(F fact) {
        return new LogEntry<>(id, seq, at, doneAt, actor, seat, commandId, fact);
    }
}
