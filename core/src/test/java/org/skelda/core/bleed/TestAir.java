package org.skelda.core.bleed;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelda.core.bleed.AirNetwork.Duct;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.core.bleed.AirNetwork.Taker;
import org.skelda.core.bleed.AirNetwork.Taking;
import org.skelda.core.bleed.AirNetwork.Valve;

/** Two ducts with a valve between, APU and cart on the left, an engine and a pack on each. */
final class TestAir {
    static final double LEAST_kpa = 230;
    static final double APU_kpa = 270;

    private TestAir() {}

    static AirNetwork network() {
        Delivery ofApu = new Delivery(APU_kpa, 0.65, 0.0012, List.of());
        Delivery ofEngine = new Delivery(
                APU_kpa,
                0.65,
                0.0012,
                List.of(new Delivery.ByFan(20, 0.6), new Delivery.ByFan(30, 1.0), new Delivery.ByFan(40, 1.2)));
        return new AirNetwork(
                List.of(
                        new Source("apu", "APU", Kind.APU, null, "left", null, null, ofApu),
                        new Source("cart", "Ground air", Kind.GROUND, null, "left", "cart-there", "cart-on", ofApu),
                        new Source("engine-1", "Engine 1 bleed", Kind.ENGINE, 1, "left", null, null, ofEngine),
                        new Source("engine-2", "Engine 2 bleed", Kind.ENGINE, 2, "right", null, null, ofEngine)),
                List.of(new Duct("left", "Left duct", Set.of(1)), new Duct("right", "Right duct", Set.of(2))),
                List.of(new Valve("isolation", "Isolation valve", "left", "right", "isolation-open")),
                List.of(
                        new Taker("pack-1", "Pack 1", Taking.PACK, "left", 0.16, "pack-1-on"),
                        new Taker("pack-2", "Pack 2", Taking.PACK, "right", 0.16, "pack-2-on"),
                        new Taker("ice", "Wing anti-ice", Taking.ANTI_ICE, "left", 0.24, null)),
                0.13,
                "Test, bleed air");
    }

    /** All set for a start of engine 2 on the APU. */
    static Map<String, @Nullable Boolean> set() {
        Map<String, @Nullable Boolean> states = new HashMap<>();
        states.put("isolation-open", true);
        states.put("pack-1-on", false);
        states.put("pack-2-on", false);
        states.put("cart-there", false);
        states.put("cart-on", false);
        return states;
    }

    static AirNow now(Map<String, @Nullable Boolean> states, @Nullable Boolean apu, Map<Integer, Double> fans) {
        return new AirNow(network(), states::get, fans, apu, new AirNow.Day(15.0, 0));
    }

    static AirView view(AirNow now, @Nullable Double read_kpa) {
        return AirViewing.view(now, 2, LEAST_kpa, read_kpa, kpa -> kpa / 10);
    }
}
