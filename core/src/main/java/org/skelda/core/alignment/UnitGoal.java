package org.skelda.core.alignment;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.skelda.core.alignment.InertialUnit.Missing;
import org.skelda.core.alignment.InertialUnit.Phase;

/** How far the inertial units have come, as a gate asks for it. */
public enum UnitGoal {
    /** Nothing is missing: navigation may be selected. */
    ALIGNED("The inertial units, aligned"),
    NAVIGATING("The inertial units, in navigation"),
    /** They are off and have kept their position: their power may go. */
    STORED("The inertial units, their position stored");

    private final String words;

    UnitGoal(String words) {
        this.words = words;
    }

    /** What is waited for, as the crew reads it. */
    public String words() {
        return words;
    }

    /** Whether a unit has come there. */
    public boolean reached(InertialUnit unit, Instant at) {
        InertialUnit now = unit.at(at);
        return switch (this) {
            case ALIGNED ->
                now.phase() == Phase.NAVIGATING
                        || now.phase() == Phase.ALIGNING && now.missing(at).isEmpty();
            case NAVIGATING -> now.phase() == Phase.NAVIGATING;
            case STORED -> now.phase() == Phase.OFF;
        };
    }

    /** When time alone brings it there; empty when something must be done first, or it is there. */
    public Optional<Instant> opensAt(InertialUnit unit, Instant at) {
        InertialUnit now = unit.at(at);
        boolean onlyTime = now.missing(at).equals(List.of(Missing.TIME));
        return switch (this) {
            case ALIGNED -> onlyTime ? now.counted() : Optional.empty();
            case NAVIGATING ->
                onlyTime && (now.quick() || now.rule().navigatesByItself()) ? now.counted() : Optional.empty();
            case STORED ->
                now.phase() == Phase.STORING
                        ? Optional.of(now.since().plus(now.rule().stores()))
                        : Optional.empty();
        };
    }
}
