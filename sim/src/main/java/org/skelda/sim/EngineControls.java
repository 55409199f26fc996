package org.skelda.sim;

/**
 * How the controls of one engine stand.
 *
 * @param starter the starter's switch; of an engine with a start computer, the one that turns it without fuel
 * @param ignition the igniters' switch
 * @param fuel the fuel lever; of an engine with a start computer its master, on which the computer begins
 * @param secondStage the second stage of the fuel lever (high idle), or thrust raised for a cross-bleed
 * @param secondMeans whether fuel was shut off by the second means
 */
public record EngineControls(
        boolean starter, boolean ignition, boolean fuel, boolean secondStage, boolean secondMeans) {
    /** Everything off. */
    public static final EngineControls OFF = new EngineControls(false, false, false, false, false);

    public EngineControls withStarter(boolean on) {
        return new EngineControls(on, ignition, fuel, secondStage, secondMeans);
    }

    public EngineControls withIgnition(boolean on) {
        return new EngineControls(starter, on, fuel, secondStage, secondMeans);
    }

    public EngineControls withFuel(boolean on) {
        return new EngineControls(starter, ignition, on, secondStage, secondMeans);
    }

    public EngineControls withSecondStage(boolean on) {
        return new EngineControls(starter, ignition, fuel, on, secondMeans);
    }

    public EngineControls withSecondMeans(boolean used) {
        return new EngineControls(starter, ignition, fuel, secondStage, used);
    }
}
