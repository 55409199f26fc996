package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** SIGKILL under load, again and again: every acknowledged event is in the log afterwards, exactly once. */
@Tag("alone")
class KilledUnderLoadTest {
    private static final int KILLS = Integer.getInteger("skelda.kills", 10);
    private static final long LOAD_MS = 700;

    /** A command and the numbers of the events that were acknowledged for it. */
    private record Acknowledged(String departureId, UUID commandId, long first, long last) {}

    @Test
    void everyAcknowledgedEventIsInTheLog() {
        List<Acknowledged> acknowledged = Collections.synchronizedList(new ArrayList<>());
        try (TestServer server = TestServer.start(1)) {
            // Sessions outlive the server too: nobody signs in again.
            ApiClient left = ApiClient.signIn(server, "halden");
            ApiClient right = ApiClient.signIn(server, "stenvik");
            List<String> departures =
                    Stream.of("214", "312").map(left::departure).toList();
            for (int kill = 0; kill < KILLS; kill++) {
                loadAndKill(server, left, right, departures, acknowledged);
                server.start();
                compare(left, departures, acknowledged);
            }
        }
        assertThat(acknowledged).as("answers that were compared").hasSizeGreaterThan(KILLS * 20);
    }

    private static void loadAndKill(
            TestServer server,
            ApiClient left,
            ApiClient right,
            List<String> departures,
            List<Acknowledged> acknowledged) {
        AtomicBoolean go = new AtomicBoolean(true);
        List<Thread> load = new ArrayList<>();
        for (String id : departures) {
            sit(left, id, "\"seat\":\"LEFT\",\"role\":\"FLYING\"", acknowledged);
            sit(right, id, "\"seat\":\"RIGHT\",\"role\":\"MONITORING\"", acknowledged);
            load.add(Thread.ofVirtual().start(() -> tickAndTakeBack(left, id, "safety-power/radar", go, acknowledged)));
            load.add(Thread.ofVirtual()
                    .start(() -> tickAndTakeBack(right, id, "walk-around/nose-gear", go, acknowledged)));
        }
        TestServer.pause(LOAD_MS);
        server.kill();
        go.set(false);
        load.forEach(thread -> {
            try {
                thread.join();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private static void sit(ApiClient client, String id, String fields, List<Acknowledged> acknowledged) {
        keep(client, id, UUID.randomUUID(), "TAKE_SEAT", fields, acknowledged);
    }

    private static void tickAndTakeBack(
            ApiClient client, String id, String line, AtomicBoolean go, List<Acknowledged> acknowledged) {
        try {
            while (go.get()) {
                keep(client, id, UUID.randomUUID(), "ANSWER", "\"line\":\"" + line + "\"", acknowledged);
                keep(client, id, UUID.randomUUID(), "UNDO", "\"line\":\"" + line + "\"", acknowledged);
            }
        } catch (ApiClient.NoAnswer _) {
            // The server was killed under this request: it was not acknowledged.
        }
    }

    private static void keep(
            ApiClient client, String id, UUID command, String ask, String fields, List<Acknowledged> acknowledged) {
        ApiClient.Answer answer = client.command(id, command, Integer.MAX_VALUE, ask, fields);
        if (answer.status() == 200) {
            acknowledged.add(new Acknowledged(
                    id,
                    command,
                    answer.body().path("first").longValue(),
                    answer.body().path("last").longValue()));
        }
    }

    private static void compare(ApiClient reader, List<String> departures, List<Acknowledged> acknowledged) {
        for (String id : departures) {
            List<JsonNode> events = reader.events(id);
            assertThat(events).as("the log of " + id).isNotEmpty();
            for (int i = 0; i < events.size(); i++) {
                assertThat(events.get(i).path("seq").longValue())
                        .as("the log has no gap")
                        .isEqualTo(i + 1);
            }
            Map<String, List<Long>> byCommand = events.stream()
                    .collect(Collectors.groupingBy(
                            event -> event.path("commandId").asString(),
                            Collectors.mapping(event -> event.path("seq").longValue(), Collectors.toList())));
            for (Acknowledged one : acknowledged) {
                if (one.departureId().equals(id)) {
                    List<Long> found = byCommand.getOrDefault(one.commandId().toString(), List.of());
                    assertThat(found)
                            .as("events of %s", one)
                            .isNotEmpty()
                            .startsWith(one.first())
                            .endsWith(one.last());
                    assertThat(found).hasSize((int) (one.last() - one.first() + 1));
                }
            }
        }
    }
}
