package org.skelda.core.kind;

/** What can hurt people, so that a line which begins it needs its caution before it. */
public enum Hazard {
    ENGINE,
    APU,
    GROUND_POWER,
    PROPELLER,
    FIRE
}
