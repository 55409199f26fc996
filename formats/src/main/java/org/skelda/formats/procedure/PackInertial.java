package org.skelda.formats.procedure;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.AlignmentRule;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.alignment.Realignment;
import org.skelda.core.alignment.UnitRule;
import tools.jackson.databind.JsonNode;

/** Turns the inertial units' node of a type document that passed the schema into their profile. */
final class PackInertial {
    private static final double MILLIS_PER_SECOND = 1000;
    private static final int SECONDS_PER_MINUTE = 60;

    private PackInertial() {}

    /** @throws IllegalArgumentException when it contradicts itself */
    static InertialProfile profile(JsonNode node) {
        JsonNode quick = node.path("quick");
        JsonNode anew = node.path("realignment");
        String source = node.path("source").asString();
        return new InertialProfile(
                node.path("units").intValue(),
                new UnitRule(
                        full(node.path("full")),
                        seconds(quick, "takes_s"),
                        seconds(quick, "within_s"),
                        seconds(node, "stores_s"),
                        number(node, "near_nm"),
                        node.path("navigatesByItself").booleanValue(false)),
                new Realignment(
                        number(anew, "fullOverDrift_nmph"),
                        number(anew, "fullOverSpeed_kt"),
                        number(anew, "quickFromSpeed_kt"),
                        number(anew, "quickFromDifference_nm"),
                        number(anew, "quickFromStanding_min"),
                        source),
                number(node, "gusts_kt"),
                node.path("codes").properties().stream()
                        .map(entry -> new InertialProfile.Code(
                                entry.getKey(),
                                entry.getValue().path("meaning").asString(),
                                entry.getValue().path("todo").asString()))
                        .toList(),
                optional(node.path("measures"), "drift"),
                optional(node.path("measures"), "speed"),
                optional(node.path("measures"), "difference"),
                source);
    }

    private static AlignmentRule full(JsonNode node) {
        return new AlignmentRule(
                minutes(node, "atEquator_min"), minutes(node, "longest_min"), number(node, "highestLatitude_deg"));
    }

    private static @Nullable String optional(JsonNode node, String key) {
        return node.has(key) ? node.path(key).asString() : null;
    }

    private static double number(JsonNode node, String key) {
        return node.path(key).doubleValue();
    }

    private static Duration minutes(JsonNode node, String key) {
        return Duration.ofMillis(Math.round(number(node, key) * SECONDS_PER_MINUTE * MILLIS_PER_SECOND));
    }

    private static Duration seconds(JsonNode node, String key) {
        return Duration.ofMillis(Math.round(number(node, key) * MILLIS_PER_SECOND));
    }
}
