package org.skelda.core.fact;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import org.skelda.core.crew.Person;
import org.skelda.core.log.LogEntry;
import org.skelda.core.need.Known;
import org.skelda.core.need.Value;

/**
 * The facts of the day as far as they are known.
 *
 * @param given by whom, when
 * @param newest the newest that was given, with what it changed; null before any
 */
public record Facts(PMap<DayFact, Given> given, @Nullable Newest newest) implements Known {
    /** Before any was given. */
    public static final Facts NONE = new Facts(HashTreePMap.empty(), null);

    /** @param at when it was given */
    public record Given(Value value, FactEvent.Source source, Person by, Instant at) {}

    /** @param seq number of its event */
    public record Newest(long seq, FactEvent.FactGiven event) {}

    /**
     * The same where the schedule tells the elevation, unless the crew knows better. @param elevation_ft of the stand
     */
    public Known at(double elevation_ft) {
        return name -> value(name)
                .or(() -> name.equals(DayFact.ELEVATION_FT.id())
                        ? Optional.of(new Value.Number(elevation_ft))
                        : Optional.empty());
    }

    @Override
    public Optional<Value> value(String name) {
        return DayFact.named(name).map(given::get).map(Given::value);
    }

    /** Folds one entry in. */
    public Facts apply(LogEntry<FactEvent> entry) {
        return switch (entry.event()) {
            case FactEvent.FactGiven e ->
                new Facts(
                        given.plus(e.fact(), new Given(e.value(), e.source(), entry.actor(), entry.happenedAt())),
                        new Newest(entry.seq(), e));
        };
    }
}
