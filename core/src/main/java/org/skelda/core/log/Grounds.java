package org.skelda.core.log;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.skelda.core.crew.Person;

/**
 * What every decision rests on besides the room's own state.
 *
 * @param actor who asks
 * @param seated whether that person holds a seat
 * @param at the time of acceptance, never before the log's newest entry
 * @param doneAt when it was done: before {@code at} for a late entry
 * @param seen number of the newest event the person had before them
 * @param touched for each subject the number of the newest event on it
 */
public record Grounds(Person actor, boolean seated, Instant at, Instant doneAt, long seen, Map<String, Long> touched) {

    /** Goes on only for one who holds a seat. */
    public <E> Decision<E> seated(Supplier<Decision<E>> then) {
        return seated ? then.get() : Decision.refused(new Refusal.NotSeated());
    }

    /** Accepts a fact unless something newer touched its subject. */
    public <E extends Fact> Decision<E> accept(E fact) {
        return conflictOn(fact.subject()).<Decision<E>>map(Decision::refused).orElseGet(() -> Decision.accepted(fact));
    }

    /** Something newer on a subject than what the person had before them. */
    public Optional<Refusal> conflictOn(String subject) {
        return newest(subject) > seen ? Optional.of(conflict(subject)) : Optional.empty();
    }

    /** That somebody was there before, whatever the person has seen. */
    public Refusal conflict(String subject) {
        return new Refusal.Conflict(subject, newest(subject));
    }

    private long newest(String subject) {
        return touched.getOrDefault(subject, 0L);
    }

    public boolean isOwn(Person by) {
        return by.id().equals(actor.id());
    }
}
