package org.skelda.sim;

/**
 * How the controls stand.
 *
 * @param air whether the air source delivers (bleed air)
 * @param packsOn whether packs or heavy electrical loads take their share
 * @param groundPower whether ground power feeds the bus (electric start)
 * @param starter the starter's switch
 * @param ignition the igniters' switch
 * @param fuel the fuel lever
 * @param secondMeans whether fuel was shut off by the second means
 */
public record Controls(
        boolean air,
        boolean packsOn,
        boolean groundPower,
        boolean starter,
        boolean ignition,
        boolean fuel,
        boolean secondMeans) {

    /** Everything off, air or battery ready, loads off. */
    public static Controls ready() {
        return new Controls(true, false, false, false, false, false, false);
    }

    public Controls withStarter(boolean on) {
        return new Controls(air, packsOn, groundPower, on, ignition, fuel, secondMeans);
    }

    public Controls withIgnition(boolean on) {
        return new Controls(air, packsOn, groundPower, starter, on, fuel, secondMeans);
    }

    public Controls withFuel(boolean on) {
        return new Controls(air, packsOn, groundPower, starter, ignition, on, secondMeans);
    }

    public Controls withPacks(boolean on) {
        return new Controls(air, on, groundPower, starter, ignition, fuel, secondMeans);
    }

    public Controls withAir(boolean on) {
        return new Controls(on, packsOn, groundPower, starter, ignition, fuel, secondMeans);
    }

    public Controls withGroundPower(boolean on) {
        return new Controls(air, packsOn, on, starter, ignition, fuel, secondMeans);
    }

    public Controls withSecondMeans() {
        return new Controls(air, packsOn, groundPower, starter, ignition, fuel, true);
    }
}
