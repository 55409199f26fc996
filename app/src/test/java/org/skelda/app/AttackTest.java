package org.skelda.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.app.people.DemoPassword;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Event;
import org.skelda.core.simulator.SimulatorEvent;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What somebody does to the server who means it no good, over the wire as it is. */
@SpringBootTest(properties = "skelda.demo=true", webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshDataFolder.class)
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class AttackTest {
    private static final int OWN_BUFFER_BYTES = 64 * 1024;
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MANY = 30_000_000;

    @LocalServerPort
    private int port;

    @Autowired
    private SkeldaProperties properties;

    @Autowired
    private org.skelda.app.departure.Departures departures;

    /** Somebody who is signed in, with a browser's cookies. */
    private final class Browser {
        private final CookieManager cookies = new CookieManager();
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .connectTimeout(Duration.ofSeconds(5))
                .build();

        HttpResponse<String> send(String method, String path, String body, String... headers)
                throws IOException, InterruptedException {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                    .header("Content-Type", "application/json")
                    .method(
                            method,
                            body.isEmpty()
                                    ? HttpRequest.BodyPublishers.noBody()
                                    : HttpRequest.BodyPublishers.ofString(body));
            for (int i = 0; i < headers.length; i += 2) {
                request.header(headers[i], headers[i + 1]);
            }
            return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        }

        Browser signIn(String account) throws IOException, InterruptedException {
            assertThat(send(
                                    "POST",
                                    "/api/session",
                                    "{\"account\":\"" + account + "\",\"password\":\"" + DemoPassword.TEXT + "\"}")
                            .statusCode())
                    .isEqualTo(200);
            return this;
        }

        String cookie(String name) {
            return cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals(name))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .orElse("");
        }

        String departure(String flight) throws IOException, InterruptedException {
            return JSON.readTree(send("GET", "/api/departures", "").body()).values().stream()
                    .filter(row -> row.path("flight").asString().equals(flight))
                    .findFirst()
                    .orElseThrow()
                    .path("id")
                    .asString();
        }
    }

    /** The first line of what is answered to bytes as they are, and how many of the body's were taken. */
    private record Raw(String status, String text, long taken) {}

    private Raw raw(String head, long body, boolean chunked) throws IOException {
        try (Socket socket = new Socket()) {
            // What waits on this side was not taken in by the server: the system would let megabytes wait here.
            socket.setSendBufferSize(OWN_BUFFER_BYTES);
            socket.connect(new InetSocketAddress("127.0.0.1", port));
            socket.setSoTimeout(20_000);
            OutputStream out = socket.getOutputStream();
            out.write((head + "\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
            byte[] some = "x".repeat(16_384).getBytes(StandardCharsets.US_ASCII);
            long taken = 0;
            try {
                for (; taken < body; taken += some.length) {
                    if (chunked) {
                        out.write((Integer.toHexString(some.length) + "\r\n").getBytes(StandardCharsets.US_ASCII));
                    }
                    out.write(some);
                    if (chunked) {
                        out.write("\r\n".getBytes(StandardCharsets.US_ASCII));
                    }
                }
                out.write(chunked ? "0\r\n\r\n".getBytes(StandardCharsets.US_ASCII) : new byte[0]);
                out.flush();
            } catch (IOException _) {
                // The server would take no more of it.
            }
            String text = read(socket.getInputStream());
            return new Raw(text.lines().findFirst().orElse(""), text, taken);
        }
    }

    private static String read(InputStream in) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        try {
            byte[] some = new byte[8192];
            for (int count = in.read(some); count >= 0; count = in.read(some)) {
                all.write(some, 0, count);
            }
        } catch (IOException _) {
            // It was closed upon us; what came before counts.
        }
        return all.toString(StandardCharsets.UTF_8);
    }

    @ParameterizedTest(name = "{0}, chunked {1}")
    @CsvSource({
        "/api/session, false",
        "/api/session, true",
        "/api/trace%73?name=a, false",
        "/api/trace%73?name=a, true",
        "/api/traces;x=1?name=a, true",
        "//api/traces, true",
        "/api/feeds/%30/samples, true",
        "/nowhere, true",
        "/, true",
        "/api/departures/x/commands, true"
    })
    void aBodyIsBoundedOnEveryPathHoweverItIsWritten(String path, boolean chunked) throws IOException {
        String head = "POST " + path + " HTTP/1.1\r\nHost: localhost:" + port
                + "\r\nConnection: close\r\nContent-Type: application/json\r\n"
                + (chunked ? "Transfer-Encoding: chunked" : "Content-Length: " + MANY);
        Raw answer = raw(head, MANY, chunked);
        assertThat(answer.taken()).as("bytes that were taken in, of %d", MANY).isLessThan(12_000_000);
        assertThat(answer.status())
                .satisfiesAnyOf(
                        status -> assertThat(status).matches("HTTP/1.1 (400|401|403|404|405|413|415) ?.*"),
                        status -> assertThat(status).isEmpty());
    }

    @Test
    void aBodyWithoutALengthIsReadUpToItsBoundAndRefusedInTheCataloguesForm() throws Exception {
        Browser strand = new Browser().signIn("strand");
        HttpRequest request = HttpRequest.newBuilder(URI.create(
                        "http://127.0.0.1:" + port + "/api/departures/" + strand.departure("305") + "/commands"))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", strand.cookie("XSRF-TOKEN"))
                .POST(HttpRequest.BodyPublishers.ofInputStream(() -> new java.io.ByteArrayInputStream(
                        ("{\"text\":\"" + "x".repeat(70_000) + "\"}").getBytes(StandardCharsets.UTF_8))))
                .build();
        HttpResponse<String> answer = strand.http.send(request, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(413);
        assertThat(answer.body()).contains("urn:skelda:problem:too-large");
    }

    /** Tokens are looked at before the body: one that never comes is not waited for. */
    @Test
    void withoutItsTokenAFeedsBodyIsNotAwaited() throws IOException {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(10_000);
            socket.getOutputStream()
                    .write(("POST /api/feeds/00000000-0000-0001-0000-000000000001/samples HTTP/1.1\r\nHost: "
                                    + "localhost\r\n"
                                    + "Authorization: Bearer 1234\r\nContent-Type: application/x-ndjson\r\n"
                                    + "Content-Length: 100000\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            assertThat(new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))
                            .readLine())
                    .contains("401");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"attacker.example", "attacker.example:8420", "10.1.2.3", ""})
    void anotherHostIsRefusedAndToldNoPassword(String host) throws IOException {
        Raw answer = raw("GET /api/session HTTP/1.1\r\nHost: " + host + "\r\nConnection: close", 0, false);
        assertThat(answer.status()).contains("400");
        assertThat(answer.text()).doesNotContain(DemoPassword.TEXT);
        assertThat(raw("GET /api/session HTTP/1.1\r\nHost: localhost:" + port + "\r\nConnection: close", 0, false)
                        .text())
                .contains(DemoPassword.TEXT);
    }

    @Test
    void theTokenAgainstForgedRequestsIsTheSessionsOwnAndNewWithEachSigningIn() throws Exception {
        Browser strand = new Browser().signIn("strand");
        Browser halden = new Browser().signIn("halden");
        String path = "/api/departures/" + strand.departure("305") + "/commands";
        String body = "{\"commandId\":\"%s\",\"seen\":100000,\"ask\":\"HOLD\",\"procedure\":\"start-2\","
                + "\"reason\":\"fueller\"}";
        assertThat(strand.send("POST", path, body.formatted(java.util.UUID.randomUUID()))
                        .statusCode())
                .as("without")
                .isEqualTo(403);
        assertThat(strand.send(
                                "POST",
                                path,
                                body.formatted(java.util.UUID.randomUUID()),
                                "X-XSRF-TOKEN",
                                halden.cookie("XSRF-TOKEN"))
                        .statusCode())
                .as("another session's")
                .isEqualTo(403);
        String before = strand.cookie("XSRF-TOKEN");
        assertThat(strand.send("POST", path, body.formatted(java.util.UUID.randomUUID()), "X-XSRF-TOKEN", before)
                        .statusCode())
                .isEqualTo(200);
        strand.signIn("strand");
        assertThat(strand.cookie("XSRF-TOKEN")).isNotEqualTo(before);
        assertThat(strand.send("POST", path, body.formatted(java.util.UUID.randomUUID()), "X-XSRF-TOKEN", before)
                        .statusCode())
                .as("that of before")
                .isEqualTo(403);
    }

    @Test
    void signingInFromAnotherSitesPageIsRefused() throws Exception {
        Raw answer = raw(
                "POST /api/session HTTP/1.1\r\nHost: localhost\r\nOrigin: http://attacker.example\r\nConnection: "
                        + "close\r\nContent-Type: application/json\r\nContent-Length: 49\r\n\r\n"
                        + "{\"account\":\"strand\",\"password\":\"" + DemoPassword.TEXT + "\"}   ",
                0,
                false);
        assertThat(answer.status()).contains("403");
    }

    @Test
    void signingOutEndsTheSessionsStreams() throws Exception {
        Browser strand = new Browser().signIn("strand");
        String id = strand.departure("305");
        HttpResponse<InputStream> stream = strand.http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/departures/" + id + "/stream"))
                        .build(),
                HttpResponse.BodyHandlers.ofInputStream());
        assertThat(stream.statusCode()).isEqualTo(200);
        assertThat(stream.body().read()).isPositive();
        assertThat(strand.send("DELETE", "/api/session", "", "X-XSRF-TOKEN", strand.cookie("XSRF-TOKEN"))
                        .statusCode())
                .isEqualTo(200);
        assertThat(java.util.concurrent.CompletableFuture.supplyAsync(() -> read(stream.body())))
                .as("the stream comes to its end")
                .succeedsWithin(Duration.ofSeconds(3));
        assertThat(strand.send("GET", "/api/departures", "").statusCode()).isEqualTo(401);
    }

    @Test
    void onePersonHasOnlySoManyStreams() throws Exception {
        Browser vagsborg = new Browser().signIn("vagsborg");
        String id = vagsborg.departure("305");
        List<InputStream> open = new ArrayList<>();
        List<Integer> statuses = new ArrayList<>();
        for (int i = 0; i < 22; i++) {
            HttpResponse<InputStream> stream = vagsborg.http.send(
                    HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/departures/" + id + "/stream"))
                            .build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            statuses.add(stream.statusCode());
            open.add(stream.body());
        }
        assertThat(statuses.subList(0, 20)).containsOnly(200);
        assertThat(statuses.subList(20, 22)).containsOnly(429);
        for (InputStream stream : open) {
            stream.close();
        }
    }

    @Test
    void aLogLongerThanAnyBufferIsReadToItsEnd() throws Exception {
        Browser oddsrud = new Browser().signIn("oddsrud");
        String id = oddsrud.departure("221");
        departures.record(
                UUID.fromString(id),
                Collections.nCopies(3000, Event.of(new SimulatorEvent.ControlTapped("engine-2/fuel", "OFF"))),
                new Person("server", "Server"),
                Instant.now());
        long last = departures.state(UUID.fromString(id)).seq();
        HttpResponse<InputStream> stream = oddsrud.http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/departures/" + id + "/stream"))
                        .build(),
                HttpResponse.BodyHandlers.ofInputStream());
        try (var lines = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            long next = 1;
            for (String line = lines.readLine(); next <= last; line = lines.readLine()) {
                next += ("id:" + next).equals(line) ? 1 : 0;
            }
            assertThat(next).isEqualTo(last + 1);
        }
    }

    @Test
    void theDataFolderIsItsOwnersAlone() throws IOException {
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(
                        Files.getPosixFilePermissions(properties.data())))
                .isEqualTo("rwx------");
        Path secret = properties.data().resolve("keys/record.key");
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(Files.getPosixFilePermissions(secret)))
                .isEqualTo("rw-------");
    }

    @Test
    void aRecordBearsTheInstallationsSeal() throws Exception {
        Browser strand = new Browser().signIn("strand");
        JsonNode record = JSON.readTree(strand.send("GET", "/api/departures/" + strand.departure("305") + "/record", "")
                .body());
        String published =
                Files.readString(properties.data().resolve("keys/record.pub")).replaceAll("-----[A-Z ]+-----|\\s", "");
        assertThat(record.path("seal").path("key").asString()).isEqualTo(published);
        assertThat(org.skelda.formats.record.RecordVerifier.verify(record.toString())
                        .seal())
                .isEqualTo(new org.skelda.formats.record.RecordVerifier.Seal.Fits(
                        org.skelda.formats.record.RecordSeal.key(published)));
    }
}
