package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A good start whose readings are held up on their way, at life's own speed: a delay never makes a finding. */
@Tag("quiet")
class LateFeedTest extends StartJourney {
    private static final Path RECORDED = Path.of("../formats/src/test/resources/starts");
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    LateFeedTest() {
        super(1);
    }

    /** A recorded start, row by row: seconds, and the rest of its line in a feed. */
    private record Row(double t_s, ObjectNode reading) {}

    private static JsonNode recording() throws IOException {
        return ApiClient.JSON.readTree(RECORDED.resolve("expected.json").toFile()).values().stream()
                .filter(one -> one.path("type").asString().equals("HAVERN-2M")
                        && one.path("kind").asString().equals("normal"))
                .findFirst()
                .orElseThrow();
    }

    private static List<Row> recorded() throws IOException {
        List<String> lines = Files.readAllLines(
                        RECORDED.resolve(recording().path("file").asString()))
                .stream()
                .filter(line -> !line.startsWith("#") && !line.isBlank())
                .toList();
        String[] names = lines.getFirst().split(",");
        List<Row> rows = new ArrayList<>();
        for (String line : lines.subList(1, lines.size())) {
            String[] cells = line.split(",", -1);
            ObjectNode reading = ApiClient.JSON.createObjectNode().put("subject", "engine:2");
            for (int i = 1; i < names.length; i++) {
                if (i < cells.length && !cells[i].isBlank()) {
                    reading.put(names[i], Double.parseDouble(cells[i]));
                }
            }
            for (String name : new String[] {"starter", "fuel", "ignition"}) {
                if (reading.has(name)) {
                    reading.put(name, reading.path(name).intValue());
                }
            }
            rows.add(new Row(Double.parseDouble(cells[0]), reading));
        }
        return rows;
    }

    /** Seconds of the recording at which the engine lights, by its expected answer. */
    private static double lightOff() throws IOException {
        JsonNode attempt = recording().path("attempts").get(0);
        return attempt.path("startedAt_s").doubleValue()
                + attempt.path("milestones").path("LIGHT_OFF").doubleValue();
    }

    private final class Box {
        private final String address;
        private final String token;
        private final Instant begin = server.now();

        Box() {
            ApiClient administrator = ApiClient.signIn(server, "kvale");
            JsonNode issued = administrator
                    .post("/api/feeds", "{\"tail\":\"QX-TRY\",\"label\":\"Box\"}")
                    .body();
            address = server.address() + "/api/feeds/" + issued.path("id").asString() + "/samples";
            token = issued.path("token").asString();
        }

        /** Waits until a row is due. */
        void waitFor(DeskOfDeparture desk, Row row) {
            while (server.now().isBefore(begin.plusMillis(Math.round(row.t_s() * 1000)))) {
                desk.page().waitForTimeout(20);
            }
        }

        /** Sends the rows, if there are any, in one request, and empties the list. */
        void send(List<Row> rows) throws Exception {
            if (rows.isEmpty()) {
                return;
            }
            StringBuilder body = new StringBuilder();
            for (Row row : rows) {
                body.append(row.reading()
                                .put(
                                        "t",
                                        begin.plusMillis(Math.round(row.t_s() * 1000))
                                                .toString()))
                        .append('\n');
            }
            HttpResponse<String> answer = HTTP.send(
                    HttpRequest.newBuilder(URI.create(address))
                            .header("Content-Type", "application/x-ndjson")
                            .header("Authorization", "Bearer " + token)
                            .POST(HttpRequest.BodyPublishers.ofString(body.toString()))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
            rows.clear();
        }
    }

    /**
     * Sends the rows of a recorded start up to a time of it as they happened. @return the calls that the page showed
     * meanwhile
     */
    private static List<String> sent(DeskOfDeparture desk, Box box, List<Row> rows, double until_s) throws Exception {
        List<String> calls = new ArrayList<>();
        List<Row> waiting = new ArrayList<>();
        StartOfEngine start = new StartOfEngine(desk);
        while (!rows.isEmpty() && rows.getFirst().t_s() < until_s) {
            box.waitFor(desk, rows.getFirst());
            waiting.add(rows.removeFirst());
            box.send(waiting);
            called(start, calls);
        }
        return calls;
    }

    /**
     * Holds the rows up to a time back until then, and sends them whole. @return the calls that the page showed
     * meanwhile, and just after
     */
    private static List<String> heldUp(DeskOfDeparture desk, Box box, List<Row> rows, double until_s) throws Exception {
        List<String> calls = new ArrayList<>();
        boolean seenBlind = false;
        List<Row> waiting = new ArrayList<>();
        StartOfEngine start = new StartOfEngine(desk);
        while (rows.getFirst().t_s() < until_s) {
            box.waitFor(desk, rows.getFirst());
            waiting.add(rows.removeFirst());
            called(start, calls);
            if (!seenBlind && calls.getLast().equals("BLIND")) {
                seenBlind = true;
                picture(desk, "held-up");
            }
        }
        box.send(waiting);
        return calls;
    }

    private static void called(StartOfEngine start, List<String> calls) {
        String call = start.call();
        if (calls.isEmpty() || !calls.getLast().equals(call)) {
            calls.add(call);
        }
    }

    /**
     * 1.2 s around light-off, which must draw no cut; then 4 s in mid-start, which is blind meanwhile; the whole of it
     * is a normal start.
     */
    @Test
    void whatIsHeldUpOnItsWayCallsNoCutAndTheStartEndsNormal() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        List<Row> rows = new ArrayList<>(recorded());
        double lit_s = lightOff();
        Box box = new Box();
        List<String> calls = new ArrayList<>(sent(desk, box, rows, lit_s - 0.6));
        calls.addAll(heldUp(desk, box, rows, lit_s + 0.6));
        calls.addAll(sent(desk, box, rows, lit_s + 6));
        picture(desk, "after-a-short-hold-up");
        assertThat(calls).as("around light-off").contains("ON_TRACK").doesNotContain("CUT_FUEL", "STOP_STARTER");
        assertThat(findings(log(desk))).isEmpty();

        List<String> inTheMiddle = new ArrayList<>(heldUp(desk, box, rows, lit_s + 10));
        assertThat(inTheMiddle).as("held up for 4 s").contains("BLIND");
        inTheMiddle.addAll(sent(desk, box, rows, Double.MAX_VALUE));
        assertThat(inTheMiddle).doesNotContain("CUT_FUEL", "STOP_STARTER");
        assertThat(new StartOfEngine(desk).verdict().innerText()).contains("started, at idle");
        picture(desk, "late-and-normal");
        var log = log(desk);
        assertThat(outcomes(log)).containsExactly("NORMAL");
        assertThat(findings(log)).isEmpty();
        // On a slow link the shorter one may pass a second and a half, from which on the page says that it is blind.
        assertThat(log.get("SightLost")).hasSizeBetween(1, 2);
        assertThat(desk.cardText()).doesNotContain("No readings from");
    }
}
