package org.skelda.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;

/** People without an account who try sixteen passwords a second, each under another name and from another address. */
final class Strangers implements AutoCloseable {
    private static final int A_SECOND = 16;
    private static final int ADDRESSES = 200;

    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final Map<String, Integer> answers = new TreeMap<>();
    private final AtomicInteger tries = new AtomicInteger();
    private final Thread thread;

    Strangers(String address) {
        thread = Thread.ofVirtual().start(() -> {
            try {
                while (true) {
                    int number = tries.getAndIncrement();
                    Thread.ofVirtual().start(() -> tryToSignIn(address, number));
                    Thread.sleep(1000 / A_SECOND);
                }
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private void tryToSignIn(String address, int number) {
        String answer;
        try {
            answer = String.valueOf(http.send(
                            HttpRequest.newBuilder(URI.create(address + "/api/session"))
                                    .header("Content-Type", "application/json")
                                    .header("X-Forwarded-For", "192.0.2." + number % ADDRESSES)
                                    .POST(HttpRequest.BodyPublishers.ofString(
                                            "{\"account\":\"stranger" + number + "\",\"password\":\"a guess\"}"))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .statusCode());
        } catch (IOException e) {
            answer = "no answer";
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
            return;
        }
        synchronized (answers) {
            answers.merge(answer, 1, Integer::sum);
        }
    }

    /** How many were answered how. */
    @Override
    public String toString() {
        synchronized (answers) {
            return answers.toString();
        }
    }

    @Override
    public void close() {
        thread.interrupt();
    }
}
