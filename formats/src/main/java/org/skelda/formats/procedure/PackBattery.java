package org.skelda.formats.procedure;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.BatteryRule;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.Gauge;
import org.skelda.formats.kind.KindReader;
import tools.jackson.databind.JsonNode;

/** What a measure tells of the battery whose volts or charge current it is. */
final class PackBattery {
    private static final double PERCENT = 100;
    private static final double MILLIS_PER_SECOND = 1000;

    private PackBattery() {}

    /**
     * @param measure the measure's node; its least volts are the battery's
     * @param start of the same document; missing when the type has none
     * @throws IllegalArgumentException when what the task needs is not there
     */
    static BatteryRule rule(JsonNode measure, JsonNode start) {
        JsonNode battery = measure.path("battery");
        if (!measure.has("min")) {
            throw new IllegalArgumentException("a battery needs 'min': the least volts for what it must do");
        }
        BatteryRule.Task task =
                KindReader.word(BatteryRule.Task.class, battery.path("for").asString());
        return new BatteryRule(
                task,
                measure.path("min").doubleValue(),
                battery.has("charge_min")
                        ? Duration.ofMinutes(battery.path("charge_min").longValue())
                        : null,
                task == BatteryRule.Task.ENGINE_START ? dip(start) : null,
                battery.has("wind") ? battery.path("wind").asString() : null,
                measure.path("source").asString());
    }

    /** @param measure the node of a charge current */
    static ChargeRule charge(JsonNode measure) {
        JsonNode falls = measure.path("falls");
        return new ChargeRule(
                falls.path("after").asString(),
                falls.path("under").doubleValue(),
                Duration.ofMillis(Math.round(falls.path("within_s").doubleValue() * MILLIS_PER_SECOND)),
                measure.path("source").asString());
    }

    /** @param measure the node of a measure that has its instrument in the feed */
    static Gauge gauge(JsonNode measure) {
        JsonNode gauge = measure.path("gauge");
        return new Gauge(
                gauge.path("of").asString(),
                KindReader.word(Gauge.Quantity.class, gauge.path("shows").asString()));
    }

    private static BatteryRule.@Nullable Dip dip(JsonNode start) {
        JsonNode battery = start.path("battery");
        JsonNode dip = start.path("dip");
        if (battery.isMissingNode() || dip.isMissingNode()) {
            throw new IllegalArgumentException("a battery that starts an engine needs 'start/battery' and 'start/dip'");
        }
        return new BatteryRule.Dip(
                battery.path("newAt25_mohm").doubleValue(),
                battery.path("growsPerDegreeBelow25_pct").doubleValue() / PERCENT,
                battery.path("full_v").doubleValue(),
                battery.path("standstill_a").doubleValue(),
                dip.path("caution_v").doubleValue(),
                dip.path("stop_v").doubleValue());
    }
}
