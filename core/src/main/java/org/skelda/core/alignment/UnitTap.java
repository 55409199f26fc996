package org.skelda.core.alignment;

import org.skelda.core.alignment.InertialUnit.Phase;

/** What the crew can tell of an inertial unit, in the order of an alignment. */
public enum UnitTap {
    ON("ALIGN"),
    POSITION("Position entered"),
    ASKS_AGAIN("It asks for the position again"),
    MOVED("Towed or shaken"),
    CODE("It shows a fault code"),
    CODE_CLEARED("The code is dealt with"),
    NAVIGATION("NAVIGATION"),
    /** Off and back on at once: the timed pair. */
    QUICK("OFF, and back to NAVIGATION"),
    OFF("OFF"),
    POWER_GONE("Its power is gone"),
    NAVIGATES("It navigates already");

    private final String words;

    UnitTap(String words) {
        this.words = words;
    }

    /** As the crew reads it. */
    public String words() {
        return words;
    }

    /** Whether a unit that stands so has that behind it, where a line can tell it. @param unit as it stands then */
    public boolean seenIn(InertialUnit unit) {
        return switch (this) {
            case ON -> unit.phase() == Phase.ALIGNING || unit.phase() == Phase.NAVIGATING;
            case POSITION -> unit.position() != null && ON.seenIn(unit);
            case NAVIGATION -> unit.phase() == Phase.NAVIGATING;
            case QUICK -> unit.quick() && ON.seenIn(unit);
            case OFF -> !ON.seenIn(unit);
            case ASKS_AGAIN, MOVED, CODE, CODE_CLEARED, POWER_GONE, NAVIGATES -> false; // No line tells these.
        };
    }

    /** Whether the position belongs to it: it is told with it, or not at all. */
    public boolean needsPosition() {
        return this == POSITION;
    }
}
