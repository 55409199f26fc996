package org.skelda.app.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.people.Accounts;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Readers are told what changed of a view; whoever joins it to what it has, has the whole. */
@ServerTest
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class TellingTest {
    private static final long ALL = 1_000_000;
    private static final int STEPS = 60;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private Departures departures;

    @Autowired
    private JsonMapper json;

    private CrewOverHttp captain;
    private UUID id;

    @BeforeEach
    void sit() throws Exception {
        captain = new CrewOverHttp(mvc, accounts.findByAccountName("halden").orElseThrow());
        id = UUID.fromString(captain.departure("214"));
        captain.ask(id.toString(), ALL, "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\"");
    }

    private Reader opens() {
        Reader reader = new Reader("p", "s");
        departures.read(id, 0, Instant.now(), reader);
        return reader;
    }

    private List<StreamMessage> views(Reader reader) {
        return reader.waiting().stream()
                .filter(message ->
                        message.name().equals("view") || message.name().equals("change"))
                .toList();
    }

    /** The procedures as a page has them that joins every message to what it has, and when the newest was made. */
    private record Page(Map<String, JsonNode> procedures, Instant at) {}

    private Page page(Reader reader, JsonNode asked) {
        Map<String, JsonNode> known = new HashMap<>();
        List<JsonNode> inOrder = new ArrayList<>(views(reader).stream()
                .map(message -> json.readTree(message.json()))
                .toList());
        inOrder.add(asked);
        JsonNode newest = inOrder.getFirst();
        for (JsonNode view : inOrder) {
            if (view.path("seq").longValue() >= newest.path("seq").longValue()) {
                view.path("procedures").forEach(one -> known.put(one.path("id").asString(), one));
                newest = view;
            }
        }
        return new Page(known, Instant.parse(newest.path("at").asString()));
    }

    private void worksSomething(SplittableRandom random) throws Exception {
        List<String> lines = departures.state(id).plan().procedures().stream()
                .limit(4)
                .flatMap(procedure -> departures.state(id).plan().refs(procedure).stream())
                .map(Object::toString)
                .toList();
        String line = lines.get(random.nextInt(lines.size()));
        String procedure = line.substring(0, line.indexOf('/'));
        switch (random.nextInt(4)) {
            case 0 -> captain.ask(id.toString(), ALL, "ANSWER", "\"line\":\"" + line + "\"");
            case 1 -> captain.ask(id.toString(), ALL, "UNDO", "\"line\":\"" + line + "\",\"reason\":\"once more\"");
            case 2 ->
                captain.ask(id.toString(), ALL, "HOLD", "\"procedure\":\"" + procedure + "\",\"reason\":\"a call\"");
            default -> captain.ask(id.toString(), ALL, "RESUME", "\"procedure\":\"" + procedure + "\"");
        }
    }

    @Test
    void whoeverJoinsWhatIsToldHasTheWholeViewAtEveryStep() throws Exception {
        SplittableRandom random = new SplittableRandom(12);
        Reader first = opens();
        JsonNode asked = json.readTree(first.waiting().getFirst().json());
        Reader second = null;
        for (int i = 0; i < STEPS; i++) {
            worksSomething(random);
            if (random.nextInt(6) == 0) {
                asked = captain.read("/api/departures/" + id + "/view").body();
            }
            second = i == STEPS / 2 ? opens() : second;
            Page page = page(first, asked);
            JsonNode whole = json.valueToTree(departures.standing(id, page.at()).view());
            assertThat(List.copyOf(page.procedures().values()))
                    .as("after step %d", i)
                    .containsExactlyInAnyOrderElementsOf(whole.path("procedures"));
        }
        assertThat(second).isNotNull();
        assertThat(views(second).getFirst().name()).isEqualTo("view");
        List<StreamMessage> told = views(first);
        assertThat(told).filteredOn(message -> message.name().equals("change")).hasSizeGreaterThan(told.size() / 3);
        int whole = departures.state(id).plan().procedures().size();
        assertThat(told)
                .filteredOn(message -> message.name().equals("change"))
                .allSatisfy(message -> assertThat(
                                json.readTree(message.json()).path("procedures").size())
                        .isLessThan(whole / 2));
    }

    @Test
    void afterAPageAskedOrCameTheNextIsToldWhole() throws Exception {
        Reader reader = opens();
        String procedure = departures.state(id).plan().procedures().getFirst().id();
        String field = "\"procedure\":\"" + procedure + "\"";
        captain.ask(id.toString(), ALL, "HOLD", field + ",\"reason\":\"a call\"");
        captain.ask(id.toString(), ALL, "RESUME", field);
        captain.read("/api/departures/" + id + "/view");
        captain.ask(id.toString(), ALL, "HOLD", field + ",\"reason\":\"a call\"");
        captain.ask(id.toString(), ALL, "RESUME", field);
        captain.read("/api/departures");
        captain.ask(id.toString(), ALL, "HOLD", field + ",\"reason\":\"a call\"");
        assertThat(views(reader).stream().map(StreamMessage::name))
                .containsExactly("view", "view", "change", "view", "change", "change");
    }
}
