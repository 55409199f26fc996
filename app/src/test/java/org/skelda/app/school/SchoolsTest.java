package org.skelda.app.school;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.departure.Departures;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.SignedIn;
import org.skelda.app.procedure.Packs;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The office sets a school with a reason; it counts from the next departure on, and never for another operator. */
@ServerTest
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class SchoolsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private Departures departures;

    @Autowired
    private Packs packs;

    private RequestPostProcessor of(String name) {
        Account account = accounts.findByAccountName(name).orElseThrow();
        SignedIn person = new SignedIn(
                account.person().id(), account.operatorId(), account.person().name(), account.duty());
        return authentication(UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
    }

    private JsonNode option(String account, String type, String option) throws Exception {
        JsonNode types = JSON.readTree(mvc.perform(get("/api/schools").with(of(account)))
                .andReturn()
                .getResponse()
                .getContentAsString());
        return types.values().stream()
                .filter(one -> one.path("typeId").asString().equals(type))
                .flatMap(one -> one.path("options").values().stream())
                .filter(one -> one.path("id").asString().equals(option))
                .findFirst()
                .orElseThrow();
    }

    private MockHttpServletResponse set(String account, String body) throws Exception {
        return mvc.perform(post("/api/schools")
                        .with(of(account))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private String open(String account, String tail) throws Exception {
        String body = "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"LINE\",\"tail\":\"" + tail
                + "\",\"flight\":\"901\",\"from\":\"QVAR\",\"to\":\"QSKR\"," + "\"stand\":\"4\",\"offBlock\":\""
                + Instant.now().plusSeconds(3600) + "\"}";
        JsonNode opened = JSON.readTree(mvc.perform(post("/api/openings")
                        .with(of(account))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse()
                .getContentAsString());
        return opened.path("id").asString();
    }

    private Map<String, String> optionsOf(String departure) {
        return departures.state(UUID.fromString(departure)).opening().options();
    }

    @Test
    void aSchoolCountsFromTheNextDepartureOnAndATailsBeforeItsTypes() throws Exception {
        String before = open("halden", "QX-LOM");
        assertThat(set("naust", request("HAVERN-2M", null, "flaps-when", "at-runway", "Slush all week"))
                        .getStatus())
                .isEqualTo(204);
        assertThat(set("naust", request("HAVERN-2M", "QX-TRY", "flaps-when", "after-start", "Its flap is slow"))
                        .getStatus())
                .isEqualTo(204);
        String after = open("halden", "QX-LOM");
        String tail = open("halden", "QX-TRY");
        assertThat(optionsOf(before)).containsEntry("flaps-when", "after-start");
        assertThat(optionsOf(after)).containsEntry("flaps-when", "at-runway");
        assertThat(optionsOf(tail)).containsEntry("flaps-when", "after-start");
        assertThat(optionsOf(after))
                .containsOnlyKeys(
                        packs.planFor("vardholm", "HAVERN-2M").options().keySet());
        JsonNode option = option("halden", "HAVERN-2M", "flaps-when");
        assertThat(option.path("byTail").path("QX-LOM").asString()).isEqualTo("at-runway");
        assertThat(option.path("byTail").path("QX-TRY").asString()).isEqualTo("after-start");
    }

    @Test
    void theTwoOperatorsHaveSchoolsOfTheirOwnAndNeitherSeesTheOthers() throws Exception {
        assertThat(option("halden", "LOMVI-T1", "control-check")
                        .path("byTail")
                        .path("QX-PIL")
                        .asString())
                .isEqualTo("one-axis");
        assertThat(option("hjalt", "LOMVI-T1", "control-check")
                        .path("byTail")
                        .path("QX-SUL")
                        .asString())
                .isEqualTo("together");
        assertThat(option("hjalt", "LOMVI-T1", "control-check").path("byTail").has("QX-PIL"))
                .isFalse();
        assertThat(set("ronn", request("LOMVI-T1", "QX-PIL", "control-check", "one-axis", "not mine"))
                        .getStatus())
                .isEqualTo(400);
        assertThat(set("ronn", request("HAVERN-2M", null, "flaps-when", "at-runway", "not flown here"))
                        .getStatus())
                .isEqualTo(400);
        assertThat(optionsOf(open("hjalt", "QX-SUL"))).containsEntry("control-check", "together");
    }

    @Test
    void onlyTheOfficeSetsAndOnlyWhatThereIsWithAReason() throws Exception {
        assertThat(set("halden", request("HAVERN-2M", null, "flaps-when", "at-runway", "mine"))
                        .getStatus())
                .isEqualTo(403);
        assertThat(set("kvale", request("HAVERN-2M", null, "flaps-when", "at-runway", "mine"))
                        .getStatus())
                .as("administration is not the standards office")
                .isEqualTo(403);
        for (String wrong : List.of(
                request("HAVERN-2M", null, "flaps-when", "sometimes", "why"),
                request("HAVERN-2M", null, "moon", "full", "why"),
                request("HAVERN-2M", "QX-PIL", "flaps-when", "at-runway", "why"),
                request("HAVERN-2M", null, "flaps-when", "at-runway", " "))) {
            assertThat(set("naust", wrong).getStatus()).isEqualTo(400);
        }
    }

    private static String request(String type, String tail, String option, String school, String why) {
        return "{\"typeId\":\"" + type + "\"," + (tail == null ? "" : "\"tail\":\"" + tail + "\",") + "\"option\":\""
                + option + "\",\"school\":\"" + school + "\",\"why\":\"" + why + "\"}";
    }
}
