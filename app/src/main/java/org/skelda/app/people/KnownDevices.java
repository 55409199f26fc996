package org.skelda.app.people;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.skelda.app.SkeldaProperties;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/**
 * Devices on which somebody has signed in before. Their passwords are checked ahead of strangers', so that no number of
 * strangers keeps a crew member out. What a device keeps is worth nothing without the password, fits one account, and
 * ends when that account's password changes.
 */
@Component
class KnownDevices {
    private static final String COOKIE = "SKELDA-KNOWN";
    private static final String ALGORITHM = "HmacSHA256";
    private static final int KEY_BYTES = 32;
    private static final Duration KEPT = Duration.ofDays(180);

    private final SecretKeySpec key;

    KnownDevices(SkeldaProperties properties) {
        Path file = properties.data().resolve("keys").resolve("devices.key");
        try {
            if (!Files.exists(file)) {
                byte[] drawn = new byte[KEY_BYTES];
                new SecureRandom().nextBytes(drawn);
                Files.createDirectories(file.getParent());
                Path half = Files.createTempFile(file.getParent(), "devices", ".half");
                Files.setPosixFilePermissions(half, PosixFilePermissions.fromString("rw-------"));
                Files.write(half, drawn);
                Files.move(half, file);
            }
            key = new SecretKeySpec(Files.readAllBytes(file), ALGORITHM);
        } catch (IOException e) {
            throw new UncheckedIOException("the key of known devices in " + file + " could not be read or made", e);
        }
    }

    /** Whether a request comes from a device on which this account has signed in before. */
    boolean knows(HttpServletRequest request, Account account) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie != null
                && MessageDigest.isEqual(
                        cookie.getValue().getBytes(StandardCharsets.UTF_8),
                        token(account).getBytes(StandardCharsets.UTF_8));
    }

    /** The device that a request comes from is known from now on. */
    void remember(HttpServletRequest request, HttpServletResponse response, Account account) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token(account))
                        .path("/api/session")
                        .httpOnly(true)
                        .sameSite("Strict")
                        .secure(request.isSecure())
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }

    private String token(Account account) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(key);
            byte[] told = (account.person().id() + " " + account.passwordHash()).getBytes(StandardCharsets.UTF_8);
            return Base64.getUrlEncoder().withoutPadding().encodeToString(mac.doFinal(told));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("this machine's Java has no " + ALGORITHM, e);
        }
    }
}
