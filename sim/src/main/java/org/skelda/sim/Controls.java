package org.skelda.sim;

/**
 * How the controls stand that all engines share.
 *
 * @param air whether ground air is on (bleed air)
 * @param valvesOpen whether the valves between ducts are open
 * @param packsOn whether packs or heavy electrical loads take their share
 * @param groundPower whether ground power feeds the bus (electric start)
 * @param battery whether the battery is on the bus (electric start)
 * @param held whether the start selector is held by hand: then no speed drops the starter out
 */
public record Controls(
        boolean air, boolean valvesOpen, boolean packsOn, boolean groundPower, boolean battery, boolean held) {

    /** Air or battery ready, loads off. */
    public static Controls ready() {
        return new Controls(true, true, false, false, true, false);
    }

    public Controls withAir(boolean on) {
        return new Controls(on, valvesOpen, packsOn, groundPower, battery, held);
    }

    public Controls withValves(boolean open) {
        return new Controls(air, open, packsOn, groundPower, battery, held);
    }

    public Controls withPacks(boolean on) {
        return new Controls(air, valvesOpen, on, groundPower, battery, held);
    }

    public Controls withGroundPower(boolean on) {
        return new Controls(air, valvesOpen, packsOn, on, battery, held);
    }

    public Controls withBattery(boolean on) {
        return new Controls(air, valvesOpen, packsOn, groundPower, on, held);
    }

    public Controls withHeld(boolean on) {
        return new Controls(air, valvesOpen, packsOn, groundPower, battery, on);
    }
}
