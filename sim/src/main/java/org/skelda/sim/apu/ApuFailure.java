package org.skelda.sim.apu;

/** What can go wrong with the simulated APU beside its stopping itself. */
enum ApuFailure {
    NOTHING,
    /** Its igniter is dead. */
    NO_LIGHT,
    /** Too much fuel for its air: hotter than any limit of its start. */
    HOT,
    /** It lights and does not come up to speed. */
    HANGS,
    /** Its inlet door never opens. */
    DOOR_STUCK
}
