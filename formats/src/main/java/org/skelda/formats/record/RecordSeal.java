package org.skelda.formats.record;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.KeyPair;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * An installation's signature under a record's head: Ed25519 (RFC 8032) over the departure's id, how many events there
 * are, and the head hash, which follows from all of them. Whoever changes a record can make its chain fit again, but
 * not this.
 */
public final class RecordSeal {
    private static final String ALGORITHM = "Ed25519";
    private static final int SHOWN_DIGITS = 32;

    private final KeyPair keys;

    /** @param keys of the installation, Ed25519 */
    public RecordSeal(KeyPair keys) {
        this.keys = keys;
    }

    /** Adds {@code seal} to a record that is otherwise complete. */
    void write(ObjectNode record, int events) {
        try {
            Signature signature = Signature.getInstance(ALGORITHM);
            signature.initSign(keys.getPrivate());
            signature.update(signed(record, events));
            record.putObject("seal")
                    .put(
                            "key",
                            Base64.getEncoder().encodeToString(keys.getPublic().getEncoded()))
                    .put("signature", Base64.getEncoder().encodeToString(signature.sign()));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the record could not be signed with the installation's key", e);
        }
    }

    /** A key as people compare it: the first half of the SHA-256 of its X.509 form, in groups of four. */
    public static String fingerprint(PublicKey key) {
        return Sha256.hex(key.getEncoded()).substring(0, SHOWN_DIGITS).replaceAll("(.{4})(?=.)", "$1 ");
    }

    /** @param base64 a key in X.509 form @throws IllegalArgumentException when it is none of Ed25519 */
    public static PublicKey key(String base64) {
        try {
            return KeyFactory.getInstance(ALGORITHM)
                    .generatePublic(
                            new X509EncodedKeySpec(Base64.getMimeDecoder().decode(base64)));
        } catch (GeneralSecurityException e) {
            throw new IllegalArgumentException("not a public key of " + ALGORITHM, e);
        }
    }

    /** Whether a record's seal is of its own head; not when its key or its signature is none. */
    static boolean fits(JsonNode record) {
        try {
            Signature signature = Signature.getInstance(ALGORITHM);
            signature.initVerify(key(record.path("seal").path("key").asString("")));
            signature.update(signed(record, record.path("events").size()));
            return signature.verify(Base64.getDecoder()
                    .decode(record.path("seal").path("signature").asString("")));
        } catch (GeneralSecurityException | IllegalArgumentException _) {
            return false;
        }
    }

    private static byte[] signed(JsonNode record, int events) {
        return ("skelda record 1\n" + record.path("departureId").asString("") + "\n" + events + "\n"
                        + record.path("headHash").asString("") + "\n")
                .getBytes(StandardCharsets.UTF_8);
    }
}
