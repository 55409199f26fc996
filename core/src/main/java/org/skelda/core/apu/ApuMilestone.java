package org.skelda.core.apu;

/** What is looked for in its start, in this order. */
public enum ApuMilestone {
    FUEL,
    LIGHT,
    STARTER_OUT,
    /** At its speed; available once it has settled there. */
    UP_TO_SPEED
}
