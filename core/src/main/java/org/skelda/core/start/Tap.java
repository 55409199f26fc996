package org.skelda.core.start;

import org.jspecify.annotations.Nullable;

/** What a crew tells of a start that nothing reads for it: what it did, what it saw, and what it says is wrong. */
public enum Tap {
    STARTER_ON((Milestone) null, "starter on"), VALVE_OPEN(Milestone.VALVE_OPEN, "valve open"), ROTATION(Milestone.ROTATION, "turning"),
    OIL_RISING(Milestone.OIL_RISING, "oil rising"), FAN_ROTATION(Milestone.FAN_ROTATION, "fan turning"), FUEL_ON(Milestone.FUEL_ON, "fuel on"),
    LIGHT_OFF(Milestone.LIGHT_OFF, "lit"),
    /** The starter's dropping out once the engine is lit, and its being stopped otherwise. */
    STARTER_OFF(Milestone.STARTER_OUT, "starter off"),
    IDLE(Milestone.IDLE, "idle"), FUEL_OFF((Milestone) null, "fuel off"),
    /** After a cut: fuel flow and temperature fall. */
    FLOW_FALLS((Milestone) null, "flow and temperature fall"),
    NO_ROTATION(FindingId.NO_ROTATION, "nothing turns"), NO_OIL(FindingId.NO_OIL_PRESSURE, "no oil pressure"),
    NO_FAN(FindingId.NO_FAN_ROTATION, "fan or propeller does not turn"), NOT_LIT(FindingId.NO_LIGHT_OFF, "not lit"),
    TOO_HOT(FindingId.HOT_START, "temperature too high or racing up"), HANGS(FindingId.HUNG_START, "it hangs below idle"),
    STARTER_STAYS(FindingId.STARTER_OVERRUN, "the starter stays on"), STARTER_LONG(FindingId.STARTER_TIME, "the starter is still on"),
    FLOW_STAYS(FindingId.CUT_NOT_EFFECTIVE, "fuel still flows"), FIRE(FindingId.INTERNAL_FIRE, "temperature rises after the cut"),
    SLOW(FindingId.SLOW_TO_IDLE, "not at idle yet");

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
    public String words() { return words; }

    /** The milestone that it tells; null when it tells none. */
    public @Nullable Milestone milestone() { return milestone; }

    /** What it says is wrong; null when it says nothing of the kind. */
    public @Nullable FindingId says() { return says; }

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
