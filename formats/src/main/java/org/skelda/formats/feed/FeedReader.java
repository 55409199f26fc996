package org.skelda.formats.feed;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a batch of a feed: one JSON object a line, with {@code t} (RFC 3339), {@code subject}, and readings by the
 * names of the trace; an aircraft's line may tell its {@code lights}, all that show now. A malformed line refuses the
 * whole batch. A reading that no instrument shows is left out and told; it is never judged.
 */
public final class FeedReader {
    private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");
    private static final Instant LATEST = Instant.parse("2200-01-01T00:00:00Z");
    private static final int MOST_LIGHTS = 400;
    private static final int LONGEST_NAME = 60;

    /** Most lines of a batch. */
    public static final int MOST_LINES = 5000;

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(tools.jackson.core.StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();
    private static final long US_PER_S = 1_000_000;

    private final StartProfile.Engine engine;

    private FeedReader(StartProfile.Engine engine) {
        this.engine = engine;
    }

    /**
     * @param body of the request, UTF-8
     * @param engine which names the type's readings have
     * @return its lines in their order; blank ones are skipped
     * @throws InvalidFeed with the number of the first bad line
     */
    public static List<FeedLine> read(byte[] body, StartProfile.Engine engine) {
        FeedReader reader = new FeedReader(engine);
        List<FeedLine> lines = new ArrayList<>();
        int number = 0;
        for (String text : decoded(body).split("\n", -1)) {
            number++;
            if (!text.isBlank()) {
                lines.add(reader.line(number, text));
            }
            if (lines.size() > MOST_LINES) {
                throw new InvalidFeed(
                        number, "more than " + MOST_LINES + " readings in one batch; send fewer at a time");
            }
        }
        return lines;
    }

    private static String decoded(byte[] body) {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(body))
                    .toString();
        } catch (CharacterCodingException e) {
            throw new InvalidFeed(1, "not UTF-8 text; expected one JSON object a line");
        }
    }

    private FeedLine line(int number, String text) {
        JsonNode node = parsed(number, text);
        Instant at = time(number, node);
        Subject subject = Subject.find(node.path("subject").asString(""))
                .orElseThrow(() -> new InvalidFeed(
                        number, "'subject' is missing or unknown; expected engine:1 to engine:4, apu or aircraft"));
        List<String> impossible = new ArrayList<>();
        long at_us = Math.addExact(Math.multiplyExact(at.getEpochSecond(), US_PER_S), at.getNano() / 1000);
        if (subject.equals(Subject.APU)) {
            ApuSample apu = ApuReadings.read(number, node, at_us, impossible);
            return new FeedLine(at, subject, Sample.nothing(at_us), null, apu, null, null, impossible);
        }
        Sample sample = sample(number, node, at_us, impossible);
        return new FeedLine(
                at,
                subject,
                sample,
                lights(number, node),
                null,
                UnitReadings.read(number, node, at_us, impossible),
                PowerReadings.read(number, node, at_us, impossible),
                impossible);
    }

    private static @Nullable List<String> lights(int number, JsonNode node) {
        JsonNode lights = node.path("lights");
        if (lights.isMissingNode() || lights.isNull()) {
            return null;
        }
        if (!lights.isArray() || lights.size() > MOST_LIGHTS) {
            throw new InvalidFeed(number, "'lights' is no list of at most " + MOST_LIGHTS + " names");
        }
        List<String> names = new ArrayList<>();
        for (JsonNode light : lights.values()) {
            if (!light.isString() || light.asString().length() > LONGEST_NAME) {
                throw new InvalidFeed(number, "'lights' holds something that is no name of a light");
            }
            names.add(light.asString());
        }
        return names;
    }

    private static JsonNode parsed(int number, String text) {
        try {
            JsonNode node = JSON.readTree(text);
            if (!node.isObject()) {
                throw new InvalidFeed(number, "not a JSON object; expected {\"t\":..., \"subject\":..., ...}");
            }
            return node;
        } catch (JacksonException _) {
            throw new InvalidFeed(number, "not JSON; expected one object a line");
        }
    }

    private static Instant time(int number, JsonNode node) {
        try {
            Instant at = Instant.parse(node.path("t").asString(""));
            if (at.isBefore(EARLIEST) || at.isAfter(LATEST)) {
                throw new InvalidFeed(number, "'t' is " + at + ", which no clock shows");
            }
            return at;
        } catch (DateTimeException _) {
            throw new InvalidFeed(number, "'t' is missing or no time; expected one like 2026-05-04T09:12:33.100Z");
        }
    }

    private Sample sample(int number, JsonNode node, long at_us, List<String> impossible) {
        double[] values = new double[Parameter.values().length];
        for (Parameter parameter : Parameter.values()) {
            values[parameter.ordinal()] = reading(number, node, parameter, impossible);
        }
        return new Sample(
                at_us,
                values[Parameter.SPOOL.ordinal()],
                values[Parameter.FAN.ordinal()],
                values[Parameter.TEMPERATURE.ordinal()],
                values[Parameter.FLOW.ordinal()],
                values[Parameter.OIL.ordinal()],
                values[Parameter.DUCT.ordinal()],
                values[Parameter.VOLTS.ordinal()],
                values[Parameter.AMPERES.ordinal()],
                told(number, node, "starter"),
                told(number, node, "fuel"),
                told(number, node, "ignition"));
    }

    private double reading(int number, JsonNode node, Parameter parameter, List<String> impossible) {
        FeedName name = FeedName.of(parameter, engine);
        JsonNode value = node.path(name.name());
        if (value.isMissingNode() || value.isNull()) {
            return Double.NaN;
        }
        if (!value.isNumber() || !Double.isFinite(value.doubleValue())) {
            throw new InvalidFeed(number, "'" + name.name() + "' is not a number");
        }
        double reading = value.doubleValue();
        if (reading < name.least() || reading > name.most()) {
            impossible.add(name.name() + " of " + value + " is outside " + name.least() + " to " + name.most());
            return Double.NaN;
        }
        return reading;
    }

    static Switch told(int number, JsonNode node, String name) {
        JsonNode value = node.path(name);
        if (value.isMissingNode() || value.isNull()) {
            return Switch.UNTOLD;
        }
        if (value.isBoolean()) {
            return value.booleanValue() ? Switch.ON : Switch.OFF;
        }
        if (!value.isInt() || value.intValue() < 0 || value.intValue() > 1) {
            throw new InvalidFeed(number, "'" + name + "' is " + value + "; expected 0 or 1");
        }
        return value.intValue() == 1 ? Switch.ON : Switch.OFF;
    }
}
