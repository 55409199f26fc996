package org.skelda.app.departure;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import java.util.UUID;
import org.skelda.app.people.Account;
import org.skelda.app.people.SignedIn;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A signed-in person in front of the server under test. */
final class CrewOverHttp {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final MockMvc mvc;
    private final RequestPostProcessor who;

    CrewOverHttp(MockMvc mvc, Account account) {
        this.mvc = mvc;
        SignedIn person = new SignedIn(
                account.person().id(), account.operatorId(), account.person().name(), account.duty());
        this.who = authentication(UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
    }

    /** A status and a body. */
    record Answer(int status, JsonNode body) {
        String slug() {
            String type = body.path("type").asString("");
            return type.substring(type.lastIndexOf(':') + 1);
        }
    }

    Answer read(String path) throws Exception {
        return answer(mvc.perform(get(path).with(who)).andReturn().getResponse());
    }

    Answer send(String departure, String body) throws Exception {
        return answer(mvc.perform(post("/api/departures/" + departure + "/commands")
                        .with(who)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse());
    }

    Answer ask(String departure, long seen, String ask, String fields) throws Exception {
        return ask(departure, UUID.randomUUID(), seen, ask, fields);
    }

    Answer ask(String departure, UUID command, long seen, String ask, String fields) throws Exception {
        return send(
                departure,
                "{\"commandId\":\"" + command + "\",\"seen\":" + seen + ",\"ask\":\"" + ask + "\""
                        + (fields.isEmpty() ? "" : "," + fields) + "}");
    }

    String departure(String flight) throws Exception {
        return read("/api/departures").body().values().stream()
                .filter(row -> row.path("flight").asString().equals(flight))
                .map(row -> row.path("id").asString())
                .findFirst()
                .orElseThrow();
    }

    private static Answer answer(MockHttpServletResponse response) throws Exception {
        String text = response.getContentAsString();
        return new Answer(response.getStatus(), text.isBlank() ? JSON.createObjectNode() : JSON.readTree(text));
    }
}
