package org.skelda.core.alignment;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What can happen to an inertial unit. */
public sealed interface UnitEvent {
    Instant at();

    /** Its selector leaves OFF. @param latitude_deg of the stand, north positive */
    record SwitchedOn(Instant at, double latitude_deg) implements UnitEvent {}

    record PositionEntered(Instant at, Position position) implements UnitEvent {}

    /** It was towed, or shaken by gusts. */
    record Moved(Instant at) implements UnitEvent {}

    /** It shows a fault code. */
    record CodeShown(Instant at, String code) implements UnitEvent {}

    /** What the code says has been dealt with. */
    record CodeCleared(Instant at) implements UnitEvent {}

    record NavigationSelected(Instant at) implements UnitEvent {}

    /** Its selector goes to OFF. @param where what it has as its own position then */
    record SwitchedOff(Instant at, Position where) implements UnitEvent {}

    /** It asks for the position once more, whatever was expected: what it had stored is not what was thought. */
    record AsksAgain(Instant at) implements UnitEvent {}

    /**
     * It was found so, without anybody having told how it came there.
     *
     * @param position what it has; null when it has none
     * @param left what is left of its count, for one that aligns
     */
    record Found(
            Instant at, InertialUnit.Phase phase, @Nullable Position position, Duration left) implements UnitEvent {}

    /** Its power goes, by whatever way. */
    record PowerGone(Instant at) implements UnitEvent {}
}
