package org.skelda.formats.feed;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.apu.AutomaticStop;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The APU's line of a feed: {@code speed_pct}, {@code egt_c}; {@code master}, {@code start}, {@code ready},
 * {@code generator}, {@code bleed}, {@code battery}, {@code emergency}, {@code latched} as 0 or 1; {@code stopped} with
 * the reason for which it stopped itself. Each may be missing.
 */
final class ApuReadings {
    private static final double FASTEST_PCT = 130;
    private static final double COLDEST_C = -80;
    private static final double HOTTEST_C = 1500;

    private ApuReadings() {}

    /** @param impossible takes a sentence for each reading that no such instrument shows; it is left out */
    static ApuSample read(int number, JsonNode node, long at_us, List<String> impossible) {
        return new ApuSample(
                at_us,
                reading(number, node, "speed_pct", 0, FASTEST_PCT, impossible),
                reading(number, node, "egt_c", COLDEST_C, HOTTEST_C, impossible),
                FeedReader.told(number, node, "master"),
                FeedReader.told(number, node, "start"),
                FeedReader.told(number, node, "ready"),
                FeedReader.told(number, node, "generator"),
                FeedReader.told(number, node, "bleed"),
                FeedReader.told(number, node, "battery"),
                FeedReader.told(number, node, "emergency"),
                FeedReader.told(number, node, "latched"),
                stopped(number, node));
    }

    /** A number of the line; NaN when there is none, or it is outside what such an instrument shows. */
    static double reading(int number, JsonNode node, String name, double least, double most, List<String> impossible) {
        JsonNode value = node.path(name);
        if (value.isMissingNode() || value.isNull()) {
            return Double.NaN;
        }
        if (!value.isNumber() || !Double.isFinite(value.doubleValue())) {
            throw new InvalidFeed(number, "'" + name + "' is not a number");
        }
        double reading = value.doubleValue();
        if (reading < least || reading > most) {
            impossible.add(name + " of " + value + " is outside " + least + " to " + most);
            return Double.NaN;
        }
        return reading;
    }

    private static @Nullable AutomaticStop stopped(int number, JsonNode node) {
        JsonNode value = node.path("stopped");
        if (value.isMissingNode() || value.isNull()) {
            return null;
        }
        return Arrays.stream(AutomaticStop.values())
                .filter(why -> name(why).equals(value.asString("")))
                .findFirst()
                .orElseThrow(() -> new InvalidFeed(
                        number,
                        "'stopped' is " + value + "; expected one of "
                                + Arrays.stream(AutomaticStop.values())
                                        .map(ApuReadings::name)
                                        .collect(Collectors.joining(", "))));
    }

    private static String name(AutomaticStop why) {
        return why.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static void write(ApuSample sample, ObjectNode node) {
        if (!Double.isNaN(sample.speed_pct())) {
            node.put("speed_pct", sample.speed_pct());
        }
        if (!Double.isNaN(sample.temperature_c())) {
            node.put("egt_c", sample.temperature_c());
        }
        FeedWriter.put(node, "master", sample.master());
        FeedWriter.put(node, "start", sample.start());
        FeedWriter.put(node, "ready", sample.ready());
        FeedWriter.put(node, "generator", sample.generator());
        FeedWriter.put(node, "bleed", sample.bleed());
        FeedWriter.put(node, "battery", sample.battery());
        FeedWriter.put(node, "emergency", sample.emergency());
        FeedWriter.put(node, "latched", sample.latched());
        if (sample.stopped() != null) {
            node.put("stopped", name(sample.stopped()));
        }
    }
}
