package org.skelda.e2e;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A signed-in person without a browser: commands and logs over HTTP. */
final class ApiClient {
    static final JsonMapper JSON = JsonMapper.builder().build();
    /** For an answer, on a machine that runs other servers and browsers beside it: a failure, not a measurement. */
    private static final Duration PATIENCE = Duration.ofMinutes(1);

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(2))
            .build();
    private final String address;

    private ApiClient(String address) {
        this.address = address;
    }

    /** An answer: its status and its body. */
    record Answer(int status, JsonNode body) {}

    static ApiClient signIn(TestServer server, String account) {
        ApiClient client = new ApiClient(server.address());
        client.get("/api/session");
        Answer answer = client.post(
                "/api/session", "{\"account\":\"" + account + "\",\"password\":\"" + CrewMember.PASSWORD + "\"}");
        if (answer.status() != 200) {
            throw new IllegalStateException("could not sign in: " + answer.body());
        }
        return client;
    }

    JsonNode get(String path) {
        return send(HttpRequest.newBuilder(URI.create(address + path)).GET()).body();
    }

    Answer post(String path, String body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token())
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Sends a command under a new id. @param fields further JSON fields, without braces; may be empty */
    Answer command(String departureId, long seen, String ask, String fields) {
        return command(departureId, UUID.randomUUID(), seen, ask, fields);
    }

    Answer command(String departureId, UUID commandId, long seen, String ask, String fields) {
        return post(
                "/api/departures/" + departureId + "/commands",
                "{\"commandId\":\"" + commandId + "\",\"seen\":" + seen + ",\"ask\":\"" + ask + "\""
                        + (fields.isEmpty() ? "" : "," + fields) + "}");
    }

    List<JsonNode> events(String departureId) {
        return List.copyOf(get("/api/departures/" + departureId + "/events").values());
    }

    /** The id of today's departure with this flight number. */
    String departure(String flight) {
        return get("/api/departures").values().stream()
                .filter(row -> row.path("flight").asString().equals(flight))
                .map(row -> row.path("id").asString())
                .findFirst()
                .orElseThrow();
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> response =
                    http.send(request.timeout(PATIENCE).build(), HttpResponse.BodyHandlers.ofString());
            String body = response.body();
            return new Answer(response.statusCode(), body.isBlank() ? JSON.createObjectNode() : JSON.readTree(body));
        } catch (IOException e) {
            throw new NoAnswer(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new NoAnswer(e);
        }
    }

    /** The server did not answer. */
    static final class NoAnswer extends RuntimeException {
        NoAnswer(Exception cause) {
            super(cause);
        }
    }
}
