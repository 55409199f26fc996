package org.skelda.formats.feed;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.start.Switch;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The electrics in the aircraft's line of a feed: {@code electrics}, an object of {@code sources} (each with
 * {@code there} and {@code on} as 0 or 1, {@code voltage_v}, and {@code current_a}: into a battery, out of all else),
 * {@code ties} (closed) and {@code buses} (powered) as 0 or 1, by the ids of the type's document. Each may be missing.
 */
final class PowerReadings {
    private static final int MOST = 40;
    private static final int LONGEST_NAME = 60;
    private static final double HIGHEST_V = 300;
    private static final double MOST_A = 3000;

    private PowerReadings() {}

    /** Null when the line tells nothing of them. @param impossible takes a sentence for each reading left out */
    static @Nullable PowerSample read(int number, JsonNode node, long at_us, List<String> impossible) {
        JsonNode electrics = node.path("electrics");
        if (electrics.isMissingNode() || electrics.isNull()) {
            return null;
        }
        if (!electrics.isObject()) {
            throw new InvalidFeed(number, "'electrics' is no object of sources, ties and buses");
        }
        Map<String, PowerSample.OfSource> sources = new TreeMap<>();
        all(number, electrics, "sources").forEach((id, source) -> {
            if (!source.isObject()) {
                throw new InvalidFeed(number, "'sources' holds something that is no source");
            }
            sources.put(
                    id,
                    new PowerSample.OfSource(
                            FeedReader.told(number, source, "there"),
                            FeedReader.told(number, source, "on"),
                            ApuReadings.reading(number, source, "voltage_v", 0, HIGHEST_V, impossible),
                            ApuReadings.reading(number, source, "current_a", -MOST_A, MOST_A, impossible)));
        });
        return new PowerSample(
                at_us, sources, switches(number, electrics, "ties"), switches(number, electrics, "buses"));
    }

    private static Map<String, Switch> switches(int number, JsonNode electrics, String what) {
        Map<String, Switch> read = new TreeMap<>();
        all(number, electrics, what)
                .forEach((id, _) -> read.put(id, FeedReader.told(number, electrics.path(what), id)));
        return read;
    }

    private static Map<String, JsonNode> all(int number, JsonNode electrics, String what) {
        JsonNode node = electrics.path(what);
        if (node.isMissingNode() || node.isNull()) {
            return Map.of();
        }
        if (!node.isObject() || node.size() > MOST) {
            throw new InvalidFeed(number, "'" + what + "' is no object of at most " + MOST + " names");
        }
        Map<String, JsonNode> read = new TreeMap<>();
        node.properties().forEach(entry -> {
            if (entry.getKey().length() > LONGEST_NAME) {
                throw new InvalidFeed(
                        number, "'" + what + "' holds a name of more than " + LONGEST_NAME + " characters");
            }
            read.put(entry.getKey(), entry.getValue());
        });
        return read;
    }

    static void write(PowerSample sample, ObjectNode electrics) {
        if (!sample.sources().isEmpty()) {
            ObjectNode sources = electrics.putObject("sources");
            new TreeMap<>(sample.sources()).forEach((id, source) -> {
                ObjectNode one = sources.putObject(id);
                FeedWriter.put(one, "there", source.there());
                FeedWriter.put(one, "on", source.on());
                FeedWriter.put(one, "voltage_v", source.voltage_V());
                FeedWriter.put(one, "current_a", source.current_A());
            });
        }
        switches(electrics, "ties", sample.ties());
        switches(electrics, "buses", sample.buses());
    }

    private static void switches(ObjectNode electrics, String what, Map<String, Switch> all) {
        if (!all.isEmpty()) {
            ObjectNode node = electrics.putObject(what);
            new TreeMap<>(all).forEach((id, told) -> FeedWriter.put(node, id, told));
        }
    }
}
