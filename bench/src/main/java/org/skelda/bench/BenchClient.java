package org.skelda.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelda.app.people.DemoPassword;

/** A signed-in crew member of the bench. */
final class BenchClient {
    private static final long SAYS_SO_EVERY_MS = 10_000;
    private static final Pattern READER = Pattern.compile("^data:\\{\"id\":\"([0-9a-f-]{36})\"\\}$");

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .cookieHandler(cookies)
            .build();
    private final String address;

    BenchClient(String address, String account) {
        this.address = address;
        get("/api/session");
        post("/api/session", "{\"account\":\"" + account + "\",\"password\":\"" + DemoPassword.TEXT + "\"}");
    }

    String get(String path) {
        return send(HttpRequest.newBuilder(URI.create(address + path)).GET().build());
    }

    String post(String path, String body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token())
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    static String command(UUID id, String ask, String fields) {
        return "{\"commandId\":\"" + id + "\",\"seen\":1000000,\"ask\":\"" + ask + "\"," + fields + "}";
    }

    /** Reads a departure's stream on a thread of its own, line by line, until the server ends. */
    void stream(String departureId, Consumer<String> line) {
        lines("/api/departures/" + departureId + "/stream", told -> {
            line.accept(told);
            Matcher reader = READER.matcher(told);
            if (reader.find()) {
                sayAgainAndAgain("/api/departures/" + departureId + "/readers/" + reader.group(1));
            }
        });
    }

    /** A device that does not say that it is there is one that is gone. */
    private void sayAgainAndAgain(String path) {
        Thread.ofVirtual().start(() -> {
            try {
                while (true) {
                    Thread.sleep(SAYS_SO_EVERY_MS);
                    put(path);
                }
            } catch (InterruptedException | IOException _) {
                // The bench is over.
            }
        });
    }

    private void put(String path) throws IOException, InterruptedException {
        int status = http.send(
                        HttpRequest.newBuilder(URI.create(address + path))
                                .header("X-XSRF-TOKEN", token())
                                .PUT(HttpRequest.BodyPublishers.noBody())
                                .build(),
                        HttpResponse.BodyHandlers.discarding())
                .statusCode();
        if (status != 204) {
            throw new IllegalStateException(path + " answered " + status);
        }
    }

    /** The same for any stream. */
    void lines(String path, Consumer<String> line) {
        Thread.ofVirtual().start(() -> {
            try {
                http.send(
                                HttpRequest.newBuilder(URI.create(address + path))
                                        .build(),
                                HttpResponse.BodyHandlers.ofLines())
                        .body()
                        .forEach(line);
            } catch (IOException | UncheckedIOException _) {
                // The bench is over.
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private String send(HttpRequest request) {
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            if (response.statusCode() != 200) {
                throw new IllegalStateException(
                        request.uri() + " answered " + response.statusCode() + " " + response.body());
            }
            return response.body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
