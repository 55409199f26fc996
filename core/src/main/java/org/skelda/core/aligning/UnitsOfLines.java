package org.skelda.core.aligning;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitGoal;
import org.skelda.core.alignment.UnitTap;
import org.skelda.core.procedure.GateState.Wait;

/**
 * The inertial units as lines know them. A line may tell something of all of them: worked without a feed it is the tap;
 * with one it waits until the feed has shown it. A gate may ask how far they have come.
 *
 * @param units of the departure
 * @param read whether a feed reads them
 */
public record UnitsOfLines(Units units, boolean read) {

    /** What a line that tells something waits for; null when nothing. */
    public @Nullable Wait untold(UnitTap tap, Instant at) {
        if (isSeen(tap, at)) {
            return null;
        }
        String why = refusal(tap, at);
        if (why != null) {
            Optional<Instant> opens = tap == UnitTap.NAVIGATION ? opensAt(UnitGoal.ALIGNED, at) : Optional.empty();
            return new Wait.ForUnits(
                    tap == UnitTap.NAVIGATION ? UnitGoal.ALIGNED.words() : "Inertial units: " + why,
                    opens.orElse(null),
                    false);
        }
        // A position is typed where it is entered, and the timed pair is two presses: a line's one key is neither.
        boolean atHand = read || tap == UnitTap.POSITION || tap == UnitTap.QUICK;
        return atHand ? new Wait.ForUnits("Inertial units: " + tap.words(), null, true) : null;
    }

    /** What a gate waits for; null when nothing. */
    public @Nullable Wait behind(UnitGoal goal, Instant at) {
        return units.units().stream().allMatch(unit -> goal.reached(unit, at))
                ? null
                : new Wait.ForUnits(goal.words(), opensAt(goal, at).orElse(null), false);
    }

    /** When time alone brings all of them there. */
    private Optional<Instant> opensAt(UnitGoal goal, Instant at) {
        List<Optional<Instant>> opens = units.units().stream()
                .filter(unit -> !goal.reached(unit, at))
                .map(unit -> goal.opensAt(unit, at))
                .toList();
        return opens.stream().allMatch(Optional::isPresent)
                ? opens.stream().flatMap(Optional::stream).max(Comparator.naturalOrder())
                : Optional.empty();
    }

    /** What working a line tells of them; empty when a feed does, or when it is known already. */
    public Optional<UnitFact> told(UnitTap tap, Instant at) {
        if (read || tap == UnitTap.POSITION || tap == UnitTap.QUICK || isSeen(tap, at) || refusal(tap, at) != null) {
            return Optional.empty();
        }
        List<Integer> numbers = unseen(tap, at);
        return Optional.of(new UnitFact.UnitsTold(numbers, events(tap, numbers, at)));
    }

    /** That they were moved, when the aircraft begins to move and a count runs; empty when a feed tells it. */
    public Optional<UnitFact> moved(Instant at) {
        UnitEvent moved = new UnitEvent.Moved(at);
        List<Integer> counting = units.numbers().stream()
                .filter(number -> units.at(at).get(number - 1).phase() == InertialUnit.Phase.ALIGNING)
                .filter(number -> units.units().get(number - 1).refusal(moved) == null)
                .toList();
        return read || counting.isEmpty()
                ? Optional.empty()
                : Optional.of(new UnitFact.UnitsTold(counting, List.of(moved)));
    }

    private boolean isSeen(UnitTap tap, Instant at) {
        return unseen(tap, at).isEmpty();
    }

    private List<Integer> unseen(UnitTap tap, Instant at) {
        List<InertialUnit> now = units.at(at);
        boolean notTold = tap == UnitTap.OFF && units.told().isEmpty();
        return units.numbers().stream()
                .filter(number -> notTold || !tap.seenIn(now.get(number - 1)))
                .toList();
    }

    private List<UnitEvent> events(UnitTap tap, List<Integer> numbers, Instant at) {
        return UnitsDeciding.events(tap, units, numbers, tap.needsPosition() ? units.stand() : null, "", at);
    }

    /** Why the first of those that have it before them can not. */
    private @Nullable String refusal(UnitTap tap, Instant at) {
        List<Integer> numbers = unseen(tap, at);
        List<UnitEvent> events = events(tap, numbers, at);
        return numbers.stream()
                .map(number ->
                        UnitsDeciding.refusal(tap, units.units().get(number - 1).at(at), events))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }
}
