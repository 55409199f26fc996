package org.skelda.app.door;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.skelda.app.SkeldaProperties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Who may ask the running server for what is its owner's alone: whoever can read {@code run/door} in the data folder.
 * It holds the port and a key that was drawn for this run, and is gone when the server has stopped.
 */
@Component
public class DoorKey implements DisposableBean {
    /** The header that a request bears the key in. */
    public static final String HEADER = "X-Skelda-Door";

    private static final Logger LOG = LoggerFactory.getLogger(DoorKey.class);
    private static final int KEY_BYTES = 32;

    private final OwnDoor door;
    private final Path file;
    private final String key;

    DoorKey(OwnDoor door, SkeldaProperties properties) {
        this.door = door;
        file = properties.data().resolve("run").resolve("door");
        byte[] drawn = new byte[KEY_BYTES];
        new SecureRandom().nextBytes(drawn);
        key = HexFormat.of().formatHex(drawn);
    }

    @EventListener
    void opened(WebServerInitializedEvent event) {
        try {
            Files.createDirectories(file.getParent());
            Path half = Files.createTempFile(file.getParent(), "door", ".half");
            Files.setPosixFilePermissions(half, PosixFilePermissions.fromString("rw-------"));
            Files.writeString(half, door.port(event.getWebServer()) + " " + key + "\n");
            Files.move(half, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            LOG.warn("{} could not be written: no backup can be made while the server runs", file, e);
        }
    }

    /** Whether a request comes from this machine and bears the key. */
    public boolean opens(HttpServletRequest request) {
        String given = request.getHeader(HEADER);
        return given != null
                && isLoopback(request.getRemoteAddr())
                && MessageDigest.isEqual(given.getBytes(StandardCharsets.UTF_8), key.getBytes(StandardCharsets.UTF_8));
    }

    private static boolean isLoopback(String address) {
        try {
            return InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException _) {
            return false;
        }
    }

    @Override
    public void destroy() throws IOException {
        Files.deleteIfExists(file);
    }
}
