package org.skelda.formats.feed;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes samples as lines of a feed. What it writes, {@link FeedReader} reads as the same samples. */
public final class FeedWriter {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final long US_PER_S = 1_000_000;
    private static final long NS_PER_US = 1000;

    private FeedWriter() {}

    /** One line without its line end. @param subject what it is of */
    public static String line(Subject subject, Sample sample, StartProfile.Engine engine) {
        ObjectNode node = begun(subject, sample.at_us());
        for (Parameter parameter : Parameter.values()) {
            double value = sample.of(parameter);
            if (!Double.isNaN(value)) {
                node.put(FeedName.of(parameter, engine).name(), value);
            }
        }
        put(node, "starter", sample.starter());
        put(node, "fuel", sample.fuel());
        put(node, "ignition", sample.ignition());
        return JSON.writeValueAsString(node);
    }

    /** What the aircraft shows, without its inertial units and its electrics. */
    public static String lights(long at_us, List<String> lights) {
        return aircraft(at_us, lights, null, null);
    }

    /**
     * What the aircraft shows, as one line.
     *
     * @param lights all that are lit, shown or heard, by their ids; null to tell nothing of them
     * @param units what its inertial units show; null to tell nothing of them
     * @param power how its electrics stand; null to tell nothing of them
     */
    public static String aircraft(
            long at_us, @Nullable List<String> lights, @Nullable UnitsSample units, @Nullable PowerSample power) {
        ObjectNode node = begun(Subject.AIRCRAFT, at_us);
        if (lights != null) {
            ArrayNode array = node.putArray("lights");
            lights.forEach(array::add);
        }
        if (units != null) {
            UnitReadings.write(units, node.putArray("inertial"));
        }
        if (power != null) {
            PowerReadings.write(power, node.putObject("electrics"));
        }
        return JSON.writeValueAsString(node);
    }

    /** The APU's readings, as one line. */
    public static String apu(ApuSample sample) {
        ObjectNode node = begun(Subject.APU, sample.at_us());
        ApuReadings.write(sample, node);
        return JSON.writeValueAsString(node);
    }

    private static ObjectNode begun(Subject subject, long at_us) {
        ObjectNode node = JSON.createObjectNode();
        node.put(
                "t",
                Instant.ofEpochSecond(Math.floorDiv(at_us, US_PER_S), Math.floorMod(at_us, US_PER_S) * NS_PER_US)
                        .toString());
        node.put("subject", subject.toString());
        return node;
    }

    /** A batch, each line ended. */
    public static String batch(Subject subject, List<Sample> samples, StartProfile.Engine engine) {
        StringBuilder text = new StringBuilder();
        samples.forEach(sample -> text.append(line(subject, sample, engine)).append('\n'));
        return text.toString();
    }

    /** A switch as 0 or 1; one that is not told is left out. */
    static void put(ObjectNode node, String name, Switch told) {
        if (told != Switch.UNTOLD) {
            node.put(name, told == Switch.ON ? 1 : 0);
        }
    }

    /** A number; NaN is left out. */
    static void put(ObjectNode node, String name, double value) {
        if (!Double.isNaN(value)) {
            node.put(name, value);
        }
    }
}
