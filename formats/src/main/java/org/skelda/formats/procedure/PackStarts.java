package org.skelda.formats.procedure;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Limit;
import org.skelda.core.start.StartProfile;
import tools.jackson.databind.JsonNode;

/** Turns the start section of a type, once it has passed the schema, into the core's profile. */
final class PackStarts {
    private static final double MILLIS_PER_SECOND = 1000;

    private PackStarts() {}

    /** @param tree of a type document that has a start section */
    static StartProfile profile(JsonNode tree) {
        JsonNode node = tree.path("start");
        return new StartProfile(
                tree.path("id").asString(),
                tree.path("name").asString(),
                drive(node),
                supply(tree),
                fuel(node),
                seconds(node, "lightOffWithin_s"),
                limits(node.path("temperatureLimits")),
                turning(node.path("turning")),
                new StartProfile.Hung(number(node.path("hung"), "under_pctps"), seconds(node.path("hung"), "for_s")),
                starter(node.path("starter")),
                idle(node.path("idle")),
                remedy(node.path("after")));
    }

    private static StartProfile.Drive drive(JsonNode node) {
        return new StartProfile.Drive(
                node.path("manner").asString().equals("electric")
                        ? StartProfile.Manner.ELECTRIC
                        : StartProfile.Manner.BLEED_AIR,
                node.path("engine").asString().equals("jet") ? StartProfile.Engine.JET : StartProfile.Engine.TURBOPROP,
                switch (node.path("ignition").asString()) {
                    case "automatic" -> StartProfile.Ignition.AUTOMATIC;
                    case "switch-before-starter" -> StartProfile.Ignition.SWITCH_BEFORE_STARTER;
                    default -> StartProfile.Ignition.WITH_FUEL_LEVER;
                },
                optional(node, "ignitionAt_pct"),
                node.path("fuelOn").has("automatic_pct"),
                number(node, "tailWindCaution_kt"));
    }

    private static StartProfile.Supply supply(JsonNode tree) {
        JsonNode node = tree.path("start");
        JsonNode supply = node.path("supply");
        JsonNode dip = node.path("dip");
        List<StartProfile.Supply.Point> cranking = supply.path("cranking").values().stream()
                .map(point -> new StartProfile.Supply.Point(number(point, "at_pct"), number(point, "min")))
                .toList();
        return new StartProfile.Supply(
                number(supply, "beforeStarter_min"),
                optional(supply, "beforeStarter_caution"),
                cranking,
                supply.path("fallPer1000ft").doubleValue(0),
                dip.isMissingNode()
                        ? null
                        : new StartProfile.Supply.Dip(number(dip, "caution_v"), number(dip, "stop_v")),
                node.has("battery") ? battery(node.path("battery")) : null,
                tree.has("air") ? PackAir.network(tree.path("air")) : null);
    }

    private static StartProfile.Supply.Battery battery(JsonNode node) {
        return new StartProfile.Supply.Battery(
                number(node, "newAt25_mohm"),
                number(node, "growsPerDegreeBelow25_pct") / 100,
                number(node, "full_v"),
                number(node, "standstill_a"));
    }

    private static StartProfile.Fuel fuel(JsonNode node) {
        JsonNode on = node.path("fuelOn");
        boolean automatic = on.has("automatic_pct");
        JsonNode flow = node.path("flowAtLightOff");
        return new StartProfile.Fuel(
                number(on, automatic ? "automatic_pct" : "min_pct"),
                number(on, automatic ? "automatic_pct" : "preferred_pct"),
                number(node, "temperatureBeforeFuel_max_c"),
                flow.path("normal_kgph").path(0).doubleValue(),
                flow.path("normal_kgph").path(1).doubleValue(),
                number(flow, "cutAbove_kgph"),
                flow.has("secondNozzles")
                        ? new StartProfile.Fuel.SecondNozzles(
                                number(flow.path("secondNozzles"), "from_pct"),
                                number(flow.path("secondNozzles"), "adds_kgph"))
                        : null);
    }

    private static List<Limit> limits(JsonNode nodes) {
        return nodes.values().stream()
                .map(limit -> Limit.above(number(limit, "limit_c"), seconds(limit, "allowed_s")))
                .toList();
    }

    private static StartProfile.Turning turning(JsonNode node) {
        return new StartProfile.Turning(
                number(node, "by_pct"), node.path("orAtFuelOn").booleanValue(false), seconds(node, "oilWithin_s"));
    }

    private static StartProfile.Starter starter(JsonNode node) {
        List<StartProfile.Starter.Try> duty = node.path("duty").values().stream()
                .map(one -> new StartProfile.Starter.Try(seconds(one, "on_s"), seconds(one, "cool_s")))
                .toList();
        return new StartProfile.Starter(
                number(node, "cutOut_pct"),
                number(node, "overrun_pct"),
                node.path("byHand").booleanValue(false),
                optional(node, "engageAtOrBelow_pct"),
                duty,
                node.has("alone")
                        ? new StartProfile.Starter.Alone(
                                number(node.path("alone"), "motoring_pct"), number(node.path("alone"), "free_pct"))
                        : null,
                node.path("canBeHeld").booleanValue(false));
    }

    private static StartProfile.Idle idle(JsonNode node) {
        return new StartProfile.Idle(
                number(node, "speed_pct"),
                number(node, "tolerance_pct"),
                optional(node, "high_pct"),
                node.path("temperature_c").path(0).doubleValue(),
                node.path("temperature_c").path(1).doubleValue(),
                node.path("oil_kpa").path(0).doubleValue(),
                node.path("oil_kpa").path(1).doubleValue(),
                seconds(node, "within_s"));
    }

    private static StartProfile.Remedy remedy(JsonNode node) {
        return new StartProfile.Remedy(
                steps(node.path("noLight")),
                steps(node.path("hot")),
                node.path("secondMeans").asString(),
                node.path("computerTries").intValue(0));
    }

    private static List<StartProfile.Remedy.Step> steps(JsonNode nodes) {
        return nodes.values().stream()
                .map(node -> new StartProfile.Remedy.Step(
                        switch (node.path("do").asString()) {
                            case "stop-starter" -> StartProfile.Remedy.Doing.STOP_STARTER;
                            case "drain" -> StartProfile.Remedy.Doing.DRAIN;
                            case "dry-motor" -> StartProfile.Remedy.Doing.DRY_MOTOR;
                            default -> StartProfile.Remedy.Doing.KEEP_TURNING;
                        },
                        node.has("for_s") ? seconds(node, "for_s") : null,
                        optional(node, "until_c")))
                .toList();
    }

    private static double number(JsonNode node, String key) {
        return node.path(key).doubleValue();
    }

    private static @Nullable Double optional(JsonNode node, String key) {
        return node.has(key) ? (Double) node.path(key).doubleValue() : null;
    }

    private static Duration seconds(JsonNode node, String key) {
        return Duration.ofMillis(Math.round(number(node, key) * MILLIS_PER_SECOND));
    }
}
