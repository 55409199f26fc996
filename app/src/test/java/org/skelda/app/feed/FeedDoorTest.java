package org.skelda.app.feed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.skelda.app.ServerTest;
import org.skelda.app.departure.Departures;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.SignedIn;
import org.skelda.core.alignment.InertialUnit;
import org.skelda.core.alignment.InertialUnit.Phase;
import org.skelda.core.alignment.Position;
import org.skelda.core.alignment.UnitsSample;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.line.Progress;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Names;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.formats.record.Sha256;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Failure;
import org.skelda.sim.aircraft.SimulatedStart;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The feed door, as an aircraft and as an administrator meet it. */
@ServerTest
@AutoConfigureMockMvc
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FeedDoorTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");
    private static final String TAIL = "QX-TRY";

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private Departures departures;

    @Autowired
    private Fleet fleet;
    /** One box for the tail, as an aircraft has: another is ignored while this one is live. */
    private static Feed box;

    private Feed feed;

    private record Feed(UUID id, String token) {}

    private record Answer(int status, JsonNode body) {
        String slug() {
            String type = body.path("type").asString("");
            return type.substring(type.lastIndexOf(':') + 1);
        }
    }

    @BeforeEach
    void anIssuedFeed() throws Exception {
        box = box == null ? issued(TAIL) : box;
        feed = box;
    }

    private Feed issued(String tail) throws Exception {
        Answer issued = answer(mvc.perform(post("/api/feeds")
                        .with(as("kvale"))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"tail\":\"" + tail + "\",\"label\":\"Box of " + tail + "\"}"))
                .andReturn()
                .getResponse());
        assertThat(issued.status()).isEqualTo(201);
        return new Feed(
                UUID.fromString(issued.body().path("id").asString()),
                issued.body().path("token").asString());
    }

    private RequestPostProcessor as(String account) {
        Account found = accounts.findByAccountName(account).orElseThrow();
        return authentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedIn(
                        found.person().id(), found.operatorId(), found.person().name(), found.duty()),
                null,
                List.of()));
    }

    private static Answer answer(MockHttpServletResponse response) throws Exception {
        String text = response.getContentAsString();
        return new Answer(response.getStatus(), text.isBlank() ? JSON.createObjectNode() : JSON.readTree(text));
    }

    private Answer send(String token, String body) throws Exception {
        return answer(mvc.perform(post("/api/feeds/" + feed.id() + "/samples")
                        .header("Authorization", "Bearer " + token)
                        .contentType("application/x-ndjson")
                        .content(body))
                .andReturn()
                .getResponse());
    }

    private Answer send(String body) throws Exception {
        return send(feed.token(), body);
    }

    private static String lines(List<Sample> samples, Instant begin) {
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, begin);
        return FeedWriter.batch(
                Subject.engine(2),
                samples.stream()
                        .map(sample -> sample.at(begin_us + sample.at_us()))
                        .toList(),
                PROFILE.drive().engine());
    }

    private UUID departure(String flight) throws Exception {
        return answer(mvc.perform(get("/api/departures").with(as("strand")))
                        .andReturn()
                        .getResponse())
                .body()
                .values()
                .stream()
                .filter(row -> row.path("flight").asString().equals(flight))
                .map(row -> UUID.fromString(row.path("id").asString()))
                .findFirst()
                .orElseThrow();
    }

    private List<JsonNode> events(String type) throws Exception {
        return departures.envelopes(departure("305"), 0).stream()
                .map(JSON::readTree)
                .filter(event -> event.path("type").asString().equals(type))
                .toList();
    }

    @Test
    @Order(10)
    void aStartThatIsSentIsJudgedLoggedAndItsTraceKept() throws Exception {
        Instant begin = Instant.parse("2026-05-04T10:00:00Z");
        List<Sample> samples = SimulatedStart.of(PROFILE).samples(85);
        Answer first = send(lines(samples.subList(0, 200), begin));
        assertThat(first.status()).isEqualTo(200);
        assertThat(first.body().path("accepted").intValue()).isEqualTo(200);
        assertThat(events("FeedAttached"))
                .singleElement()
                .satisfies(event -> assertThat(
                                event.path("payload").path("simulated").booleanValue())
                        .isFalse());
        assertThat(events("AttemptBegan")).hasSize(1);
        assertThat(events("AttemptEnded")).isEmpty();

        send(lines(samples.subList(200, samples.size()), begin));
        assertThat(events("AttemptEnded"))
                .singleElement()
                .satisfies(event -> assertThat(
                                event.path("payload").path("outcome").asString())
                        .isEqualTo("NORMAL"));
        assertThat(events("MilestoneReached"))
                .extracting(event -> event.path("payload").path("milestone").asString())
                .contains("ROTATION", "FUEL_ON", "LIGHT_OFF", "STARTER_OUT", "IDLE");
        byte[] trace = mvc.perform(get("/api/departures/" + departure("305") + "/starts/2/1/trace")
                        .with(as("strand")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(events("TraceStored"))
                .singleElement()
                .satisfies(
                        event -> assertThat(event.path("payload").path("sha256").asString())
                                .isEqualTo(Sha256.hex(trace)));
        assertThat(new String(trace, StandardCharsets.UTF_8))
                .startsWith("# type: HAVERN-2M\n# QX-TRY, engine 2, attempt 1, ");
        assertThat(send(lines(samples.subList(150, 153), begin.plusMillis(33)))
                        .body()
                        .path("late")
                        .intValue())
                .isEqualTo(3);
        assertThat(answer(mvc.perform(get("/api/departures/" + departure("305") + "/starts/2/1/replay")
                                        .with(as("strand")))
                                .andReturn()
                                .getResponse())
                        .body()
                        .path("late")
                        .intValue())
                .isEqualTo(3);
    }

    @Test
    @Order(20)
    void aBatchSentAgainIsRepeatedAndChangesNothing() throws Exception {
        Instant begin = Instant.parse("2026-05-04T11:00:00Z");
        String batch = lines(SimulatedStart.of(PROFILE).samples(20), begin);
        int sent = batch.split("\n").length;
        assertThat(send(batch).body().path("accepted").intValue()).isEqualTo(sent);
        long before = departures.state(departure("305")).seq();
        Answer again = send(batch);
        assertThat(again.body().path("repeated").intValue()).isEqualTo(sent);
        assertThat(again.body().path("accepted").intValue()).isZero();
        assertThat(departures.state(departure("305")).seq()).isEqualTo(before);
    }

    @Test
    @Order(25)
    void theAircraftsLightsEnterTheLogWhenTheyChangeAndUnknownOnesAreKeptOut() throws Exception {
        long at_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.parse("2026-05-04T10:30:00Z"));
        Answer lit = send(FeedWriter.lights(at_us, List.of("moonlight", "fire-bell")));
        assertThat(lit.status()).isEqualTo(200);
        assertThat(lit.body().path("flagged").values())
                .extracting(JsonNode::asString)
                .containsExactly("'moonlight' is no light of this type");
        send(FeedWriter.lights(at_us + 100_000, List.of("fire-bell")));
        assertThat(events("LightsSeen"))
                .as("the same once more is no change")
                .singleElement()
                .satisfies(
                        event -> assertThat(event.path("payload").path("lights").values())
                                .extracting(JsonNode::asString)
                                .containsExactly("fire-bell"));
        send(FeedWriter.lights(at_us + 200_000, List.of()));
        assertThat(events("LightsSeen")).hasSize(2);
        assertThat(departures.state(departure("305")).feed().lights()).isEmpty();
    }

    @Test
    @Order(26)
    void whatTheInertialUnitsShowEntersTheLogWhenItChanges() throws Exception {
        // The crew has told of them by the server's clock: what counts comes after that.
        long at_us = ChronoUnit.MICROS.between(
                Instant.EPOCH, departures.state(departure("305")).at().plusSeconds(1));
        Position stand = departures.state(departure("305")).units().stand();
        send(FeedWriter.aircraft(at_us, null, units(at_us, Phase.NAVIGATING, stand), null));
        assertThat(events("UnitsRead")).hasSize(1);
        int told = events("UnitsTold").size();
        send(FeedWriter.aircraft(at_us + 100_000, null, units(at_us + 100_000, Phase.NAVIGATING, stand), null));
        assertThat(events("UnitsTold")).as("the same once more is no change").hasSize(told);
        send(FeedWriter.aircraft(at_us + 200_000, null, units(at_us + 200_000, Phase.STORING, stand), null));
        assertThat(events("UnitsTold")).hasSize(told + 1).last().satisfies(event -> {
            assertThat(event.path("payload").path("units").size()).isEqualTo(2);
            assertThat(event.path("payload").path("events").path(0).path("what").asString())
                    .isEqualTo("off");
        });
        assertThat(departures.state(departure("305")).units().units())
                .extracting(InertialUnit::phase)
                .containsOnly(Phase.STORING);
    }

    @Test
    @Order(27)
    void whatTheElectricsShowEntersTheLogWhenItChangesAndStrangersAndImpossibleVoltsAreKeptOut() throws Exception {
        long at_us = ChronoUnit.MICROS.between(
                Instant.EPOCH, departures.state(departure("305")).at().plusSeconds(2));
        Answer first = send(FeedWriter.aircraft(at_us, null, null, power(at_us, Switch.OFF, "windmill")));
        assertThat(first.status()).isEqualTo(200);
        assertThat(first.body().path("flagged").values())
                .extracting(JsonNode::asString)
                .containsExactly(
                        "voltage_v of 400.0 is outside 0.0 to 300.0",
                        "'windmill' is no source, tie or bus of this type");
        send(FeedWriter.aircraft(at_us + 100_000, null, null, power(at_us + 100_000, Switch.OFF, "ground")));
        assertThat(events("PowerShown")).hasSize(1);
        send(FeedWriter.aircraft(at_us + 200_000, null, null, power(at_us + 200_000, Switch.ON, "ground")));
        assertThat(events("PowerShown")).hasSize(2);
        Progress progress = departures.state(departure("305")).progress();
        assertThat(progress.value(Names.state("ground-on"))).contains(new Value.YesNo(true));
        assertThat(progress.value(Names.state("main-1"))).contains(new Value.YesNo(true));
        send(FeedWriter.aircraft(at_us + 150_000, null, null, power(at_us + 150_000, Switch.OFF, "ground")));
        assertThat(events("PowerShown")).as("what is older tells nothing").hasSize(2);
    }

    private static PowerSample power(long at_us, Switch on, String beside) {
        return new PowerSample(
                at_us,
                beside.equals("ground")
                        ? Map.of("ground", new PowerSample.OfSource(Switch.ON, on, 28, 0))
                        : Map.of(
                                "ground",
                                new PowerSample.OfSource(Switch.ON, on, 28, 0),
                                beside,
                                new PowerSample.OfSource(Switch.ON, on, 400, 0)),
                Map.of(),
                Map.of());
    }

    private static UnitsSample units(long at_us, Phase phase, Position where) {
        UnitsSample.One one =
                new UnitsSample.One(phase, Double.NaN, where, null, Double.NaN, "", Switch.OFF, Switch.ON);
        return new UnitsSample(at_us, List.of(one, one));
    }

    @Test
    @Order(30)
    void whatComesLateInAnyOrderIsJudgedOnArrival() throws Exception {
        Instant begin = Instant.parse("2026-05-04T12:00:00Z");
        List<Sample> samples = new ArrayList<>(SimulatedStart.of(PROFILE).samples(90));
        List<Sample> held = new ArrayList<>(samples.subList(250, 290));
        send(lines(samples.subList(0, 1), begin.minusSeconds(60)));
        int findings = events("FindingRaised").size();
        send(lines(samples.subList(0, 250), begin));
        send(lines(samples.subList(290, 400), begin));
        Collections.shuffle(held, new java.util.Random(1));
        assertThat(send(lines(held, begin)).body().path("late").intValue()).isEqualTo(40);
        send(lines(samples.subList(400, samples.size()), begin));
        assertThat(events("AttemptEnded"))
                .last()
                .satisfies(event -> assertThat(
                                event.path("payload").path("outcome").asString())
                        .isEqualTo("NORMAL"));
        assertThat(events("FindingRaised")).hasSize(findings);
        List<Sample> again = List.of(samples.get(270));
        assertThat(send(lines(again, begin)).body().path("repeated").intValue()).isEqualTo(1);
    }

    @Test
    @Order(31)
    void aDelayOnTheWayNeverMakesAFinding() throws Exception {
        Instant begin = Instant.parse("2026-05-04T12:30:00Z");
        List<Sample> samples = SimulatedStart.of(PROFILE).samples(90);
        int before = events("FindingRaised").size();
        // Held up for four seconds of life around light-off: the watch ticks on, and nothing but silence is noticed.
        send(lines(samples.subList(0, 230), begin));
        Thread.sleep(4000);
        JsonNode silent = answer(mvc.perform(get("/api/departures/" + departure("305") + "/starts")
                                .with(as("strand")))
                        .andReturn()
                        .getResponse())
                .body()
                .path("engines")
                .path(0)
                .path("view");
        assertThat(silent.path("verdict").path("call").asString()).isEqualTo("BLIND");
        send(lines(samples.subList(230, samples.size()), begin));
        assertThat(events("FindingRaised")).hasSize(before);
        assertThat(events("AttemptEnded"))
                .last()
                .satisfies(event -> assertThat(
                                event.path("payload").path("outcome").asString())
                        .isEqualTo("NORMAL"));
        assertThat(events("SightLost")).isNotEmpty();
    }

    @Test
    @Order(32)
    void oneLineWithAClockAheadSpoilsNothingButItself() throws Exception {
        Instant begin = Instant.parse("2026-05-04T12:45:00Z");
        List<Sample> samples = SimulatedStart.of(PROFILE).samples(90);
        send(lines(samples.subList(0, 200), begin));
        String ahead = Instant.now().plusSeconds(3600).toString();
        Answer answer = send("{\"t\":\"" + ahead
                + "\",\"subject\":\"apu\",\"starter\":0}\n"
                + "{\"t\":\"2199-01-01T00:00:00Z\",\"subject\":\"engine:2\",\"n2_pct\":20}\n"
                + "{\"t\":\"" + ahead + "\",\"subject\":\"aircraft\",\"duct_kpa\":240}\n");
        assertThat(answer.body().path("ahead").intValue()).isEqualTo(3);
        assertThat(answer.body().path("clock").asString()).contains("ahead of the server's clock");
        assertThat(send(lines(samples.subList(200, samples.size()), begin))
                        .body()
                        .path("accepted")
                        .intValue())
                .isEqualTo(samples.size() - 200);
        assertThat(events("AttemptEnded"))
                .last()
                .satisfies(event -> assertThat(
                                event.path("payload").path("outcome").asString())
                        .isEqualTo("NORMAL"));
        assertThat(answer(mvc.perform(get("/api/feeds").with(as("kvale")))
                                .andReturn()
                                .getResponse())
                        .body()
                        .path("feeds")
                        .values())
                .anySatisfy(row -> assertThat(row.path("news").asString("")).contains("ahead of the server's clock"));
    }

    @Test
    @Order(33)
    void ofTwoBoxesOneIsLiveAndTheOtherIsToldSo() throws Exception {
        Instant begin = Instant.parse("2026-05-04T12:55:00Z");
        send(lines(SimulatedStart.of(PROFILE).samples(1), begin));
        int attached = events("FeedAttached").size();
        feed = issued(TAIL);
        for (int i = 0; i < 5; i++) {
            Answer other = send(lines(SimulatedStart.of(PROFILE).samples(1), begin.plusSeconds(10 + i)));
            assertThat(other.body().path("ignored").intValue()).isPositive();
            assertThat(other.body().path("flagged").path(0).asString()).contains("is live for this tail");
        }
        assertThat(events("FeedAttached")).hasSize(attached);
    }

    @Test
    @Order(40)
    void impossibleReadingsAreFlaggedAndTheirLossIsNeverJudgedAsFine() throws Exception {
        Instant begin = Instant.parse("2026-05-04T13:00:00Z");
        List<Sample> samples = SimulatedStart.of(PROFILE).samples(40);
        String broken = lines(samples.subList(0, 150), begin)
                + lines(samples.subList(150, samples.size()), begin)
                        .replaceAll("\"egt_c\":[-0-9.E]+", "\"egt_c\":5000")
                        .replaceAll("\"n2_pct\":[-0-9.E]+", "\"n2_pct\":900");
        Answer answer = send(broken);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().path("flagged").size()).isEqualTo(2 * (samples.size() - 150));
        JsonNode engine = answer(mvc.perform(get("/api/departures/" + departure("305") + "/starts")
                                .with(as("strand")))
                        .andReturn()
                        .getResponse())
                .body()
                .path("engines")
                .path(0)
                .path("view");
        assertThat(engine.path("verdict").path("call").asString()).isEqualTo("BLIND");
    }

    @Test
    @Order(50)
    void aMalformedLineRefusesTheWholeBatch() throws Exception {
        Instant begin = Instant.parse("2026-05-04T14:00:00Z");
        String good = lines(SimulatedStart.of(PROFILE).with(Failure.HOT).samples(1), begin);
        long before = departures.state(departure("305")).seq();
        Answer refused = send(good + "{\"t\":\"2026-05-04T14:00:09Z\",\"subject\":\"engine:2\",\"n2_pct\":\"fast\"}\n");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.slug()).isEqualTo("feed-invalid");
        assertThat(refused.body().path("detail").asString()).startsWith("line " + (good.split("\n").length + 1) + ": ");
        assertThat(departures.state(departure("305")).seq()).isEqualTo(before);
        assertThat(send(good).body().path("accepted").intValue()).isEqualTo(good.split("\n").length);
    }

    @Test
    @Order(60)
    void withoutTheRightTokenNothingIsTaken() throws Exception {
        String batch = lines(SimulatedStart.of(PROFILE).samples(1), Instant.parse("2026-05-04T15:00:00Z"));
        assertThat(send("0".repeat(64), batch))
                .extracting(Answer::status, Answer::slug)
                .containsExactly(401, "feed-token");
        Feed other = issued("QX-LOM");
        assertThat(send(other.token(), batch))
                .extracting(Answer::status, Answer::slug)
                .containsExactly(401, "feed-token");
        assertThat(answer(mvc.perform(post("/api/feeds/" + feed.id() + "/samples")
                                        .contentType("application/x-ndjson")
                                        .content(batch))
                                .andReturn()
                                .getResponse())
                        .slug())
                .isEqualTo("feed-token");
        mvc.perform(delete("/api/feeds/" + feed.id()).with(as("kvale")).with(csrf()));
        box = null;
        assertThat(send(batch)).extracting(Answer::status, Answer::slug).containsExactly(401, "feed-token");
    }

    @Test
    @Order(70)
    void onlyAnAdministratorIssuesAndRevokes() throws Exception {
        assertThat(answer(mvc.perform(post("/api/feeds")
                                        .with(as("halden"))
                                        .with(csrf())
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content("{\"tail\":\"QX-LOM\",\"label\":\"mine\"}"))
                                .andReturn()
                                .getResponse())
                        .status())
                .isEqualTo(403);
        assertThat(answer(mvc.perform(delete("/api/feeds/" + feed.id())
                                        .with(as("halden"))
                                        .with(csrf()))
                                .andReturn()
                                .getResponse())
                        .status())
                .isEqualTo(403);
        assertThat(answer(mvc.perform(post("/api/feeds")
                                        .with(as("kvale"))
                                        .with(csrf())
                                        .contentType(MediaType.APPLICATION_JSON)
                                        .content("{\"tail\":\"QX-NOT\",\"label\":\"mine\"}"))
                                .andReturn()
                                .getResponse())
                        .status())
                .isEqualTo(400);
    }

    @Test
    @Order(80)
    void theFeedsAreListedToAnAdministratorWithoutTheirTokens() throws Exception {
        assertThat(answer(mvc.perform(get("/api/feeds").with(as("halden")))
                                .andReturn()
                                .getResponse())
                        .status())
                .isEqualTo(403);
        Answer listed = answer(
                mvc.perform(get("/api/feeds").with(as("kvale"))).andReturn().getResponse());
        assertThat(listed.body().path("tails").values())
                .extracting(JsonNode::asString)
                .contains("QX-TRY", "QX-PIL");
        assertThat(listed.body().path("feeds").values())
                .anySatisfy(row -> {
                    assertThat(row.path("id").asString()).isEqualTo(feed.id().toString());
                    assertThat(row.path("label").asString()).isEqualTo("Box of " + TAIL);
                    assertThat(row.has("revokedAt")).isFalse();
                })
                .anySatisfy(row -> assertThat(row.has("revokedAt")).isTrue());
        assertThat(listed.body().toString()).doesNotContain(feed.token());
    }

    @Test
    @Order(80)
    void aTailWithoutAWorkedDepartureHasItsReadingsIgnored() throws Exception {
        fleet.add("vardholm", new Fleet.Tail("QX-NIL", "HAVERN-2M", List.of()));
        feed = issued("QX-NIL");
        Answer ignored = send(lines(SimulatedStart.of(PROFILE).samples(1), Instant.parse("2026-05-04T16:00:00Z")));
        assertThat(ignored.body().path("ignored").intValue()).isEqualTo(31);
        assertThat(ignored.body().path("accepted").intValue()).isZero();
    }

    @Test
    @Order(100)
    void aStarterThatWasOnBeforeTheFirstReadingIsNotJudged() throws Exception {
        feed = issued("QX-PIL");
        StartProfile turboprop = StartProfiles.of("LOMVI-T1");
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, Instant.parse("2026-05-04T17:00:00Z"));
        String cranking = FeedWriter.batch(
                Subject.engine(1),
                SimulatedStart.of(turboprop).samples(10).stream()
                        .filter(sample -> sample.at_us() > 4_000_000)
                        .map(sample -> sample.at(begin_us + sample.at_us()))
                        .toList(),
                turboprop.drive().engine());
        assertThat(send(cranking).status()).isEqualTo(200);
        JsonNode view = answer(mvc.perform(get("/api/departures/" + departure("603") + "/starts")
                                .with(as("strand")))
                        .andReturn()
                        .getResponse())
                .body()
                .path("engines")
                .path(0)
                .path("view");
        assertThat(view.path("running").booleanValue()).isFalse();
        assertThat(view.path("verdict").path("call").asString()).isIn("RESTING", "BLIND");
    }

    @Test
    @Order(90)
    void aBatchOverAMegabyteIsRefusedBeforeItIsRead() throws Exception {
        assertThat(send("{\"pad\":\"" + "x".repeat(1_100_000) + "\"}"))
                .extracting(Answer::status, Answer::slug)
                .containsExactly(413, "too-large");
    }
}
