package org.skelda.core.alignment;

import java.time.Instant;

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

    /** Its power goes, by whatever way. */
    record PowerGone(Instant at) implements UnitEvent {}
}
