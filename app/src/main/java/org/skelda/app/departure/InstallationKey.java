package org.skelda.app.departure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.spec.PKCS8EncodedKeySpec;
import java.util.Base64;
import org.skelda.app.SkeldaProperties;
import org.skelda.formats.record.RecordSeal;
import org.springframework.stereotype.Component;

/**
 * The installation's own key, made at its first start: {@code keys/record.key} in the data folder, readable by its
 * owner alone, and {@code keys/record.pub}, which the operator publishes.
 */
@Component
public class InstallationKey {
    private static final String ALGORITHM = "Ed25519";
    private static final int LINE = 64;

    private final KeyPair keys;

    InstallationKey(SkeldaProperties properties) {
        Path folder = properties.data().resolve("keys");
        Path secret = folder.resolve("record.key");
        Path open = folder.resolve("record.pub");
        try {
            if (Files.exists(secret)) {
                keys = new KeyPair(RecordSeal.key(body(open)), secret(body(secret)));
            } else {
                keys = KeyPairGenerator.getInstance(ALGORITHM).generateKeyPair();
                Files.createDirectories(folder);
                // The public part first: with the secret one there, both are.
                Files.writeString(open, pem("PUBLIC KEY", keys.getPublic().getEncoded()));
                Path half = Files.createTempFile(folder, "record", ".half");
                Files.setPosixFilePermissions(half, PosixFilePermissions.fromString("rw-------"));
                Files.writeString(half, pem("PRIVATE KEY", keys.getPrivate().getEncoded()));
                Files.move(half, secret);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the installation's key in " + folder + " could not be read or made", e);
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            throw new IllegalStateException(
                    "the installation's key in " + folder + " is damaged; put the folder keys back from a backup", e);
        }
    }

    private static PrivateKey secret(String base64) throws GeneralSecurityException {
        return KeyFactory.getInstance(ALGORITHM)
                .generatePrivate(new PKCS8EncodedKeySpec(Base64.getMimeDecoder().decode(base64)));
    }

    private static String body(Path file) throws IOException {
        return Files.readString(file).replaceAll("-----[A-Z ]+-----", "");
    }

    private static String pem(String what, byte[] key) {
        return "-----BEGIN " + what + "-----\n"
                + Base64.getMimeEncoder(LINE, new byte[] {'\n'}).encodeToString(key) + "\n-----END " + what + "-----\n";
    }

    RecordSeal seal() {
        return new RecordSeal(keys);
    }

    /** The part that is published. */
    public PublicKey published() {
        return keys.getPublic();
    }
}
