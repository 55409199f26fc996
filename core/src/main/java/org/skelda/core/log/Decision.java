package org.skelda.core.log;

import java.util.List;
import java.util.function.Function;

/** What became of a command. @param <E> what can follow from it */
public sealed interface Decision<E> {

    /** Accepted: these happened, in this order, all at once. Never empty. */
    record Accepted<E>(List<E> events) implements Decision<E> {
        public Accepted {
            events = List.copyOf(events);
        }
    }

    /** Accepted before under the same id; nothing changes. */
    record Repeated<E>() implements Decision<E> {}

    /** Not accepted; nothing changes. */
    record Refused<E>(Refusal refusal) implements Decision<E> {}

    static <E> Decision<E> accepted(E event) {
        return new Accepted<>(List.of(event));
    }

    static <E> Decision<E> refused(Refusal refusal) {
        return new Refused<>(refusal);
    }

    /** The same decision, its events as another room knows them. */
    default <F> Decision<F> map(Function<? super E, ? extends F> as) {
        return switch (this) {
            case Accepted<E>(List<E> events) ->
                new Accepted<>(events.stream().<F>map(as).toList());
            case Repeated<E> _ -> new Repeated<>();
            case Refused<E>(Refusal refusal) -> new Refused<>(refusal);
        };
    }
}
