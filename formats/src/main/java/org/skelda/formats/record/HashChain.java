package org.skelda.formats.record;

import java.io.IOException;
import java.util.UUID;
import org.erdtman.jcs.JsonCanonicalizer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Hashes of a log: each event's is SHA-256 over its canonical JSON (RFC 8785) without {@code hash}, with
 * {@code prevHash}; the first {@code prevHash} is {@link #seed}.
 */
public final class HashChain {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private HashChain() {}

    /** What the first event points back to: the hash of the departure's id and its packs' hashes. */
    public static String seed(UUID departureId, String typeHash, String procedureHash) {
        ObjectNode node = JSON.createObjectNode()
                .put("departureId", departureId.toString())
                .put("typeHash", typeHash)
                .put("procedureHash", procedureHash);
        return hash(node);
    }

    /**
     * @param event an event with {@code prevHash}; a {@code hash} in it is left out
     * @return its hash, lower-case hex
     */
    public static String hash(ObjectNode event) {
        ObjectNode hashed = event.deepCopy();
        hashed.remove("hash");
        try {
            return Sha256.hex(new JsonCanonicalizer(JSON.writeValueAsString(hashed)).getEncodedUTF8());
        } catch (IOException e) {
            throw new IllegalArgumentException("not JSON that can be made canonical: " + e.getMessage(), e);
        }
    }

    /** Sets {@code prevHash} and {@code hash}. @return the new hash */
    public static String seal(ObjectNode event, String prevHash) {
        event.put("prevHash", prevHash);
        String hash = hash(event);
        event.put("hash", hash);
        return hash;
    }
}
