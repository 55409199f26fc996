package org.skelda.app.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.app.ServerTest;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.OtherOperator;
import org.skelda.formats.record.RecordVerifier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Commands over HTTP on a real H2 file: every refusal is a problem of the catalogue, and stores nothing by halves. */
@ServerTest
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class CommandsTest {
    private static final long ALL = 1_000_000;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Accounts accounts;

    @Autowired
    private JdbcClient database;

    @Autowired
    private Departures departures;

    @Autowired
    private LiveDepartures live;

    private CrewOverHttp captain;
    private CrewOverHttp officer;
    private String id;

    @BeforeEach
    void sit() throws Exception {
        captain = new CrewOverHttp(mvc, accounts.findByAccountName("halden").orElseThrow());
        officer = new CrewOverHttp(mvc, accounts.findByAccountName("stenvik").orElseThrow());
        id = captain.departure("214");
        captain.ask(id, ALL, "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\"");
    }

    private long head() throws Exception {
        return captain.read("/api/departures/" + id + "/view")
                .body()
                .path("seq")
                .longValue();
    }

    @ParameterizedTest(name = "{0} {1} is {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "MEASURE|\"line\":\"walk-around/engine-2-oil\",\"value\":400,\"unit\":\"L\"|out-of-range",
                "MEASURE|\"line\":\"walk-around/engine-2-oil\",\"value\":12,\"unit\":\"kg\"|unit-unknown",
                "MEASURE|\"line\":\"walk-around/engine-2-oil\",\"unit\":\"L\"|bad-request",
                "MEASURE|\"line\":\"walk-around/engine-2-oil\",\"value\":\"NaN\",\"unit\":\"L\"|out-of-range",
                "ANSWER|\"line\":\"walk-around/engine-2-oil\"|wrong-answer",
                "ANSWER|\"line\":\"nowhere/nothing\"|unknown-line",
                "ANSWER|\"line\":\"NO LINE\"|bad-request",
                "ANSWER|\"line\":\"apu/bleed\"|gate-closed",
                "ANSWER|\"line\":\"walk-around/tail\",\"doneAt\":\"2099-01-01T00:00:00Z\"|out-of-range",
                "ANSWER|\"line\":\"walk-around/tail\",\"doneAt\":\"noon\"|bad-request",
                "DEVIATE|\"line\":\"apu/bleed\",\"reason\":\"trial\"|gate-closed",
                "DEVIATE|\"line\":\"apu/bleed\",\"reason\":\" \"|reason-missing",
                "CONFIRM|\"line\":\"before-start/c-fuel\"|nothing-there",
                "UNDO|\"line\":\"walk-around/tail\"|nothing-there",
                "HOLD|\"procedure\":\"nowhere\",\"reason\":\"x\"|unknown-line",
                "RESUME|\"procedure\":\"apu\"|nothing-there",
                "TAKE_SEAT|\"seat\":\"RIGHT\",\"role\":\"MONITORING\"|seat-held",
                "RELEASE_SEAT|\"seat\":\"RIGHT\"|not-seated",
                "HAND_OVER_SEAT|\"seat\":\"LEFT\",\"to\":\"nobody\"|bad-request",
                "AMEND|\"text\":\"note\"|departure-closed",
                "SIGN|\"password\":\"wrong\"|sign-in",
                "SIGN|\"password\":\"skerry-light\"|lines-open",
                "GIVE_FACT|\"fact\":\"moon\",\"yes\":true|unknown-fact",
                "GIVE_FACT|\"fact\":\"oat_c\",\"number\":50,\"unit\":\"degF\"|unit-unknown",
                "GIVE_FACT|\"fact\":\"oat_c\",\"yes\":true|unit-unknown",
                "GIVE_FACT|\"fact\":\"icing\",\"number\":1,\"unit\":\"\"|unit-unknown",
                "GIVE_FACT|\"fact\":\"oat_c\",\"number\":150,\"unit\":\"degC\"|out-of-range",
                "GIVE_FACT|\"fact\":\"oat_c\",\"number\":\"NaN\",\"unit\":\"degC\"|out-of-range",
                "GIVE_FACT|\"fact\":\"oat_c\"|bad-request",
                "GIVE_FACT|\"fact\":\"oat_c\",\"number\":3,\"unit\":\"degC\",\"yes\":true|bad-request",
                "CHOOSE|\"line\":\"securing/stay\",\"choice\":\"sideways\"|wrong-answer",
                "CHOOSE|\"line\":\"walk-around/tail\",\"choice\":\"full\"|wrong-answer",
                "FIND|\"line\":\"walk-around/tail\",\"what\":\"RUST\",\"severity\":\"MINOR\""
                        + ",\"words\":\"x\"|bad-request",
                "FIND|\"line\":\"walk-around/tail\",\"what\":\"WORN\",\"severity\":\"MINOR\"|bad-request",
                "FIND|\"line\":\"panels/altimeters\",\"what\":\"WORN\",\"severity\":\"MINOR\""
                        + ",\"words\":\"x\"|wrong-answer",
                "SETTLE|\"line\":\"walk-around/tail\",\"finding\":0,\"verdict\":\"GO\""
                        + ",\"reason\":\"x\"|nothing-there",
                "COMPARE|\"line\":\"panels/altimeters\",\"values\":[118],\"unit\":\"ft\"|bad-request",
                "COMPARE|\"line\":\"panels/altimeters\",\"values\":[118,119],\"unit\":\"ft\"|wrong-answer",
                "COMPARE|\"line\":\"panels/altimeters\",\"values\":[118,119,120],\"unit\":\"m\"|unit-unknown",
                "COMPARE|\"line\":\"panels/altimeters\",\"values\":[118,119,99999],\"unit\":\"ft\"|out-of-range",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{}|reason-missing",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{\"moon\":\"3\"}|reason-missing",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{\"count\":\"900\"}|out-of-range",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{\"count\":\"3\""
                        + ",\"moon\":\"3\"}|wrong-answer",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{\"count\":\"many\"}|wrong-answer",
                "HEAR|\"line\":\"ground-cabin/people-on-board\",\"values\":{\"count\":\"1e1\"}|wrong-answer",
                "SEE_POSITION|\"line\":\"after-start/flight-controls\",\"axis\":\"yaw\""
                        + ",\"position\":\"left\",\"right\":true|gate-closed",
                "SEE_INDICATION|\"line\":\"fire-tests/fire-test\",\"phase\":\"held\",\"indication\":\"moon\""
                        + ",\"lit\":true|wrong-answer",
                "SEE_GROUP|\"line\":\"fire-tests/fire-test\",\"phase\":\"later\""
                        + ",\"group\":\"fire-panel\"|wrong-answer",
                "SEE_GROUP|\"line\":\"fire-tests/fire-test\",\"phase\":\"held\""
                        + ",\"group\":\"fire-panel\"|gate-closed",
                "TEST_AGAIN|\"line\":\"fire-tests/fire-test\"|nothing-there",
                "ANSWER|\"line\":\"fire-tests/fire-test\"|wrong-answer",
                "SAY|\"line\":\"before-start/c-fuel\",\"value\":6840,\"unit\":\"lb\"|gate-closed",
                "TELL_APU|\"tap\":\"LAUNCH\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|bad-request",
                "TELL_APU|\"tap\":\"MASTER_ON\"|bad-request",
                "TELL_APU|\"tap\":\"MASTER_ON\",\"tappedAt\":\"2020-01-01T00:00:00Z\"|out-of-range",
                "TELL_APU|\"tap\":\"GENERATOR_ON\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|nothing-there",
                "TELL_APU|\"tap\":\"STOPPED_ITSELF\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|reason-missing",
                "UNTELL_APU||nothing-there",
                "TYPE_APU_PEAK|\"starting\":true,\"peak_c\":812|nothing-there",
                "TYPE_APU_PEAK|\"starting\":true|bad-request",
                "TELL_UNITS|\"tap\":\"SPIN\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|bad-request",
                "TELL_UNITS|\"tap\":\"ON\"|bad-request",
                "TELL_UNITS|\"tap\":\"ON\",\"units\":[1,2,3,4,5],\"tappedAt\":\"2099-01-01T00:00:00Z\"|bad-request",
                "TELL_UNITS|\"tap\":\"ON\",\"units\":[7],\"tappedAt\":\"2099-01-01T00:00:00Z\"|nothing-there",
                "TELL_UNITS|\"tap\":\"ON\",\"tappedAt\":\"2020-01-01T00:00:00Z\"|out-of-range",
                "TELL_UNITS|\"tap\":\"NAVIGATION\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|nothing-there",
                "TELL_UNITS|\"tap\":\"POSITION\",\"tappedAt\":\"2099-01-01T00:00:00Z\"|not-readable",
                "TELL_UNITS|\"tap\":\"POSITION\",\"position\":\"N91 00.0 W010 49.2\","
                        + "\"tappedAt\":\"2099-01-01T00:00:00Z\"|not-readable",
                "TELL_UNITS|\"tap\":\"POSITION\",\"position\":\"N62 60.0 W010 49.2\","
                        + "\"tappedAt\":\"2099-01-01T00:00:00Z\"|not-readable",
                "TELL_UNITS|\"tap\":\"POSITION\",\"position\":\"N62 24.6 N010 49.2\","
                        + "\"tappedAt\":\"2099-01-01T00:00:00Z\"|not-readable",
                "TELL_UNITS|\"tap\":\"CODE\",\"code\":\"much too long a code\","
                        + "\"tappedAt\":\"2099-01-01T00:00:00Z\"|not-readable",
                "UNTELL_UNITS||nothing-there",
                "TAP_CONTROL|\"control\":\"apu/hatch\",\"position\":\"on\"|nothing-there",
                "LAUNCH||bad-request",
                "ABANDON|\"reason\":\"\"|reason-missing"
            })
    void everyWrongRequestIsAProblemAndChangesNothing(String ask, String fields, String slug) throws Exception {
        long before = head();
        CrewOverHttp.Answer answer = captain.ask(id, ALL, ask, fields == null ? "" : fields);
        assertThat(answer.slug()).as(answer.body().toString()).isEqualTo(slug);
        assertThat(answer.status()).isBetween(400, 499);
        assertThat(answer.body().path("detail").asString()).isNotBlank().doesNotContain("Exception");
        assertThat(answer.body().path("todo").asString()).isNotBlank();
        assertThat(head()).isEqualTo(before);
    }

    @Test
    void aFindingOfTenThousandCharactersIsRefusedInOneSentenceAndKeptNowhere() throws Exception {
        long before = head();
        CrewOverHttp.Answer answer = captain.ask(
                id,
                ALL,
                "FIND",
                "\"line\":\"walk-around/tail\",\"what\":\"DAMAGE\",\"severity\":\"DOUBTFUL\",\"words\":\""
                        + "dent ".repeat(2000) + "\"");
        assertThat(answer.slug()).isEqualTo("bad-request");
        assertThat(answer.body().toString()).contains("words", "300").hasSizeLessThan(1000);
        assertThat(head()).isEqualTo(before);
    }

    @Test
    void theSameCommandAgainGivesTheSameAnswerAndAnotherUnderItsIdIsRefused() throws Exception {
        UUID command = UUID.randomUUID();
        CrewOverHttp.Answer first = captain.ask(id, command, ALL, "ANSWER", "\"line\":\"walk-around/left-rear\"");
        long head = head();
        CrewOverHttp.Answer again = captain.ask(id, command, ALL, "ANSWER", "\"line\":\"walk-around/left-rear\"");
        assertThat(again.body().path("first")).isEqualTo(first.body().path("first"));
        assertThat(again.body().path("last")).isEqualTo(first.body().path("last"));
        assertThat(captain.ask(id, command, ALL, "ANSWER", "\"line\":\"walk-around/tail\"")
                        .slug())
                .isEqualTo("command-reused");
        assertThat(officer.ask(id, command, ALL, "ANSWER", "\"line\":\"walk-around/left-rear\"")
                        .slug())
                .isEqualTo("command-reused");
        assertThat(head()).isEqualTo(head);
    }

    @Test
    void aRefusalIsRememberedAsTheAnswerToo() throws Exception {
        UUID command = UUID.randomUUID();
        CrewOverHttp.Answer refused = captain.ask(id, command, ALL, "ANSWER", "\"line\":\"apu/bleed\"");
        assertThat(captain.ask(id, command, ALL, "ANSWER", "\"line\":\"apu/bleed\"")
                        .body())
                .isEqualTo(refused.body());
    }

    @Test
    void aStaleAnswerIsAConflictThatNamesTheNewerEvent() throws Exception {
        long seen = head();
        officer.ask(id, ALL, "TAKE_SEAT", "\"seat\":\"RIGHT\",\"role\":\"MONITORING\"");
        CrewOverHttp.Answer first = officer.ask(id, ALL, "ANSWER", "\"line\":\"walk-around/left-wing\"");
        assertThat(first.status()).isEqualTo(200);
        CrewOverHttp.Answer stale = captain.ask(id, seen, "ANSWER", "\"line\":\"walk-around/left-wing\"");
        assertThat(stale.slug()).isEqualTo("conflict");
        assertThat(stale.body().path("newest")).isEqualTo(first.body().path("last"));
        assertThat(stale.body().path("newer").values()).singleElement().satisfies(event -> {
            assertThat(event.path("type").asString()).isEqualTo("LineAnswered");
            assertThat(event.path("actor").path("name").asString()).isEqualTo("Joar Stenvik");
        });
    }

    @Test
    void anotherOperatorSeesNothingOfIt() throws Exception {
        CrewOverHttp foreign = new CrewOverHttp(mvc, OtherOperator.account(accounts, database));
        assertThat(foreign.read("/api/departures").body().isEmpty()).isTrue();
        for (String path : new String[] {"", "/view", "/events", "/record", "/stream"}) {
            assertThat(foreign.read("/api/departures/" + id + path).slug())
                    .as(path)
                    .isEqualTo("not-found");
        }
        assertThat(foreign.ask(id, ALL, "ANSWER", "\"line\":\"walk-around/tail\"")
                        .slug())
                .isEqualTo("not-found");
    }

    @Test
    void oversizeAndUnreadableBodiesAreRefused() throws Exception {
        assertThat(captain.send(id, "x".repeat(70_000)).slug()).isEqualTo("too-large");
        assertThat(captain.send(id, "{").slug()).isEqualTo("bad-request");
        assertThat(violations(captain.send(id, "{}"))).containsExactly("ask");
        assertThat(violations(captain.send(id, "{\"ask\":\"MEASURE\"}")))
                .containsExactlyInAnyOrder("commandId", "seen", "line", "value", "unit");
        assertThat(captain.ask(id, ALL, "HOLD", "\"procedure\":\"apu\",\"reason\":\"" + "x".repeat(600) + "\"")
                        .slug())
                .isEqualTo("bad-request");
    }

    private static List<String> violations(CrewOverHttp.Answer answer) {
        assertThat(answer.slug()).isEqualTo("bad-request");
        return answer.body().path("violations").values().stream()
                .map(violation -> violation.path("field").asString())
                .toList();
    }

    @Test
    void aFactOfTheDayDecidesALineAndIsInTheLog() throws Exception {
        CrewOverHttp.Answer given = captain.ask(id, ALL, "GIVE_FACT", "\"fact\":\"icing\",\"yes\":false");
        assertThat(given.status()).as(given.body().toString()).isEqualTo(200);
        JsonNode view = captain.read("/api/departures/" + id + "/view").body();
        assertThat(view.path("factChange").path("lines").values())
                .extracting(JsonNode::asString)
                .containsExactly("after-start/anti-ice");
        assertThat(view.path("factChange").path("seq").longValue())
                .isEqualTo(given.body().path("last").longValue());
        JsonNode event = captain.read("/api/departures/" + id + "/events?after="
                        + (given.body().path("first").longValue() - 1))
                .body()
                .get(0);
        assertThat(event.path("payload").toString())
                .isEqualTo("{\"fact\":\"icing\",\"source\":\"crew\",\"value\":false,"
                        + "\"changed\":[{\"line\":\"after-start/anti-ice\",\"becomes\":\"not_needed\"}]}");
    }

    @Test
    void theLogReadBackIsAChainWithoutGaps() throws Exception {
        var events = captain.read("/api/departures/" + id + "/events?after=0").body();
        for (int i = 0; i < events.size(); i++) {
            assertThat(events.get(i).path("seq").intValue()).isEqualTo(i + 1);
            assertThat(i == 0
                            || events.get(i)
                                    .path("prevHash")
                                    .equals(events.get(i - 1).path("hash")))
                    .isTrue();
        }
    }

    /** A log of an earlier version, with the documents it was opened with, as it lies in a store. */
    @Test
    void aLogOfAnEarlierVersionOpensAndGoesOn() throws Exception {
        Path kept = Path.of("../formats/src/test/resources/kept/2026-11");
        List<String> log = Files.readAllLines(kept.resolve("working.log.jsonl"));
        JsonNode opening = JSON.readTree(log.getFirst()).path("payload");
        UUID departure = UUID.fromString(opening.path("departureId").asString());
        database.sql("merge into pack (hash, kind, document_id, type_id, stored_at, content) "
                        + "values (?, 'TYPE', 'kept-type', 'HAVERN-2M', now(), ?)")
                .params(opening.path("typeHash").asString(), Files.readString(kept.resolve("type.yaml")))
                .update();
        database.sql("merge into pack (hash, kind, document_id, type_id, stored_at, content) "
                        + "values (?, 'PROCEDURES', 'kept-procedures', 'HAVERN-2M', now(), ?)")
                .params(opening.path("procedureHash").asString(), Files.readString(kept.resolve("procedures.yaml")))
                .update();
        database.sql("insert into departure values (?, 'vardholm', now())")
                .params(departure)
                .update();
        for (String event : log) {
            JsonNode node = JSON.readTree(event);
            database.sql("insert into departure_event (departure_id, seq, operator_id, at, envelope) "
                            + "values (?, ?, 'vardholm', ?, ?)")
                    .params(
                            departure,
                            node.path("seq").longValue(),
                            OffsetDateTime.parse(node.path("at").asString()),
                            event)
                    .update();
        }
        CrewOverHttp.Answer view = captain.read("/api/departures/" + departure + "/view");
        assertThat(view.body().path("seq").intValue(0))
                .as(view.body().toString())
                .isEqualTo(log.size());
        CrewOverHttp.Answer seated = captain.ask(
                departure.toString(), ALL, "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\",\"reason\":\"goes on\"");
        assertThat(seated.body().path("first").intValue(0))
                .as(seated.body().toString())
                .isEqualTo(log.size() + 1);
        assertThat(captain.ask(
                                departure.toString(),
                                ALL,
                                "HOLD",
                                "\"procedure\":\"start-2\",\"reason\":\"to see it go on\"")
                        .status())
                .isEqualTo(200);
        assertThat(RecordVerifier.verify(departures.record(departure)).faults()).isEmpty();
    }

    @Test
    void aStoredLogThatWasChangedIsSaidAndNotShown() throws Exception {
        String other = captain.departure("312");
        String envelope = database.sql("select envelope from departure_event where departure_id = ? and seq = 1")
                .param(UUID.fromString(other))
                .query(String.class)
                .single();
        live.tidy(System.nanoTime() + Duration.ofHours(1).toNanos());
        database.sql("update departure_event set envelope = ? where departure_id = ? and seq = 1")
                .params(envelope.replace("\"stand\":\"", "\"stand\":\"9"), UUID.fromString(other))
                .update();
        try {
            CrewOverHttp.Answer answer = captain.read("/api/departures/" + other);
            assertThat(answer.slug()).isEqualTo("log-changed");
            assertThat(answer.body().path("detail").asString()).contains("Event 1 ");
            assertThat(captain.ask(other, ALL, "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\"")
                            .slug())
                    .isEqualTo("log-changed");
            assertThat(captain.read("/api/departures").body().values())
                    .as("the others are there all the same")
                    .hasSizeGreaterThan(1)
                    .anySatisfy(
                            row -> assertThat(row.path("waitsFor").path("text").asString())
                                    .contains("was changed"));
        } finally {
            database.sql("update departure_event set envelope = ? where departure_id = ? and seq = 1")
                    .params(envelope, UUID.fromString(other))
                    .update();
        }
        assertThat(captain.read("/api/departures/" + other).status())
                .as("put back from a backup")
                .isEqualTo(200);
    }
}
