package org.skelda.formats.record;

import java.io.IOException;
import java.io.OutputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 as lower-case hex. */
public final class Sha256 {
    private Sha256() {}

    public static String hex(byte[] bytes) {
        return HexFormat.of().formatHex(digest().digest(bytes));
    }

    /** What writes its bytes to a stream. */
    @FunctionalInterface
    public interface Written {
        void writeTo(OutputStream out) throws IOException;
    }

    /** Of bytes that are never held as a whole. @throws IOException as the writer does */
    public static String hex(Written content) throws IOException {
        MessageDigest digest = digest();
        content.writeTo(new DigestOutputStream(OutputStream.nullOutputStream(), digest));
        return HexFormat.of().formatHex(digest.digest());
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
