package org.skelda.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
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
    private static final Duration LATEST_NEWS = Duration.ofMinutes(15);

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

    /**
     * Goes on with the time of what a device told at {@code told}: never later than its acceptance, for a device's
     * clock runs a little ahead now and then; refused when it is older than news may be.
     */
    public <E> Decision<E> tapped(Instant told, Function<Instant, Decision<E>> then) {
        Instant earliest = at.minus(LATEST_NEWS);
        return told.isBefore(earliest)
                ? Decision.refused(new Refusal.ImpossibleTime(told, earliest, at))
                : then.apply(told.isAfter(at) ? at : told);
    }

    /**
     * Goes on with taking back what somebody told: one's own word without more, another's only with a reason.
     *
     * @param by who told it
     * @param reason as it was typed; blank is none
     * @param then given the reason, null when there is none
     */
    public <E> Decision<E> takingBack(
            Person by, @Nullable String reason, Function<@Nullable String, Decision<E>> then) {
        String given = reason == null || reason.isBlank() ? null : reason.strip();
        return isOwn(by) || given != null
                ? then.apply(given)
                : Decision.refused(new Refusal.ReasonMissing("taking back what " + by.name() + " told"));
    }
}
