package org.skelda.formats.record;

import java.security.PublicKey;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Proves a record's hash chain, and says where a changed copy was changed. Needs nothing but the document. */
public final class RecordVerifier {
    private static final int MAX_DEPTH = 40;
    private static final int LONGEST_TEXT = 1_000_000;
    private static final int LONGEST_NUMBER = 100;
    private static final int LONGEST_NAME = 200;
    /** A record of a thousand lines and four starts has a tenth of it. */
    private static final long MOST_TOKENS = 2_000_000;

    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(MAX_DEPTH)
                            .maxStringLength(LONGEST_TEXT)
                            .maxNumberLength(LONGEST_NUMBER)
                            .maxNameLength(LONGEST_NAME)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    private final List<String> faults = new ArrayList<>();
    private String expectedPrev = "";

    private RecordVerifier() {}

    /**
     * @param events how many events the record holds
     * @param headHash the hash of the last one, as the record states it
     * @param signed whether its crew signed it, so that nothing of the work is missing at its end
     * @param seal whose seal it bears
     * @param faults one sentence for each place that does not fit; empty when the record is whole
     */
    public record Result(int events, String headHash, boolean signed, Seal seal, List<String> faults) {
        public Result {
            faults = List.copyOf(faults);
        }

        public boolean whole() {
            return faults.isEmpty();
        }
    }

    /** Which installation put its seal under a record. */
    public sealed interface Seal {
        /** It bears none: it is from before records were sealed, or somebody took it off. */
        record None() implements Seal {}

        /** It is of this record's head. @param key whose it is */
        record Fits(PublicKey key) implements Seal {}

        /**
         * It is of another head: the record was changed and its chain made to fit again by somebody without the key.
         */
        record Broken() implements Seal {}
    }

    /** A file that is no record at all. */
    public static final class NotARecord extends RuntimeException {
        NotARecord(String message) {
            super(message);
        }
    }

    /**
     * @param text the JSON document
     * @throws NotARecord when it is not JSON, or not a record of a known schema
     */
    public static Result verify(String text) {
        JsonNode record;
        try {
            record = JSON.readTree(text);
        } catch (StreamConstraintsException _) {
            throw new NotARecord("deeper, or with more or longer names, texts or numbers, than any record");
        } catch (JacksonException e) {
            int line = e.getLocation() == null ? 0 : e.getLocation().getLineNr();
            throw new NotARecord("not readable as JSON at line " + line + ": " + e.getOriginalMessage());
        }
        if (!"record".equals(record.path("document").asString(""))
                || record.path("schema").intValue(0) != DepartureRecord.SCHEMA) {
            throw new NotARecord("not a Skelda record of schema " + DepartureRecord.SCHEMA);
        }
        if (!record.path("events").isArray() || record.path("events").isEmpty()) {
            throw new NotARecord("the record holds no events");
        }
        return new RecordVerifier().verify(record);
    }

    private Result verify(JsonNode record) {
        JsonNode events = record.path("events");
        expectedPrev = seed(record);
        boolean signed = false;
        for (int i = 0; i < events.size(); i++) {
            if (!(events.get(i) instanceof ObjectNode event)) {
                faults.add("Entry " + (i + 1) + " is not an event.");
                continue;
            }
            check(event, i + 1);
            signed = signed || event.path("type").asString("").equals("Signed");
        }
        String head = record.path("headHash").asString("");
        String last = events.get(events.size() - 1).path("hash").asString("");
        if (!head.equals(last)) {
            faults.add("The head hash is not that of the last event: events were cut off at the end, or the head hash "
                    + "was changed.");
        }
        opening(record, events.get(0));
        RecordFields.unknown(record)
                .forEach(name ->
                        faults.add("The record has a field '" + name + "', which no record has: it was put in."));
        starts(record);
        return new Result(events.size(), head, signed, seal(record), faults);
    }

    private static Seal seal(JsonNode record) {
        if (!record.has("seal")) {
            return new Seal.None();
        }
        return RecordSeal.fits(record)
                ? new Seal.Fits(RecordSeal.key(record.path("seal").path("key").asString("")))
                : new Seal.Broken();
    }

    private String seed(JsonNode record) {
        try {
            return HashChain.seed(
                    UUID.fromString(record.path("departureId").asString("")),
                    record.path("packs").path("typeHash").asString(""),
                    record.path("packs").path("procedureHash").asString(""));
        } catch (IllegalArgumentException _) {
            faults.add("The departure id '" + record.path("departureId").asString("") + "' is not a UUID.");
            return "";
        }
    }

    private void check(ObjectNode event, int place) {
        String name = name(event, place);
        String hash = event.path("hash").asString("");
        if (event.path("seq").longValue(0) != place) {
            faults.add(name + " stands at place " + place + ": an event was taken out, put in or moved before it.");
        }
        if (!event.path("prevHash").asString("").equals(expectedPrev)) {
            faults.add(
                    place == 1
                            ? name + " does not follow from the departure id and pack hashes: one of these was changed."
                            : name + " does not follow the event before it: something between " + (place - 1) + " and "
                                    + place + " was changed, taken out or put in.");
        }
        if (!HashChain.hash(event).equals(hash)) {
            faults.add(name + " was changed after it was written: its content no longer gives its hash.");
        }
        RecordFields.outOfRange(event)
                .forEach(number ->
                        faults.add(name + " holds the number " + number + ", which no event can hold exactly."));
        try {
            RecordFields.unknown(EventCodec.newest(event), EventCodec.write(EventCodec.read(event)))
                    .forEach(field -> faults.add(name + " has a field '" + field + "', which no such event has."));
        } catch (InvalidEvent e) {
            faults.add(name + " cannot be read: " + e.getMessage() + ".");
        }
        expectedPrev = hash;
    }

    private static String name(ObjectNode event, int place) {
        String subject = event.path("subject").asString("");
        return "Event " + event.path("seq").longValue(place) + " ("
                + event.path("type").asString("?") + (subject.isEmpty() ? "" : ", " + subject) + ")";
    }

    /** The starts in short must say what the events say; a record from before they were written has none. */
    private void starts(JsonNode record) {
        // What cannot be read was said of the event itself.
        if (record.has("starts")
                && faults.isEmpty()
                && !JSON.readTree(StartsSection.of(
                                        List.copyOf(record.path("events").values()))
                                .toString())
                        .equals(record.path("starts"))) {
            faults.add("The starts in short are not what the events tell: that section was changed.");
        }
    }

    private void opening(JsonNode record, JsonNode first) {
        boolean fits = first.path("type").asString("").equals("Opened")
                && first.path("payload")
                        .path("departureId")
                        .asString("")
                        .equals(record.path("departureId").asString(""));
        if (!fits) {
            faults.add("The record does not begin with the opening of its own departure.");
        }
    }
}
