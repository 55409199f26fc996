package org.skelda.app.bleed;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apurun.ApuHistory;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.bleed.AirNow;
import org.skelda.core.bleed.AirView;
import org.skelda.core.bleed.AirViewing;
import org.skelda.core.departure.Departure;
import org.skelda.core.start.Motoring;
import org.skelda.core.start.StartProfile;

/** How the air stands on a departure, from what its crew told and what is read. */
public final class AirOfDeparture {
    private static final double STANDARD_degC = 15;

    private AirOfDeparture() {}

    /**
     * Before the starter of an engine.
     *
     * @param fans fan speed (%) of each engine that runs
     * @param oat_c outside air, degC; null when nobody told it
     * @param static_kpa duct pressure as it is read; null when it is not
     * @return empty for a type that starts on current, or that tells nothing of its air
     */
    public static Optional<AirView> view(
            Departure departure,
            StartProfile profile,
            int engine,
            Map<Integer, Double> fans,
            @Nullable Double oat_c,
            @Nullable Double static_kpa) {
        AirNetwork network = departure.plan().type().air();
        if (network == null || network.ductOf(engine).isEmpty()) {
            return Optional.empty();
        }
        double elevation_ft = departure.opening().elevation_ft();
        ApuHistory apu = departure.apu();
        AirNow now = new AirNow(
                network,
                departure.progress()::toldOfState,
                fans,
                apu == null ? null : (Boolean) apu.apu().run().bleed(),
                new AirNow.Day(oat_c, elevation_ft));
        Motoring motoring = Motoring.of(profile, oat_c == null ? STANDARD_degC : oat_c, elevation_ft);
        return Optional.of(AirViewing.view(
                now,
                engine,
                profile.supply().beforeStarterAt(elevation_ft),
                static_kpa,
                kpa -> motoring == null ? 0 : motoring.onAir(kpa, network.swallows(), elevation_ft)));
    }
}
