package org.skelda.bench;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.skelda.app.departure.Departures;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.Viewing;
import org.skelda.core.log.LogEntry;
import org.skelda.formats.record.EventCodec;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A departure of a whole preparation: opening it, and what each further command shows. */
final class LongLogBench {
    private static final int EVENTS = 400;
    private static final int WARM_UP = 300;
    private static final int ROUNDS = 1000;
    private static final String FLIGHT = "305";
    /** Done long before, and nothing stands behind it. */
    private static final String LINE = "\"line\":\"panels/seat-belts\"";

    private final JsonMapper json;
    private final Departures departures;
    private final BenchClient client;

    LongLogBench(ConfigurableApplicationContext server, String address) {
        this.json = server.getBean(JsonMapper.class);
        this.departures = server.getBean(Departures.class);
        this.client = new BenchClient(address, "strand");
    }

    /** A crew that is past its numbers goes on until its log has so many events. */
    void run() {
        String id = json.readTree(client.get("/api/departures")).values().stream()
                .filter(row -> row.path("flight").asString().equals(FLIGHT))
                .map(row -> row.path("id").asString())
                .findFirst()
                .orElseThrow();
        List<JsonNode> log = log(id);
        for (int i = 0; log.size() + i < EVENTS; i++) {
            String ask = i % 2 == 0 ? "UNDO" : "ANSWER";
            String answer = client.post(
                    "/api/departures/" + id + "/commands",
                    BenchClient.command(UUID.randomUUID(), ask, LINE + ",\"reason\":\"once more\""));
            if (!answer.contains("\"first\"")) {
                throw new IllegalStateException(ask + ": " + answer);
            }
        }
        List<String> envelopes = log(id).stream().map(Object::toString).toList();
        measure(departures.state(UUID.fromString(id)), envelopes);
    }

    private List<JsonNode> log(String id) {
        return List.copyOf(
                json.readTree(client.get("/api/departures/" + id + "/events")).values());
    }

    private void measure(Departure state, List<String> envelopes) {
        Instant at = Instant.now();
        Times opening = new Times();
        for (int i = 0; i < WARM_UP + ROUNDS / 5; i++) {
            long begun = System.nanoTime();
            List<LogEntry<Event>> read =
                    envelopes.stream().map(EventCodec::read).toList();
            json.writeValueAsString(Viewing.view(Departure.replay(state.plan(), read), at));
            if (i >= WARM_UP) {
                opening.add(System.nanoTime() - begun);
            }
        }
        List<LogEntry<Event>> read = envelopes.stream().map(EventCodec::read).toList();
        Departure before = Departure.replay(state.plan(), read.subList(0, read.size() - 1));
        DepartureView told = Viewing.view(before, at);
        Times view = new Times();
        int characters = 0;
        for (int i = 0; i < WARM_UP + ROUNDS; i++) {
            long begun = System.nanoTime();
            DepartureView shown = Viewing.view(before.apply(read.getLast()), at, before, told);
            characters = json.writeValueAsString(shown.since(told)).length();
            if (i >= WARM_UP) {
                view.add(System.nanoTime() - begun);
            }
        }
        System.out.println(
                opening.row("opening a departure of " + state.plan().lines().size() + " lines and " + envelopes.size()
                        + " events: read, folded, its view written"));
        System.out.println(view.row("the view of a further command there, made, and what changed of it written: "
                + characters / 1000 + " kB"));
    }
}
