package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.aligning.Units;
import org.skelda.core.aligning.UnitsClocks;
import org.skelda.core.aligning.UnitsView;
import org.skelda.core.aligning.UnitsViewing;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.clock.ClockView;
import org.skelda.core.fact.DayFact;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.Progress;
import org.skelda.core.need.Need;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.Procedure;

/** The inertial units among all else of their departure: the day, the readings, off-block, their clocks among all. */
final class UnitsOfDeparture {
    private UnitsOfDeparture() {}

    /** Null when the type has none. */
    static @Nullable UnitsView view(Departure departure, Progress progress, Instant at) {
        InertialProfile profile = departure.plan().type().inertial();
        Units units = departure.units();
        return profile == null || units == null
                ? null
                : UnitsViewing.view(profile, units, units.isRead(departure.feed()), beside(departure, progress), at);
    }

    private static UnitsViewing.Beside beside(Departure departure, Progress progress) {
        InertialProfile profile = departure.plan().type().inertial();
        boolean starts = departure.attempts().all().stream().anyMatch(start -> start.summary() == null);
        return new UnitsViewing.Beside(
                departure.opening().offBlock(),
                new Realignment.Day(
                        yes(progress, DayFact.FIRST_FLIGHT_OF_DAY),
                        yes(progress, DayFact.CREW_CHANGED),
                        yes(progress, DayFact.ROUTE_WITHOUT_AIDS),
                        profile == null ? null : reading(progress, profile.drift()),
                        profile == null ? null : reading(progress, profile.speed()),
                        profile == null ? null : reading(progress, profile.difference()),
                        number(progress, DayFact.MINUTES_STANDING),
                        null),
                starts || !departure.attempts().idling().isEmpty(),
                number(progress, DayFact.GUSTS_KT));
    }

    private static @Nullable Boolean yes(Progress progress, DayFact fact) {
        return progress.value(fact.id()).orElse(null) instanceof Value.YesNo(boolean value) ? (Boolean) value : null;
    }

    private static @Nullable Double number(Progress progress, DayFact fact) {
        return progress.value(fact.id()).orElse(null) instanceof Value.Number(double value) ? (Double) value : null;
    }

    private static @Nullable Double reading(Progress progress, @Nullable String measure) {
        return measure == null ? null : progress.reading(measure).orElse(null);
    }

    /**
     * The clocks that their state starts, and from the first minute the window in which they are to be switched on;
     * none where the type has no such units.
     *
     * @param shown what they mean then
     */
    static Stream<ClockView> clocks(Departure departure, @Nullable UnitsView shown, Instant at) {
        InertialProfile profile = departure.plan().type().inertial();
        Units units = departure.units();
        return profile == null || units == null || shown == null
                ? Stream.of()
                : Stream.concat(
                                UnitsClocks.of(units, at).stream(),
                                UnitsClocks.latest(departure.openedAt(), shown.latest(), at).stream())
                        .map(clock -> clock.view(profile.source(), at));
    }

    /** The time that the alignment leaves before off-block; empty when none is under way or still to come. */
    static Optional<ClockView.InHand> inHand(Departure departure, Progress progress, Instant at) {
        Units units = departure.units();
        InertialProfile profile = departure.plan().type().inertial();
        if (units == null || profile == null) {
            return Optional.empty();
        }
        Instant offBlock = departure.opening().offBlock();
        Optional<Instant> counted = units.at(at).stream()
                .flatMap(unit -> unit.counted().stream())
                .max(Comparator.naturalOrder())
                .filter(at::isBefore);
        if (counted.isPresent()) {
            return counted.map(end -> new ClockView.InHand("Alignment", Duration.between(end, offBlock), true));
        }
        boolean isOff = units.at(at).stream().anyMatch(unit -> unit.phase() == InertialUnit.Phase.OFF);
        if (!isOff || !isAhead(progress)) {
            return Optional.empty();
        }
        UnitsView view = view(departure, progress, at);
        return Optional.ofNullable(view)
                .map(UnitsView::latest)
                .map(latest -> new ClockView.InHand("Alignment", Duration.between(at, latest), false));
    }

    /** Whether a line that switches them on is still to come. */
    private static boolean isAhead(Progress progress) {
        return progress.plan().lines().entrySet().stream()
                .filter(entry -> entry.getValue().head().marks().inertial() == UnitTap.ON)
                .map(Map.Entry<LineRef, Line>::getKey)
                .anyMatch(ref -> progress.plan()
                                .procedure(ref.procedure())
                                .filter(procedure -> procedure.occasion() == Procedure.Occasion.ALWAYS)
                                .isPresent()
                        && !(progress.need(ref) instanceof Need.NotNeeded)
                        && !progress.settled(ref));
    }
}
