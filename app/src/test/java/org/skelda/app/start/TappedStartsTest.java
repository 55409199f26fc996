package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.skelda.app.ServerTest;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.SignedIn;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Starts that the crew taps, over HTTP. */
@ServerTest
@AutoConfigureMockMvc
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TappedStartsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    private RequestPostProcessor strand() {
        Account found = accounts.findByAccountName("strand").orElseThrow();
        return authentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedIn(
                        found.person().id(), found.operatorId(), found.person().name(), found.duty()),
                null,
                List.of()));
    }

    private static JsonNode body(MockHttpServletResponse response) throws Exception {
        return JSON.readTree(response.getContentAsString());
    }

    private JsonNode fetched(String path) throws Exception {
        return body(mvc.perform(get(path).with(strand())).andReturn().getResponse());
    }

    private String departure() throws Exception {
        return fetched("/api/departures").values().stream()
                .filter(row -> row.path("flight").asString().equals("603"))
                .map(row -> row.path("id").asString())
                .findFirst()
                .orElseThrow();
    }

    private MockHttpServletResponse ask(String ask, String fields) throws Exception {
        long seen =
                fetched("/api/departures/" + departure() + "/view").path("seq").longValue();
        return mvc.perform(post("/api/departures/" + departure() + "/commands")
                        .with(strand())
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"commandId\":\"" + UUID.randomUUID() + "\",\"seen\":" + seen + ",\"ask\":\"" + ask
                                + "\"," + fields + "}"))
                .andReturn()
                .getResponse();
    }

    private MockHttpServletResponse tap(String tap) throws Exception {
        return ask("TAP_START", "\"engine\":1,\"tap\":\"" + tap + "\",\"tappedAt\":\"" + Instant.now() + "\"");
    }

    private JsonNode engine() throws Exception {
        return fetched("/api/departures/" + departure() + "/starts")
                .path("engines")
                .path(0)
                .path("view");
    }

    @Test
    @Order(1)
    void whatDoesNotFitIsRefusedWithItsFieldsAndChangesNothing() throws Exception {
        assertThat(ask("TAP_START", "\"engine\":9,\"tap\":\"STARTER_ON\",\"tappedAt\":\"2026-05-04T10:00:00Z\"")
                        .getStatus())
                .isEqualTo(400);
        assertThat(ask("TAP_START", "\"engine\":1,\"tap\":\"SPARKS\",\"tappedAt\":\"2026-05-04T10:00:00Z\"")
                        .getStatus())
                .isEqualTo(400);
        assertThat(body(ask("TAP_START", "\"engine\":1")).path("violations").values())
                .extracting(violation -> violation.path("field").asString())
                .containsExactlyInAnyOrder("tap", "tappedAt");
        assertThat(ask("TAP_START", "\"engine\":1,\"tap\":\"STARTER_ON\",\"tappedAt\":\"2026-05-04T10:00:00Z\"")
                        .getStatus())
                .isEqualTo(422);
        assertThat(ask("TAP_START", "\"engine\":2,\"tap\":\"STARTER_ON\",\"tappedAt\":\"" + Instant.now() + "\"")
                        .getStatus())
                .isEqualTo(404);
        assertThat(ask("UNDO_TAP", "\"engine\":1,\"tap\":\"STARTER_ON\"").getStatus())
                .isEqualTo(409);
        assertThat(ask("TYPE_FIGURES", "\"engine\":1,\"peak_c\":600").getStatus())
                .isEqualTo(409);
        assertThat(engine().isMissingNode()).isTrue();
    }

    @Test
    @Order(2)
    void aTappedStartIsShownLikeOneThatIsReadWithItsQuestions() throws Exception {
        assertThat(tap("IGNITION_ON").getStatus()).isEqualTo(200);
        assertThat(engine().at("/taps/next/tap").asString()).isEqualTo("STARTER_ON");
        assertThat(engine().path("running").booleanValue()).isFalse();
        assertThat(tap("STARTER_ON").getStatus()).isEqualTo(200);
        JsonNode view = engine();
        assertThat(view.path("running").booleanValue()).isTrue();
        assertThat(view.at("/taps/next/tap").asString()).isEqualTo("ROTATION");
        assertThat(view.path("taps").path("questions").values())
                .extracting(question -> question.path("words").asString())
                .contains("5 s since the starter: does Ng turn? If not: starter OFF");
        assertThat(view.at("/duty/of").intValue()).isEqualTo(3);
        tap("FUEL_ON");
        tap("TOO_HOT");
        assertThat(engine().at("/verdict/sentence").asString()).isEqualTo("Engine: cut the fuel");
        tap("FUEL_OFF");
        assertThat(engine().path("script").size()).isPositive();
        assertThat(engine().at("/taps/next/tap").asString()).isEqualTo("IGNITION_OFF");
        tap("STARTER_OFF");
        assertThat(engine().path("outcome").asString()).isEqualTo("HOT_START");
        assertThat(ask("TYPE_FIGURES", "\"engine\":1,\"peak_c\":1020,\"dip_v\":17.2")
                        .getStatus())
                .isEqualTo(200);
        assertThat(engine().at("/taps/peakNote").asString()).isEqualTo("155 above 865, 10 below 1030");
    }

    @Test
    @Order(3)
    void theRecordTellsItAmongTheStarts() throws Exception {
        JsonNode start = fetched("/api/departures/" + departure() + "/record")
                .path("starts")
                .path(0);
        assertThat(start.path("tapped").booleanValue()).isTrue();
        assertThat(start.path("outcome").asString()).isEqualTo("HOT_START");
        assertThat(start.path("peak_c").doubleValue()).isEqualTo(1020);
        assertThat(start.at("/findings/0/reason").asString()).startsWith("The crew says: temperature too high");
    }
}
