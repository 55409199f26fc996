package org.skelda.core.start;

import org.jspecify.annotations.Nullable;

/** What a crew tells of a start that nothing reads for it: what it did, what it saw, and what it says is wrong. */
public enum Tap {
    STARTER_ON((Milestone) null, "starter on"),
    /** Before the starter, where the type has the switch. */
    IGNITION_ON((Milestone) null, "ignition on"),
    VALVE_OPEN(Milestone.VALVE_OPEN, "valve open"),
    ROTATION(Milestone.ROTATION, "turning"),
    OIL_RISING(Milestone.OIL_RISING, "oil rising"),
    FAN_ROTATION(Milestone.FAN_ROTATION, "fan or propeller turning"),
    FUEL_ON(Milestone.FUEL_ON, "fuel on"),
    LIGHT_OFF(Milestone.LIGHT_OFF, "lit"),
    /** The starter's dropping out once the engine is lit, and its being stopped otherwise. */
    STARTER_OFF(Milestone.STARTER_OUT, "starter off"),
    IDLE(Milestone.IDLE, "idle"),
    FUEL_OFF((Milestone) null, "fuel off"),
    IGNITION_OFF((Milestone) null, "ignition off"),
    /** After a cut: fuel flow and temperature fall. */
    FLOW_FALLS((Milestone) null, "flow and temperature fall"),
    NO_ROTATION(FindingId.NO_ROTATION, "nothing turns"),
    NO_OIL(FindingId.NO_OIL_PRESSURE, "no oil pressure"),
    NO_FAN(FindingId.NO_FAN_ROTATION, "fan or propeller does not turn"),
    SUPPLY_LOW(FindingId.LOW_SUPPLY, "volts or duct pressure too low"),
    IGNITION_NOT_ON(FindingId.IGNITION_MISSING, "ignition is not on"),
    NOT_LIT(FindingId.NO_LIGHT_OFF, "no light-off"),
    FLOW_TOO_HIGH(FindingId.FLOW_HIGH, "fuel flow too high"),
    TOO_HOT(FindingId.HOT_START, "temperature too high or racing up"),
    HANGS(FindingId.HUNG_START, "not accelerating"),
    STARTER_STAYS(FindingId.STARTER_OVERRUN, "the starter stays on"),
    STARTER_LONG(FindingId.STARTER_TIME, "the starter is still on"),
    FLOW_STAYS(FindingId.CUT_NOT_EFFECTIVE, "fuel still flows"),
    FIRE(FindingId.INTERNAL_FIRE, "temperature rises after the cut"),
    SLOW(FindingId.SLOW_TO_IDLE, "not at idle yet"),
    FIRE_WARNING(FindingId.FIRE_WARNING, "fire warning"),
    NOISE_OR_SIGN(FindingId.CREW_CALL, "noise, or the ground crew's sign");

    private final @Nullable Milestone milestone;
    private final @Nullable FindingId says;
    private final String words;

    Tap(@Nullable Milestone milestone, String words) {
        this.milestone = milestone;
        this.says = null;
        this.words = words;
    }

    Tap(FindingId says, String words) {
        this.milestone = null;
        this.says = says;
        this.words = words;
    }

    /** As a crew says it. */
    public String words() {
        return words;
    }

    /** The milestone that it tells; null when it tells none. */
    public @Nullable Milestone milestone() {
        return milestone;
    }

    /** What it says is wrong; null when it says nothing of the kind. */
    public @Nullable FindingId says() {
        return says;
    }

    /** The tap that tells a milestone; null for one that cannot be seen. */
    static @Nullable Tap of(Milestone milestone) {
        for (Tap tap : values()) {
            if (tap.milestone == milestone) {
                return tap;
            }
        }
        return null;
    }
}
