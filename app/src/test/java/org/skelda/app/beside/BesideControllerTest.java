package org.skelda.app.beside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.OtherOperator;
import org.skelda.app.people.SignedIn;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceWriter;
import org.skelda.sim.Failure;
import org.skelda.sim.aircraft.SimulatedStart;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Starts beside each other over HTTP: of departures, from before, and of files that are said to be of an engine. */
@ServerTest
@AutoConfigureMockMvc
class BesideControllerTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private JdbcClient database;

    private RequestPostProcessor of(String operator) {
        Account account = operator.equals("another")
                ? OtherOperator.account(accounts, database)
                : accounts.findByAccountName("strand").orElseThrow();
        return authentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedIn(
                        account.person().id(),
                        account.operatorId(),
                        account.person().name(),
                        account.duty()),
                null,
                List.of()));
    }

    private MockHttpServletResponse answer(MockHttpServletRequestBuilder request, String operator) throws Exception {
        return mvc.perform(request.with(of(operator)).with(csrf())).andReturn().getResponse();
    }

    private JsonNode read(String path) throws Exception {
        MockHttpServletResponse response = answer(get(path), "vardholm");
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    /** The newest start from before that an engine has. */
    private String before(String tail, int engine) throws Exception {
        return read("/api/logbook/starts").values().stream()
                .filter(start -> start.path("tail").asString().equals(tail)
                        && start.path("engine").asInt() == engine)
                .map(start -> "before." + start.path("id").asString())
                .findFirst()
                .orElseThrow();
    }

    private String opened(String type, Failure failure) throws Exception {
        var profile = StartProfiles.of(type);
        byte[] csv = TraceWriter.write(
                        profile, SimulatedStart.of(profile).with(failure).samples(70), List.of("made for this"))
                .getBytes(StandardCharsets.UTF_8);
        MockHttpServletResponse response = answer(
                post("/api/traces?name=beside.csv").contentType("text/csv").content(csv), "vardholm");
        assertThat(response.getStatus()).isEqualTo(201);
        return JSON.readTree(response.getContentAsString()).path("id").asString();
    }

    private int attached(String trace, String body) throws Exception {
        return answer(
                        put("/api/traces/" + trace + "/engine")
                                .contentType(MediaType.APPLICATION_JSON)
                                .content(body),
                        "vardholm")
                .getStatus();
    }

    @Test
    void aStartStandsBesideTheBandOfTheLastTenBeforeIt() throws Exception {
        JsonNode beside = read("/api/beside/" + before("QX-LOM", 1));
        assertThat(beside.path("one").path("tail").asString()).isEqualTo("QX-LOM");
        assertThat(beside.path("band").path("starts").asInt())
                .as("the newest of ten has nine before it")
                .isEqualTo(9);
        assertThat(beside.path("other").isMissingNode()).isTrue();
        JsonNode spread = beside.path("band").path("spreads").values().stream()
                .filter(one -> one.path("parameter").asString().equals("TEMPERATURE"))
                .findFirst()
                .orElseThrow();
        long told = spread.path("median").values().stream()
                .filter(JsonNode::isNumber)
                .count();
        assertThat(told).as("quarters of a second").isGreaterThan(150);
        assertThat(beside.path("figures").values()).anySatisfy(figure -> {
            assertThat(figure.path("what").asString()).isEqualTo("peak");
            assertThat(figure.path("usual").path("starts").asInt()).isEqualTo(9);
            assertThat(figure.path("one").asDouble()).isGreaterThan(400);
        });
        assertThat(beside.path("one").path("samples").values().stream()
                        .map(row -> row.get(0).asDouble())
                        .filter(at -> at >= -2000 && at <= 0))
                .as("two seconds before its starter are with it")
                .hasSizeGreaterThan(15);
    }

    @Test
    void aRunningStartIsDrawnOverTheBandOfThoseBeforeItsFirst() throws Exception {
        String id = departure("208");
        JsonNode band = read("/api/departures/" + id + "/starts/2/band").path("band");
        assertThat(band.path("starts").asInt()).isEqualTo(10);
        assertThat(band)
                .as("the departure's own start is not in it")
                .isEqualTo(read("/api/beside/departure." + id + ".2.1").path("band"));
        assertThat(answer(get("/api/departures/" + id + "/starts/3/band"), "vardholm")
                        .getStatus())
                .isEqualTo(404);
    }

    private String departure(String flight) throws Exception {
        return read("/api/logbook").values().stream()
                .filter(one -> one.path("flight").asString().equals(flight))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
    }

    @Test
    void everyStartThatIsOfferedCanBeLaidBesideIt() throws Exception {
        String one = before("QX-LOM", 2);
        JsonNode choices = read("/api/beside/" + one).path("choices");
        assertThat(choices.size())
                .as("nine of its own, six of the other engine")
                .isGreaterThanOrEqualTo(15);
        assertThat(choices.values().stream().map(choice -> choice.path("engine").asInt()))
                .contains(1, 2);
        for (JsonNode choice : choices.values()) {
            JsonNode beside =
                    read("/api/beside/" + one + "?with=" + choice.path("ref").asString());
            assertThat(beside.path("other").path("ref")).isEqualTo(choice.path("ref"));
            assertThat(beside.path("other").path("outcome")).isEqualTo(choice.path("outcome"));
            assertThat(beside.path("apart").size())
                    .isEqualTo(beside.path("sheet").path("lanes").size());
        }
    }

    @Test
    void aDeparturesStartIsAmongThem() throws Exception {
        JsonNode beside = read("/api/beside/departure." + departure("208") + ".2.1");
        assertThat(beside.path("one").path("title").asString()).isEqualTo("flight 208, attempt 1");
        assertThat(beside.path("one").path("outcome").asString()).isEqualTo("NORMAL");
        assertThat(beside.path("band").path("starts").asInt()).isEqualTo(10);
    }

    @Test
    void aFileThatIsSaidToBeOfAnEngineStandsAmongItsStarts() throws Exception {
        String trace = opened("HAVERN-2M", Failure.NO_LIGHT_OFF);
        String ref = "trace." + trace + ".1";
        JsonNode alone = read("/api/beside/" + ref);
        assertThat(alone.path("band").path("starts").asInt()).isZero();
        assertThat(alone.path("choices").size()).isZero();
        assertThat(attached(trace, "{\"tail\":\"QX-LOM\",\"engine\":2}")).isEqualTo(204);
        JsonNode beside = read("/api/beside/" + ref);
        assertThat(beside.path("band").path("starts").asInt())
                .as("when it was is not known: the last ten of all")
                .isEqualTo(10);
        assertThat(read("/api/beside/" + before("QX-LOM", 2)).path("choices").values())
                .anySatisfy(choice -> {
                    assertThat(choice.path("ref").asString()).isEqualTo(ref);
                    assertThat(choice.path("outcome").asString()).isEqualTo("NO_LIGHT_OFF");
                });
        assertThat(attached(trace, "{}")).as("taken back").isEqualTo(204);
        assertThat(read("/api/beside/" + ref).path("choices").size()).isZero();
        assertThat(answer(delete("/api/traces/" + trace), "vardholm").getStatus())
                .isEqualTo(204);
    }

    @Test
    void aFileIsOfNoEngineThatItCannotBeOf() throws Exception {
        String trace = opened("LOMVI-T1", Failure.NO_LIGHT_OFF);
        assertThat(attached(trace, "{\"tail\":\"QX-LOM\",\"engine\":1}"))
                .as("another type's tail")
                .isEqualTo(400);
        assertThat(attached(trace, "{\"tail\":\"QX-XXX\",\"engine\":1}")).isEqualTo(400);
        assertThat(attached(trace, "{\"tail\":\"QX-LOM\"}")).isEqualTo(400);
        JsonNode tail = read("/api/traces/tails").values().stream()
                .filter(one -> one.path("typeId").asString().equals("LOMVI-T1"))
                .findFirst()
                .orElseThrow();
        String body = "{\"tail\":\"" + tail.path("tail").asString() + "\",\"engine\":%d}";
        assertThat(attached(trace, body.formatted(9))).isEqualTo(400);
        assertThat(attached(trace, body.formatted(1))).isEqualTo(204);
        String two = before("QX-LOM", 2);
        assertThat(answer(get("/api/beside/" + two + "?with=trace." + trace + ".1"), "vardholm")
                        .getStatus())
                .as("starts of two types")
                .isEqualTo(400);
    }

    @Test
    void anotherOperatorsStartsAreNotThere() throws Exception {
        String trace = opened("HAVERN-2M", Failure.NO_LIGHT_OFF);
        for (String ref : List.of(before("QX-LOM", 2), "trace." + trace + ".1", "nothing")) {
            assertThat(answer(get("/api/beside/" + ref), "another").getStatus()).isEqualTo(404);
        }
        assertThat(answer(get("/api/beside/" + before("QX-LOM", 2) + "?with=nothing"), "vardholm")
                        .getStatus())
                .isEqualTo(404);
    }
}
