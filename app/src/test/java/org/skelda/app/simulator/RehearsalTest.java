package org.skelda.app.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.departure.SomebodyLooks;
import org.skelda.app.door.OwnDoor;
import org.skelda.app.feed.Feeds;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.procedure.Packs;
import org.skelda.app.start.LiveStarts;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.feed.FeedEvent;
import org.skelda.core.record.Opening;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.aircraft.SimulatedStart;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Line departures and rehearsals are never mixed. */
@ServerTest
@AutoConfigureMockMvc
class RehearsalTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private Departures departures;

    @Autowired
    private LiveStarts starts;

    @Autowired
    private Simulator simulator;

    @Autowired
    private JdbcClient database;

    private RequestPostProcessor strand() {
        Account found = accounts.findByAccountName("strand").orElseThrow();
        return authentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedIn(
                        found.person().id(), found.operatorId(), found.person().name(), found.duty()),
                null,
                List.of()));
    }

    private MockHttpServletResponse sent(String path, String body) throws Exception {
        return mvc.perform(post(path)
                        .with(strand())
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private UUID opened(String kind) throws Exception {
        MockHttpServletResponse answer = sent("/api/openings", opening(kind, "QX-LOM", "QVAR"));
        assertThat(answer.getStatus()).isEqualTo(201);
        return UUID.fromString(
                JSON.readTree(answer.getContentAsString()).path("id").asString());
    }

    private static String opening(String kind, String tail, String from) {
        return opening(UUID.randomUUID(), kind, tail, from);
    }

    private static String opening(UUID id, String kind, String tail, String from) {
        return ("{\"id\":\"%s\",\"kind\":\"%s\",\"tail\":\"%s\",\"flight\":\"R1\",\"from\":\"%s\",\"to\":\"QSKR\","
                        + "\"stand\":\"4\",\"offBlock\":\"%s\"}")
                .formatted(id, kind, tail, from, Instant.now().plus(1, ChronoUnit.HOURS));
    }

    @Test
    void theSameRequestSentAgainOpensNothingTwiceAndAnotherUnderItsIdIsRefused() throws Exception {
        UUID id = UUID.randomUUID();
        String request = opening(id, "REHEARSAL", "QX-LOM", "QVAR");
        MockHttpServletResponse first = sent("/api/openings", request);
        MockHttpServletResponse again = sent("/api/openings", request);
        assertThat(first.getStatus()).isEqualTo(201);
        assertThat(again.getStatus()).isEqualTo(201);
        assertThat(again.getContentAsString()).isEqualTo(first.getContentAsString());
        assertThat(departures.envelopes(id, 0)).hasSize(1);
        assertThat(sent("/api/openings", request.replace("\"R1\"", "\"R2\"")).getStatus())
                .isEqualTo(409);
        assertThat(departures.state(id).opening().flight()).isEqualTo("R1");
    }

    @Test
    void aDepartureIsOpenedAsOneOrTheOtherAndSaysSo() throws Exception {
        UUID rehearsal = opened("REHEARSAL");
        assertThat(JSON.readTree(mvc.perform(get("/api/departures/" + rehearsal).with(strand()))
                                .andReturn()
                                .getResponse()
                                .getContentAsString())
                        .path("kind")
                        .asString())
                .isEqualTo("REHEARSAL");
        JsonNode record = JSON.readTree(departures.envelopes(rehearsal, 0).getFirst());
        assertThat(record.at("/payload/kind").asString()).isEqualTo("rehearsal");
        assertThat(sent("/api/openings", opening("REHEARSAL", "QX-NOT", "QVAR")).getStatus())
                .isEqualTo(400);
        assertThat(sent("/api/openings", opening("REHEARSAL", "QX-LOM", "QNOT")).getStatus())
                .isEqualTo(400);
    }

    @Test
    void theSimulatedAircraftIsAttachedFromASeatOnly() throws Exception {
        UUID rehearsal = opened("REHEARSAL");
        MockHttpServletResponse refused = mvc.perform(post("/api/departures/" + rehearsal + "/simulator")
                        .with(strand())
                        .with(csrf()))
                .andReturn()
                .getResponse();
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString()).contains("not-seated");
        assertThat(sent(
                                "/api/departures/" + rehearsal + "/commands",
                                "{\"commandId\":\"" + UUID.randomUUID()
                                        + "\",\"seen\":1,\"ask\":\"TAKE_SEAT\",\"seat\":\"LEFT\",\"role\":\"FLYING\"}")
                        .getStatus())
                .isEqualTo(200);
        assertThat(mvc.perform(post("/api/departures/" + rehearsal + "/simulator")
                                .with(strand())
                                .with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(204);
    }

    /** It comes back with whoever looks at the departure again, and stands where it should. */
    @Test
    void theSimulatedAircraftEndsWhenNobodyWorksItsDeparture() throws Exception {
        UUID rehearsal = opened("REHEARSAL");
        sent(
                "/api/departures/" + rehearsal + "/commands",
                "{\"commandId\":\"" + UUID.randomUUID()
                        + "\",\"seen\":1,\"ask\":\"TAKE_SEAT\",\"seat\":\"LEFT\",\"role\":\"FLYING\"}");
        assertThat(sent("/api/departures/" + rehearsal + "/simulator", "").getStatus())
                .isEqualTo(204);
        departures.record(
                rehearsal,
                List.of(Event.of(new FeedEvent.FeedAttached(UUID.randomUUID(), "Simulated aircraft", true))),
                new Person("server", "Server"),
                Instant.now());
        simulator.tidy(System.nanoTime());
        assertThat(simulator.flights()).as("it was worked a moment ago").isPositive();
        simulator.tidy(System.nanoTime() + Duration.ofMinutes(3).toNanos());
        assertThat(simulator.flights()).isZero();
        SomebodyLooks.at(departures, rehearsal);
        for (int i = 0; i < 100 && simulator.flights() == 0; i++) {
            Thread.sleep(50);
        }
        assertThat(simulator.flights()).isEqualTo(1);
        simulator.tidy(System.nanoTime() + Duration.ofMinutes(3).toNanos());
        assertThat(simulator.flights()).as("somebody looks at it").isEqualTo(1);
    }

    @Test
    void whatIsRehearsedNeverEntersAnEnginesHistory() throws Exception {
        UUID rehearsal = opened("REHEARSAL");
        UUID feed = UUID.randomUUID();
        starts.assign(feed, rehearsal);
        long before = database.sql("select count(*) from start_attempt")
                .query(Long.class)
                .single();
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.parse("2026-05-04T10:00:00Z"));
        String batch = FeedWriter.batch(
                Subject.engine(2),
                SimulatedStart.of(PROFILE).samples(90).stream()
                        .map(sample -> sample.at(begin_us + sample.at_us()))
                        .toList(),
                PROFILE.drive().engine());
        starts.take(
                new LiveStarts.Source(feed, "vardholm", "QX-LOM", "Simulated aircraft", true),
                batch.getBytes(java.nio.charset.StandardCharsets.UTF_8),
                Instant.now());
        assertThat(departures.state(rehearsal).starts(2).getFirst().summary().outcome())
                .isEqualTo("NORMAL");
        assertThat(database.sql("select count(*) from start_attempt")
                        .query(Long.class)
                        .single())
                .isEqualTo(before);
    }

    @Test
    void whatTheAircraftItselfSendsIsNeverARehearsals() throws Exception {
        UUID rehearsal = opened("REHEARSAL");
        assertThat(departures
                        .worked("vardholm", "QX-LOM", Instant.now())
                        .map(worked -> worked.opening().departureId()))
                .isNotEqualTo(Optional.of(rehearsal));
    }

    @Test
    void onTheLineItStandsInOnlyInTheDemonstration() {
        Person captain = new Person("c", "Captain");
        Departures departures = mock();
        Departure departure = mock();
        Opening opening = mock();
        ServerClock clock = mock();
        when(clock.instant()).thenReturn(Instant.EPOCH);
        when(departures.state(any())).thenReturn(departure);
        when(departure.opening()).thenReturn(opening);
        when(departure.seatOf(captain)).thenReturn(Optional.of(Seat.LEFT));
        Simulator simulator = new Simulator(
                departures,
                mock(Feeds.class),
                mock(Packs.class),
                mock(LiveStarts.class),
                new SkeldaProperties(
                        Path.of("data"), false, null, List.of(), new SkeldaProperties.Clock(1, Duration.ZERO)),
                mock(OwnDoor.class),
                clock);
        assertThatThrownBy(() -> simulator.attach(UUID.randomUUID(), captain))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("rehearsals only");
    }
}
