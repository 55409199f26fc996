package org.skelda.app.simulator;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import org.skelda.app.feed.Feeds;

/** Sends batches to the feed door of this server over loopback, as an aircraft's own box would. */
final class FeedSender {
    private static final Duration GIVEN_UP_AFTER = Duration.ofSeconds(15);
    private static final HttpClient HTTP = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(GIVEN_UP_AFTER)
            .build();
    private static final int OK = 200;

    private final URI door;
    private final String token;

    FeedSender(int port, Feeds.Issued issued) {
        door = URI.create(
                "http://127.0.0.1:" + port + "/api/feeds/" + issued.feed().id() + "/samples");
        token = issued.token();
    }

    /** @throws IOException when the door is shut or says no */
    void send(String batch) throws IOException, InterruptedException {
        HttpResponse<String> answer = HTTP.send(
                HttpRequest.newBuilder(door)
                        .timeout(GIVEN_UP_AFTER)
                        .header("Content-Type", "application/x-ndjson")
                        .header("Authorization", "Bearer " + token)
                        .POST(HttpRequest.BodyPublishers.ofString(batch))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != OK) {
            throw new IOException("the feed door answered " + answer.statusCode() + ": " + answer.body());
        }
    }
}
