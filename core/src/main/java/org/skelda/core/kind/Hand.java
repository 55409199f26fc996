package org.skelda.core.kind;

import java.time.Duration;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Known;

/**
 * Whose hand works a line, and what it knows.
 *
 * @param by that person
 * @param role flies or monitors; null without a seat
 * @param other who holds the other seat; null when nobody does
 * @param alone whether the type is flown by one and nobody else has a seat
 * @param control the irreversible control that the line moves and that must be agreed on; null when it moves none
 * @param known what is known of the day and of other lines
 * @param clocks how long a clock has run, by its id; null for one that was not started
 * @param charge what a feed has shown of a charge current since its clock was started, oldest first
 */
public record Hand(
        Person by,
        @Nullable Role role,
        @Nullable Person other,
        boolean alone,
        @Nullable String control,
        Known known,
        Function<String, @Nullable Duration> clocks,
        Function<MeasureSpec, List<ChargeCurve.Point>> charge) {

    /** Where no clock is looked at, and no feed. */
    public Hand(
            Person by,
            @Nullable Role role,
            @Nullable Person other,
            boolean alone,
            @Nullable String control,
            Known known) {
        this(by, role, other, alone, control, known, _ -> null, _ -> List.of());
    }

    /** How long a clock has run; null for one that was not started. */
    @Nullable
    Duration since(String clock) {
        return clocks.apply(clock);
    }

    public boolean isOwn(Mark mark) {
        return mark.by().id().equals(by.id());
    }
}
