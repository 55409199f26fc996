package org.skelda.formats.procedure;

import java.time.Duration;
import java.util.EnumMap;
import java.util.Map;
import org.skelda.core.apu.ApuLoad;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuRule;
import org.skelda.core.limit.Limit;
import tools.jackson.databind.JsonNode;

/** Turns the APU's node of a type document that passed the schema into its profile. */
final class PackApu {
    private static final double MILLIS_PER_SECOND = 1000;

    private PackApu() {}

    /** @throws IllegalArgumentException when it contradicts itself */
    static ApuProfile profile(JsonNode node) {
        return new ApuProfile(
                rule(node),
                number(node, "battery_min_v"),
                node.has("startHeld_s") ? seconds(node, "startHeld_s") : null,
                node.path("startLimits").values().stream()
                        .map(limit -> Limit.above(number(limit, "limit_c"), seconds(limit, "allowed_s")))
                        .toList(),
                number(node, "runningMax_c"),
                ceilings(node.path("ceilings_ft")),
                number(node, "burn_kgph"),
                node.has("tank") ? node.path("tank").asString() : null,
                node.path("source").asString());
    }

    private static ApuRule rule(JsonNode node) {
        JsonNode attempts = node.path("attempts");
        return new ApuRule(
                seconds(node, "powers_s"),
                seconds(node, "door_s"),
                number(node, "fuelAt_pct"),
                number(node, "starterOutAt_pct"),
                number(node.path("available"), "at_pct"),
                seconds(node.path("available"), "settles_s"),
                seconds(node, "bleedAfter_s"),
                seconds(node, "coolDown_s"),
                seconds(node, "batteriesAfter_s"),
                attempts.path("tries").intValue(),
                seconds(attempts, "rest_s"),
                seconds(attempts, "longRest_s"));
    }

    private static Map<ApuLoad, Double> ceilings(JsonNode node) {
        Map<ApuLoad, Double> ceilings = new EnumMap<>(ApuLoad.class);
        ceilings.put(ApuLoad.START, number(node, "start"));
        ceilings.put(ApuLoad.ELECTRICAL, number(node, "electrical"));
        ceilings.put(ApuLoad.BLEED_ENGINE_START, number(node, "bleedEngineStart"));
        ceilings.put(ApuLoad.BLEED_CABIN, number(node, "bleedCabin"));
        ceilings.put(ApuLoad.BOTH, number(node, "both"));
        return ceilings;
    }

    private static double number(JsonNode node, String key) {
        return node.path(key).doubleValue();
    }

    private static Duration seconds(JsonNode node, String key) {
        return Duration.ofMillis(Math.round(node.path(key).doubleValue() * MILLIS_PER_SECOND));
    }
}
