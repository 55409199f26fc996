package org.skelda.formats.record;

import java.util.List;
import java.util.UUID;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Whether a stored log is as it was written: each entry gives its hash and follows from the one before it, the first
 * from its own opening.
 */
public final class LogChain {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private LogChain() {}

    /** A stored log that was changed by something else than the program. */
    public static final class Broken extends RuntimeException {
        private final long seq;

        Broken(long seq, String how) {
            super("event " + seq + " " + how);
            this.seq = seq;
        }

        /** Number of the first entry that does not fit. */
        public long seq() {
            return seq;
        }
    }

    /**
     * @param envelopes a whole log, in order, at least its opening
     * @return the hash of its last entry
     * @throws Broken at the first entry that is not as it was written
     */
    public static String check(List<String> envelopes) {
        String expected = "";
        for (int i = 0; i < envelopes.size(); i++) {
            ObjectNode event = read(envelopes.get(i), i + 1);
            if (i == 0) {
                expected = seed(event);
            }
            if (event.path("seq").longValue(0) != i + 1) {
                throw new Broken(i + 1, "stands at another place than its own");
            }
            if (!event.path("prevHash").asString("").equals(expected)) {
                throw new Broken(i + 1, "does not follow the one before it");
            }
            expected = event.path("hash").asString("");
            if (!HashChain.hash(event).equals(expected)) {
                throw new Broken(i + 1, "does not give its hash");
            }
        }
        return expected;
    }

    private static ObjectNode read(String envelope, long seq) {
        try {
            if (JSON.readTree(envelope) instanceof ObjectNode event) {
                return event;
            }
        } catch (JacksonException _) {
            // Said below, like what is JSON and no event.
        }
        throw new Broken(seq, "is not readable as JSON");
    }

    private static String seed(ObjectNode first) {
        JsonNode opening = first.path("payload");
        try {
            return HashChain.seed(
                    UUID.fromString(opening.path("departureId").asString("")),
                    opening.path("typeHash").asString(""),
                    opening.path("procedureHash").asString(""));
        } catch (IllegalArgumentException _) {
            throw new Broken(1, "is not the opening of a departure");
        }
    }
}
