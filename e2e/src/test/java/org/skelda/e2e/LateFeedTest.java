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
@Tag("alone")
class LateFeedTest extends StartJourney {
    private static final Path RECORDED = Path.of("../formats/src/test/resources/starts");
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    LateFeedTest() {
        super(1);
    }

    /** A recorded start, row by row: seconds, and the rest of its line in a feed. */
    private record Row(double t_s, ObjectNode reading) {}

    private static List<Row> recorded() throws IOException {
        JsonNode normal = ApiClient.JSON.readTree(RECORDED.resolve("expected.json").toFile()).values().stream()
                .filter(one -> one.path("type").asString().equals("HAVERN-2M") && one.path("kind").asString().equals("normal")).findFirst().orElseThrow();
        List<String> lines = Files.readAllLines(RECORDED.resolve(normal.path("file").asString())).stream().filter(line -> !line.startsWith("#") && !line.isBlank()).toList();
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

    /** Seconds of the recording at which the fuel is on and the engine lights. */
    private static double fuelOn(List<Row> rows) {
        return rows.stream().filter(row -> row.reading().path("fuel").intValue() == 1).findFirst().orElseThrow().t_s();
    }

    private final class Box {
        private final String address;
        private final String token;
        private final Instant begin = Instant.now();

        Box() {
            ApiClient administrator = ApiClient.signIn(server, "kvale");
            JsonNode issued = administrator.post("/api/feeds", "{\"tail\":\"QX-TRY\",\"label\":\"Box\"}").body();
            address = server.address() + "/api/feeds/" + issued.path("id").asString() + "/samples";
            token = issued.path("token").asString();
        }

        /** Sends the rows, if there are any, in one request, and empties the list. */
        void send(List<Row> rows) throws Exception {
            if (rows.isEmpty()) {
                return;
            }
            StringBuilder body = new StringBuilder();
            for (Row row : rows) {
                body.append(row.reading().put("t", begin.plusMillis(Math.round(row.t_s() * 1000)).toString())).append('\n');
            }
            HttpResponse<String> answer = HTTP.send(HttpRequest.newBuilder(URI.create(address)).header("Content-Type", "application/x-ndjson")
                    .header("Authorization", "Bearer " + token).POST(HttpRequest.BodyPublishers.ofString(body.toString())).build(), HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
            rows.clear();
        }
    }

    /** Sends a recorded start as it happened until its end is told, but for a hold-up. @return the calls that the page showed meanwhile */
    private List<String> sent(DeskOfDeparture desk, double from_s, double until_s) throws Exception {
        List<Row> rows = recorded();
        Box box = new Box();
        List<Row> waiting = new ArrayList<>();
        List<String> calls = new ArrayList<>();
        StartOfEngine start = new StartOfEngine(desk);
        for (Row row : rows) {
            while (Instant.now().isBefore(box.begin.plusMillis(Math.round(row.t_s() * 1000)))) {
                desk.page().waitForTimeout(20);
            }
            waiting.add(row);
            if (row.t_s() < from_s || row.t_s() >= until_s) {
                box.send(waiting);
            }
            String call = start.call();
            if (calls.isEmpty() || !calls.getLast().equals(call)) {
                calls.add(call);
            }
            if (row.t_s() > until_s && start.verdict().innerText().contains("started, at idle")) {
                break;
            }
        }
        box.send(waiting);
        return calls;
    }

    @Test
    void heldUpForAMomentAroundLightOffNoCutIsCalled() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        double fuel = fuelOn(recorded());
        List<String> calls = sent(desk, fuel + 2, fuel + 3.2);
        assertThat(calls).doesNotContain("CUT_FUEL", "STOP_STARTER").contains("ON_TRACK");
        var log = log(desk);
        assertThat(findings(log)).isEmpty();
        assertThat(outcomes(log)).containsExactly("NORMAL");
    }

    @Test
    void heldUpForFourSecondsInMidStartItIsBlindMeanwhileAndEndsNormal() throws Exception {
        DeskOfDeparture desk = atTheStart("305");
        double fuel = fuelOn(recorded());
        List<String> calls = sent(desk, fuel + 1, fuel + 5);
        assertThat(calls).contains("BLIND").doesNotContain("CUT_FUEL", "STOP_STARTER");
        var log = log(desk);
        assertThat(outcomes(log)).containsExactly("NORMAL");
        assertThat(findings(log)).isEmpty();
        assertThat(log.get("SightLost")).hasSize(1);
        assertThat(desk.cardText()).doesNotContain("No readings from");
    }
}
