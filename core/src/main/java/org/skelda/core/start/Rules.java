package org.skelda.core.start;

import java.util.List;

/**
 * The table of findings: one rule for each row, in its order. A start limit exceeded is watched by the attempt itself,
 * what follows a cut by {@link CutWatch}.
 */
final class Rules {
    private Rules() {}

    /** Fresh rules for one attempt. */
    static List<Rule> all(TemperatureForecast forecast) {
        return List.of(
                new SupplyRules.LowSupply(),
                new SupplyRules.DipLow(),
                new TurningRules.NoRotation(),
                new TurningRules.NoOilPressure(),
                new TurningRules.NoFanRotation(),
                new FuelRules.FuelEarly(),
                new FuelRules.ResidualHot(),
                new LightRules.IgnitionMissing(),
                new LightRules.IgnitionLate(),
                new LightRules.NoLightOff(),
                new FuelRules.FlowHigh(),
                new HotPredicted(forecast),
                new AccelerationRules.HungStart(),
                new StarterRules.StarterTime(),
                new StarterRules.StarterOverrun(),
                new StarterRules.StarterEarlyOut(),
                new StarterRules.StarterReengaged(),
                new FuelRules.RelightAfterCut(),
                new FuelRules.NotCleared(),
                new IdleRules.OilLowAtIdle(),
                new CutRules.AutoStopFailed(),
                new AccelerationRules.SlowToIdle(),
                new IdleRules.IdleAbnormal());
    }
}
