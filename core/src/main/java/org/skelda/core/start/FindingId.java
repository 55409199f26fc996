package org.skelda.core.start;

/** What can be found wrong with a start, in the order of the table that defines it; that order breaks ties of time. */
public enum FindingId {
    LOW_SUPPLY,
    DIP_LOW,
    NO_ROTATION,
    NO_OIL_PRESSURE,
    NO_FAN_ROTATION,
    FUEL_EARLY,
    RESIDUAL_HOT,
    IGNITION_MISSING,
    IGNITION_LATE,
    NO_LIGHT_OFF,
    FLOW_HIGH,
    HOT_PREDICTED,
    HOT_START,
    HUNG_START,
    STARTER_TIME,
    STARTER_OVERRUN,
    STARTER_EARLY_OUT,
    STARTER_REENGAGED,
    RELIGHT_AFTER_CUT,
    NOT_CLEARED,
    OIL_LOW_AT_IDLE,
    AUTO_STOP_FAILED,
    CUT_NOT_EFFECTIVE,
    INTERNAL_FIRE,
    SLOW_TO_IDLE,
    IDLE_ABNORMAL,
    /** Told by the crew alone: a fire warning. */
    FIRE_WARNING,
    /** Told by the crew alone: noise, or the ground crew's sign. */
    CREW_CALL
}
