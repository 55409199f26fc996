package org.skelda.core.aligning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.start.Switch;

/**
 * What one reading of the inertial units tells that was not known. A reading that is missing decides nothing. Where the
 * feed contradicts what was expected, what the feed shows counts.
 */
public final class UnitsWatch {
    private static final double MICROS_PER_SECOND = 1e6;
    private static final long NS_PER_US = 1000;
    /** A unit's own count and the desk's may differ by the feed's delay and no more. */
    private static final double SAME_COUNT_s = 1.5;
    /** One that shows this much left when the desk's own count is over is believed. */
    private static final double STILL_COUNTS_s = 0.5;
    /** While it is moved, its count stands still; what the desk counts is set right that often. */
    private static final double MOVED_COUNT_s = 10;
    /** What falls due by time alone may be seen that much earlier or later than it is computed. */
    private static final Duration AT_ONCE = Duration.ofSeconds(1);

    private final Position stand;
    private final UnitsSample.One shown;
    private final Instant at;
    private final List<UnitEvent> events = new ArrayList<>();
    private InertialUnit unit;

    private UnitsWatch(Position stand, InertialUnit unit, UnitsSample.One shown, Instant at) {
        this.stand = stand;
        this.shown = shown;
        this.at = at;
        this.unit = unit.at(at);
    }

    /**
     * @param units as they are known
     * @param sample later than what they are known by; an earlier one tells nothing
     * @return what is new, units to which the same happened together; empty when nothing is
     */
    public static List<UnitFact> tells(Units units, UnitsSample sample) {
        Instant at = Instant.ofEpochSecond(
                Math.floorDiv(sample.at_us(), (long) MICROS_PER_SECOND),
                Math.floorMod(sample.at_us(), (long) MICROS_PER_SECOND) * NS_PER_US);
        Map<List<UnitEvent>, List<Integer>> told = new LinkedHashMap<>();
        for (int number : units.numbers()) {
            UnitsSample.One shown =
                    number <= sample.units().size() ? sample.units().get(number - 1) : null;
            InertialUnit unit = units.units().get(number - 1);
            if (shown != null && !at.isBefore(unit.since()) && !at.isBefore(unit.given())) {
                List<UnitEvent> events = new UnitsWatch(units.stand(), unit, shown, at).tells();
                if (!events.isEmpty()) {
                    told.computeIfAbsent(events, _ -> new ArrayList<>()).add(number);
                }
            }
        }
        return told.entrySet().stream()
                .<UnitFact>map(entry -> new UnitFact.UnitsTold(entry.getValue(), entry.getKey()))
                .toList();
    }

    private List<UnitEvent> tells() {
        if (shown.power() == Switch.OFF) {
            if (unit.phase() != Phase.OFF) {
                tell(new UnitEvent.PowerGone(at));
            }
            return events;
        }
        if (shown.phase() != null) {
            switch (shown.phase()) {
                case OFF -> isOff();
                case STORING -> stores();
                case ALIGNING -> aligns();
                case NAVIGATING -> navigates();
            }
        }
        code();
        return events;
    }

    private void tell(UnitEvent event) {
        if (unit.refusal(event) == null) {
            events.add(event);
            unit = unit.step(event);
        }
    }

    private void found(Phase phase, Duration left) {
        tell(new UnitEvent.Found(at, phase, shown.position(), left));
    }

    /** Whether it came to what it does by time alone, and so lately that a reading may not show it yet. */
    private boolean isJustNow() {
        return Duration.between(unit.since(), at).compareTo(AT_ONCE) < 0;
    }

    private void isOff() {
        switch (unit.phase()) {
            case OFF -> {}
            case ALIGNING -> tell(new UnitEvent.SwitchedOff(at, where()));
            case NAVIGATING -> found(Phase.OFF, Duration.ZERO);
            case STORING -> {
                Instant stored = unit.since().plus(unit.rule().stores());
                if (Duration.between(at, stored).compareTo(AT_ONCE) > 0) {
                    found(Phase.OFF, Duration.ZERO);
                }
            }
        }
    }

    private void stores() {
        if (unit.phase() == Phase.NAVIGATING) {
            tell(new UnitEvent.SwitchedOff(at, where()));
        } else if (unit.phase() != Phase.STORING && !isJustNow()) {
            found(Phase.STORING, Duration.ZERO);
        }
    }

    private void aligns() {
        switch (unit.phase()) {
            case OFF, STORING -> tell(new UnitEvent.SwitchedOn(at, stand.latitude_deg()));
            case NAVIGATING -> {
                if (isJustNow() && shown.entered() != null) {
                    tell(new UnitEvent.AsksAgain(at));
                }
                if (isJustNow()) {
                    if (unit.phase() == Phase.NAVIGATING && shown.left_s() > STILL_COUNTS_s) {
                        found(Phase.ALIGNING, left());
                    }
                    return;
                }
                tell(new UnitEvent.SwitchedOff(at, where()));
                tell(new UnitEvent.SwitchedOn(at, stand.latitude_deg()));
            }
            case ALIGNING -> {}
        }
        count();
        position();
    }

    private void count() {
        if (Double.isNaN(shown.left_s()) || unit.phase() != Phase.ALIGNING) {
            return;
        }
        double longer_s = longer_s();
        if (longer_s > (shown.moving() == Switch.ON ? MOVED_COUNT_s : SAME_COUNT_s)) {
            begunAnew();
        }
        // What nothing explains is taken as it is shown.
        if (Math.abs(longer_s()) > SAME_COUNT_s && shown.moving() != Switch.ON) {
            found(Phase.ALIGNING, left());
        }
    }

    /** By how much what is left is longer than what is expected, s. */
    private double longer_s() {
        Instant counted = unit.counted().orElse(at);
        return shown.left_s() - Math.max(0, seconds(Duration.between(at, counted)));
    }

    /** A count that is longer than expected: the unit was switched off and on between two readings, or moved. */
    private void begunAnew() {
        boolean forgot = shown.position() == null
                && shown.entered() == null
                && (unit.position() != null || unit.entered() != null);
        if (forgot) {
            tell(new UnitEvent.SwitchedOff(at, where()));
            tell(new UnitEvent.SwitchedOn(at, stand.latitude_deg()));
            return;
        }
        double since_s = seconds(unit.step(new UnitEvent.Moved(at)).needs()) - shown.left_s();
        Instant began = at.minusMillis(Math.round(Math.max(0, since_s) * 1000));
        Instant earliest = unit.since().isAfter(unit.given()) ? unit.since() : unit.given();
        tell(new UnitEvent.Moved(began.isBefore(earliest) ? earliest : began));
    }

    private Duration left() {
        return Duration.ofMillis(Math.round(shown.left_s() * 1000));
    }

    private void position() {
        Position entered = shown.entered();
        Position has = shown.position();
        if (entered != null) {
            if (unit.entered() == null || !unit.entered().isSameAs(entered)) {
                boolean near = unit.stored() != null
                        && entered.distance_NM(unit.stored()) <= unit.rule().near_NM();
                if (near) {
                    tell(new UnitEvent.AsksAgain(at)); // What it had kept is not what was thought.
                }
                tell(new UnitEvent.PositionEntered(at, entered));
            }
            if (unit.position() != null) {
                tell(new UnitEvent.AsksAgain(at));
            }
        } else if (has != null && !isHeld(has)) {
            tell(new UnitEvent.PositionEntered(at, has));
            if (!isHeld(has)) {
                tell(new UnitEvent.PositionEntered(at, has));
            }
        }
    }

    private boolean isHeld(Position position) {
        return unit.position() != null && unit.position().isSameAs(position);
    }

    private void navigates() {
        switch (unit.phase()) {
            case NAVIGATING -> {}
            case ALIGNING -> {
                // What is expected a moment later is no contradiction.
                position();
                UnitEvent selected = new UnitEvent.NavigationSelected(at);
                if (unit.refusal(selected) == null) {
                    tell(selected);
                } else {
                    found(Phase.NAVIGATING, Duration.ZERO);
                }
            }
            case OFF, STORING -> found(Phase.NAVIGATING, Duration.ZERO);
        }
    }

    private void code() {
        String code = shown.code();
        if (code == null) {
            return;
        }
        if (code.isEmpty()) {
            if (unit.code() != null) {
                tell(new UnitEvent.CodeCleared(at));
            }
        } else if (!code.equals(unit.code())) {
            tell(new UnitEvent.CodeShown(at, code));
        }
    }

    private Position where() {
        Position has = shown.position() == null ? unit.position() : shown.position();
        return has == null ? stand : has;
    }

    private static double seconds(@Nullable Duration time) {
        return time == null ? 0 : time.toMillis() / 1000.0;
    }
}
