package org.skelda.app.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Traces over HTTP: judged like a live start, given back byte for byte, refused whole, and nobody else's. */
@ServerTest
@AutoConfigureMockMvc
class TraceControllerTest {
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

    private MockHttpServletResponse open(String name, String query, byte[] content) throws Exception {
        return mvc.perform(post("/api/traces?name=" + name + query)
                        .with(of("vardholm"))
                        .with(csrf())
                        .contentType("text/csv")
                        .content(content))
                .andReturn()
                .getResponse();
    }

    private int kept() throws Exception {
        return JSON.readTree(mvc.perform(get("/api/traces").with(of("vardholm")))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .size();
    }

    @Test
    void aTraceIsJudgedKeptShownAgainAndGivenBack() throws Exception {
        var profile = StartProfiles.of("LOMVI-T1");
        byte[] csv = TraceWriter.write(
                        profile,
                        SimulatedStart.of(profile).with(Failure.NO_LIGHT_OFF).samples(60),
                        List.of("a comment"))
                .getBytes(StandardCharsets.UTF_8);
        MockHttpServletResponse opened = open("no-light.csv", "", csv);
        assertThat(opened.getStatus()).isEqualTo(201);
        JsonNode trace = JSON.readTree(opened.getContentAsString());
        assertThat(trace.path("outcomes").asString()).isEqualTo("NO_LIGHT_OFF");
        String path = "/api/traces/" + trace.path("id").asString();
        assertThat(mvc.perform(get(path + "/file").with(of("vardholm")))
                        .andReturn()
                        .getResponse()
                        .getContentAsByteArray())
                .isEqualTo(csv);

        JsonNode replay = JSON.readTree(mvc.perform(get(path + "/replay").with(of("vardholm")))
                .andReturn()
                .getResponse()
                .getContentAsString());
        List<JsonNode> frames = replay.path("frames").values().stream().toList();
        assertThat(frames).extracting(frame -> frame.path("at").doubleValue()).isSorted();
        assertThat(frames.getFirst().path("view").path("verdict").path("call").asString())
                .isEqualTo("RESTING");
        assertThat(frames)
                .anySatisfy(frame -> assertThat(
                                frame.path("view").path("verdict").path("call").asString())
                        .isEqualTo("CUT_FUEL"));

        assertThat(mvc.perform(get(path + "/file").with(of("another")))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
        assertThat(mvc.perform(get(path + "/replay").with(of("another")))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
    }

    @Test
    void aLongFileComesBackByteForByte() throws Exception {
        StringBuilder csv = new StringBuilder("# type: HAVERN-2M\nt_s,n2_pct,egt_c,starter,fuel\n");
        for (int row = 0; row < 40_000; row++) {
            csv.append(row / 20.0).append(",0.").append(row % 10).append(",21.25,0,0\n");
        }
        byte[] sent = csv.toString().getBytes(StandardCharsets.UTF_8);
        assertThat(sent.length).as("more than two pieces").isGreaterThan(2 * 256 * 1024);
        String id = JSON.readTree(open("long.csv", "", sent).getContentAsString())
                .path("id")
                .asString();
        assertThat(mvc.perform(get("/api/traces/" + id + "/file").with(of("vardholm")))
                        .andReturn()
                        .getResponse()
                        .getContentAsByteArray())
                .isEqualTo(sent);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "|t_s,n2_pct,egt_c,starter,fuel;0,1,20,0,0|no type",
                "&type=HAVERN-9|t_s,n2_pct,egt_c,starter,fuel;0,1,20,0,0|there is no type",
                "&type=HAVERN-2M|t_s,n2_pct,egt_c,starter,fuel;0,1,20,0,0;0,2,20,0,0|times must rise",
                "&type=HAVERN-2M|t_s,n2_pct,starter,fuel;0,1,0,0|egt_c is missing",
                "&type=HAVERN-2M|t_s,n2_pct,egt_c,starter,fuel|no data row"
            })
    void aBadFileIsRefusedAndNothingIsKept(String query, String text, String says) throws Exception {
        int before = kept();
        MockHttpServletResponse refused = open(
                "bad.csv", query == null ? "" : query, text.replace(';', '\n').getBytes(StandardCharsets.UTF_8));
        assertThat(refused.getStatus()).isEqualTo(422);
        JsonNode problem = JSON.readTree(refused.getContentAsString());
        assertThat(problem.path("type").asString()).endsWith("trace-invalid");
        assertThat(problem.path("detail").asString()).contains(says);
        assertThat(kept()).isEqualTo(before);
    }

    @Test
    void anElevationThatIsNoneIsRefused() throws Exception {
        assertThat(open("a.csv", "&elevation_ft=90000", "x".getBytes(StandardCharsets.UTF_8))
                        .getStatus())
                .isEqualTo(400);
    }
}
