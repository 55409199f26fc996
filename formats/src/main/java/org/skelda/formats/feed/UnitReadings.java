package org.skelda.formats.feed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitsSample;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The inertial units in the aircraft's line of a feed: {@code inertial}, a list of one object for each, number 1 first,
 * or null for one that is not told of. In it {@code state} (off, aligning, navigating, storing), {@code left_s},
 * {@code lat_deg} with {@code lon_deg}, {@code entered_lat_deg} with {@code entered_lon_deg} while it asks for them
 * again, {@code speed_kt}, {@code code} (empty for none), {@code moving} and {@code power} as 0 or 1. Each may be
 * missing.
 */
final class UnitReadings {
    private static final int MOST = 4;
    private static final int LONGEST_CODE = 12;
    private static final double LONGEST_S = 7200;
    private static final double FASTEST_KT = 1000;

    private UnitReadings() {}

    /** Null when the line tells nothing of them. @param impossible takes a sentence for each reading left out */
    static @Nullable UnitsSample read(int number, JsonNode node, long at_us, List<String> impossible) {
        JsonNode units = node.path("inertial");
        if (units.isMissingNode() || units.isNull()) {
            return null;
        }
        if (!units.isArray() || units.size() > MOST) {
            throw new InvalidFeed(number, "'inertial' is no list of at most " + MOST + " units");
        }
        List<UnitsSample.@Nullable One> all = new ArrayList<>();
        for (JsonNode unit : units.values()) {
            if (!unit.isNull() && !unit.isObject()) {
                throw new InvalidFeed(number, "'inertial' holds something that is no unit");
            }
            all.add(unit.isNull() ? null : one(number, unit, impossible));
        }
        return new UnitsSample(at_us, all);
    }

    private static UnitsSample.One one(int number, JsonNode unit, List<String> impossible) {
        return new UnitsSample.One(
                phase(number, unit),
                reading(number, unit, "left_s", 0, LONGEST_S, impossible),
                position(number, unit, "", impossible),
                position(number, unit, "entered_", impossible),
                reading(number, unit, "speed_kt", 0, FASTEST_KT, impossible),
                code(number, unit),
                FeedReader.told(number, unit, "moving"),
                FeedReader.told(number, unit, "power"));
    }

    private static @Nullable Phase phase(int number, JsonNode unit) {
        JsonNode state = unit.path("state");
        if (state.isMissingNode() || state.isNull()) {
            return null;
        }
        return Arrays.stream(Phase.values())
                .filter(phase -> name(phase).equals(state.asString("")))
                .findFirst()
                .orElseThrow(() -> new InvalidFeed(
                        number,
                        "'state' is " + state + "; expected one of "
                                + Arrays.stream(Phase.values())
                                        .map(UnitReadings::name)
                                        .collect(Collectors.joining(", "))));
    }

    private static @Nullable String code(int number, JsonNode unit) {
        JsonNode code = unit.path("code");
        if (code.isMissingNode() || code.isNull()) {
            return null;
        }
        if (!code.isString() || code.asString().length() > LONGEST_CODE) {
            throw new InvalidFeed(number, "'code' is no text of at most " + LONGEST_CODE + " characters");
        }
        return code.asString();
    }

    private static @Nullable Position position(int number, JsonNode unit, String of, List<String> impossible) {
        double north = reading(number, unit, of + "lat_deg", -90, 90, impossible);
        double east = reading(number, unit, of + "lon_deg", -180, 180, impossible);
        return Double.isNaN(north) || Double.isNaN(east) ? null : new Position(north, east);
    }

    private static double reading(
            int number, JsonNode node, String name, double least, double most, List<String> impossible) {
        return ApuReadings.reading(number, node, name, least, most, impossible);
    }

    private static String name(Phase phase) {
        return phase.name().toLowerCase(Locale.ROOT);
    }

    static void write(UnitsSample sample, ArrayNode units) {
        for (UnitsSample.One one : sample.units()) {
            if (one == null) {
                units.addNull();
            } else {
                write(one, units.addObject());
            }
        }
    }

    private static void write(UnitsSample.One one, ObjectNode node) {
        if (one.phase() != null) {
            node.put("state", name(one.phase()));
        }
        FeedWriter.put(node, "left_s", one.left_s());
        position(node, "", one.position());
        position(node, "entered_", one.entered());
        FeedWriter.put(node, "speed_kt", one.speed_kt());
        if (one.code() != null) {
            node.put("code", one.code());
        }
        FeedWriter.put(node, "moving", one.moving());
        FeedWriter.put(node, "power", one.power());
    }

    private static void position(ObjectNode node, String of, @Nullable Position position) {
        if (position != null) {
            node.put(of + "lat_deg", position.latitude_deg()).put(of + "lon_deg", position.longitude_deg());
        }
    }
}
