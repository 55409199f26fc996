package org.skelda.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.departure.Departures;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Who gets what of every address of the server: nobody, somebody of another operator, crew without a seat, seated crew,
 * the operator's office. An address that is not in the table fails the test, so that none is forgotten.
 */
@ServerTest
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class EveryEndpointTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** One who asks. */
    private enum Who {
        NOBODY,
        OTHER_OPERATOR,
        NOT_SEATED,
        SEATED,
        OFFICE,
        STANDARDS
    }

    /**
     * For each address what each {@link Who} is answered, in their order. 404 hides from other operators what is not
     * theirs; 400, 409 and 422 are answers to somebody who may ask, of what was asked here.
     */
    private static final String TABLE = """
            GET    /api/session                                    200 200 200 200 200 200
            POST   /api/session                                    400 400 400 400 400 400
            DELETE /api/session                                    403 200 200 200 200 200
            GET    /api/time                                       200 200 200 200 200 200
            GET    /api/crew                                       401 200 200 200 200 200
            GET    /api/departures                                 401 200 200 200 200 200
            GET    /api/openings                                   401 200 200 200 200 200
            POST   /api/openings                                   403 400 400 400 400 400
            GET    /api/departures/{id}                            401 404 200 200 200 200
            GET    /api/departures/{id}/view                       401 404 200 200 200 200
            GET    /api/departures/{id}/events                     401 404 200 200 200 200
            GET    /api/departures/{id}/record                     401 404 200 200 200 200
            GET    /api/departures/{id}/stream                     401 404 200 200 200 200
            PUT    /api/departures/{id}/readers/{reader}           403 404 404 404 404 404
            POST   /api/departures/{id}/commands                   403 404 403 200 403 403
            GET    /api/departures/{id}/simulator                  401 404 200 200 200 200
            POST   /api/departures/{id}/simulator                  403 404 409 204 409 409
            GET    /api/departures/{id}/apu                        401 404 200 200 200 200
            GET    /api/departures/{id}/lights                     401 404 200 200 200 200
            GET    /api/departures/{id}/starts                     401 404 200 200 200 200
            GET    /api/departures/{id}/starts/order               401 404 200 200 200 200
            GET    /api/departures/{id}/starts/{engine}/expected   401 404 200 200 200 200
            GET    /api/departures/{id}/starts/{engine}/band       401 404 200 200 200 200
            GET    /api/departures/{id}/starts/{engine}/{number}/trace   401 404 404 404 404 404
            GET    /api/departures/{id}/starts/{engine}/{number}/replay  401 404 404 404 404 404
            GET    /api/schools                                    401 200 200 200 200 200
            POST   /api/schools                                    403 403 403 403 403 400
            GET    /api/logbook                                    401 200 200 200 200 200
            GET    /api/logbook/starts                             401 200 200 200 200 200
            GET    /api/traces                                     401 200 200 200 200 200
            POST   /api/traces                                     403 422 422 422 422 422
            GET    /api/traces/types                               401 200 200 200 200 200
            GET    /api/traces/tails                               401 200 200 200 200 200
            PUT    /api/traces/{id}/engine                         403 404 404 404 404 404
            GET    /api/beside/{start}                             401 404 404 404 404 404
            GET    /api/traces/{id}/replay                         401 404 404 404 404 404
            GET    /api/traces/{id}/file                           401 404 404 404 404 404
            DELETE /api/traces/{id}                                403 404 404 404 404 404
            GET    /api/feeds                                      401 403 403 403 200 403
            POST   /api/feeds                                      403 403 403 403 400 403
            DELETE /api/feeds/{feedId}                             403 403 403 403 404 403
            POST   /api/feeds/{feedId}/news                        401 401 401 401 401 401
            POST   /api/feeds/{feedId}/samples                     401 401 401 401 401 401
            """;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private SessionRepository<? extends Session> sessions;

    @Autowired
    private RequestMappingHandlerMapping requestMappingHandlerMapping;

    @Autowired
    private Accounts accounts;

    @Autowired
    private Departures departures;

    @Autowired
    private JdbcClient database;

    private String departure = "";

    @BeforeEach
    void aSeatIsTaken() throws Exception {
        JsonNode rows = JSON.readTree(
                send(HttpMethod.GET, "/api/departures", Who.SEATED, "").getContentAsString());
        departure = rows.values().stream()
                .filter(row -> row.path("flight").asString().equals("305"))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
        assertThat(departures.state(UUID.fromString(departure)).seats()).isNotEmpty();
    }

    private Account account(Who who) {
        return switch (who) {
            case NOBODY -> throw new IllegalArgumentException("nobody has no account");
            case OTHER_OPERATOR -> OtherOperator.account(accounts, database);
            case NOT_SEATED -> accounts.findByAccountName("oddsrud").orElseThrow();
            case SEATED -> accounts.findByAccountName("strand").orElseThrow();
            case OFFICE -> accounts.findByAccountName("kvale").orElseThrow();
            case STANDARDS -> accounts.findByAccountName("naust").orElseThrow();
        };
    }

    private MockHttpServletResponse send(HttpMethod method, String path, Who who, String body) throws Exception {
        MockHttpServletRequestBuilder request =
                request(method, path).contentType(type(path)).content(body);
        if (who != Who.NOBODY) {
            Account account = account(who);
            SignedIn person = new SignedIn(
                    account.person().id(),
                    account.operatorId(),
                    account.person().name(),
                    account.duty());
            Authentication as = UsernamePasswordAuthenticationToken.authenticated(person, null, List.of());
            request = request.with(path.endsWith("/stream") ? signedInBefore(as) : authentication(as));
            if (method != HttpMethod.GET) {
                request = request.with(csrf());
            }
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    /**
     * With a session that is there already. One that is new would be kept by the request for a stream and by the
     * stream's first word at the same moment; in life there is one before there is a stream.
     */
    private RequestPostProcessor signedInBefore(Authentication as) {
        String id = Base64.getEncoder().encodeToString(kept(sessions, as).getBytes(StandardCharsets.UTF_8));
        return request -> {
            request.setCookies(new Cookie("SESSION", id));
            return request;
        };
    }

    /** @return the id of a session that is kept */
    private static <S extends Session> String kept(SessionRepository<S> sessions, Authentication as) {
        S session = sessions.createSession();
        session.setAttribute(
                HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY, new SecurityContextImpl(as));
        sessions.save(session);
        return session.getId();
    }

    private static String type(String path) {
        return path.startsWith("/api/traces") && !path.endsWith("/engine")
                ? "text/csv"
                : path.endsWith("/samples") ? "application/x-ndjson" : "application/json";
    }

    private static String body(String path) {
        return switch (path) {
            case "/api/departures/{id}/commands" ->
                "{\"commandId\":\"" + UUID.randomUUID()
                        + "\",\"seen\":1000000,\"ask\":\"HOLD\",\"procedure\":\"start-2\",\"reason\":\"trial at "
                        + Instant.now() + "\"}";
            case "/api/traces" -> "t_s\n";
            default -> "{}";
        };
    }

    private String filled(String path) {
        String filled = path.contains("/departures/")
                ? path.replace("{id}", departure)
                : path.replace("{id}", new UUID(1, 1).toString());
        filled = filled.replace("{feedId}", new UUID(1, 2).toString())
                .replace("{engine}", "2")
                .replace("{number}", "9")
                .replace("{start}", "departure." + departure + ".2.9")
                .replace("{reader}", new UUID(1, 3).toString());
        return path.equals("/api/traces") ? filled + "?name=a.csv&type=HAVERN-2M" : filled;
    }

    private record Row(HttpMethod method, String path, List<Integer> answers) {
        String name() {
            return method + " " + path;
        }
    }

    private static List<Row> table() {
        return TABLE.lines()
                .map(line -> line.trim().split("\\s+"))
                .map(cells -> new Row(
                        HttpMethod.valueOf(cells[0]),
                        cells[1],
                        List.of(cells).subList(2, cells.length).stream()
                                .map(Integer::valueOf)
                                .toList()))
                .toList();
    }

    @Test
    void everyAddressIsInTheTable() {
        TreeSet<String> served = new TreeSet<>();
        requestMappingHandlerMapping
                .getHandlerMethods()
                .keySet()
                .forEach(info -> info.getPatternValues().stream()
                        .filter(path -> path.startsWith("/api/"))
                        .forEach(path -> info.getMethodsCondition()
                                .getMethods()
                                .forEach(method -> served.add(method + " " + path))));
        assertThat(served)
                .containsExactlyInAnyOrderElementsOf(
                        table().stream().map(Row::name).toList());
    }

    @Test
    void everyoneGetsWhatTheTableSays() throws Exception {
        Map<String, List<Integer>> expected = new TreeMap<>();
        Map<String, List<Integer>> got = new TreeMap<>();
        for (Row row : table()) {
            List<Integer> answers = new ArrayList<>();
            for (Who who : Who.values()) {
                String path = row.method() == HttpMethod.POST
                        ? filled(row.path())
                        : filled(row.path()).replaceAll("\\?.*", "");
                answers.add(send(row.method(), path, who, row.method() == HttpMethod.GET ? "" : body(row.path()))
                        .getStatus());
            }
            expected.put(row.name(), row.answers());
            got.put(row.name(), answers);
        }
        assertThat(got).isEqualTo(expected);
    }
}
