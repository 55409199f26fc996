package org.skelda.core.start;

import org.jspecify.annotations.Nullable;

/** What a crew tells of a start that nothing reads for it: what it did, what it saw, and what it says is wrong. */
public enum Tap {
    STARTER_ON(null, null), VALVE_OPEN(Milestone.VALVE_OPEN, null), ROTATION(Milestone.ROTATION, null), OIL_RISING(Milestone.OIL_RISING, null),
    FAN_ROTATION(Milestone.FAN_ROTATION, null), FUEL_ON(Milestone.FUEL_ON, null), LIGHT_OFF(Milestone.LIGHT_OFF, null),
    /** The starter's dropping out once the engine is lit, and its being stopped otherwise. */
    STARTER_OFF(Milestone.STARTER_OUT, null),
    IDLE(Milestone.IDLE, null), FUEL_OFF(null, null),
    /** After a cut: fuel flow and temperature fall. */
    FLOW_FALLS(null, null),
    NO_ROTATION(null, FindingId.NO_ROTATION), NO_OIL(null, FindingId.NO_OIL_PRESSURE), NO_FAN(null, FindingId.NO_FAN_ROTATION),
    NOT_LIT(null, FindingId.NO_LIGHT_OFF), TOO_HOT(null, FindingId.HOT_START), HANGS(null, FindingId.HUNG_START),
    STARTER_STAYS(null, FindingId.STARTER_OVERRUN), STARTER_LONG(null, FindingId.STARTER_TIME), FLOW_STAYS(null, FindingId.CUT_NOT_EFFECTIVE),
    FIRE(null, FindingId.INTERNAL_FIRE), SLOW(null, FindingId.SLOW_TO_IDLE);

    private final @Nullable Milestone milestone;
    private final @Nullable FindingId says;

    Tap(@Nullable Milestone milestone, @Nullable FindingId says) {
        this.milestone = milestone;
        this.says = says;
    }

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
