package org.skelda.formats.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Whatever is changed in a record, the verifier names the place. */
class RecordVerifierTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final KeyPair KEYS = keys();
    private static final RecordSeal SEAL = new RecordSeal(KEYS);
    private final List<String> sealed = SampleLog.sealed();

    private static KeyPair keys() {
        try {
            return KeyPairGenerator.getInstance("Ed25519").generateKeyPair();
        } catch (NoSuchAlgorithmException e) {
            throw new AssertionError(e);
        }
    }

    static IntStream places() {
        return IntStream.range(0, SampleLog.events().size());
    }

    private static RecordVerifier.Result verify(List<String> events) {
        return RecordVerifier.verify(DepartureRecord.write(events, SEAL));
    }

    @Test
    void anUntouchedRecordIsWholeHoweverItIsFormatted() {
        String record = DepartureRecord.write(sealed, SEAL);
        assertThat(RecordVerifier.verify(record)).satisfies(result -> {
            assertThat(result.faults()).isEmpty();
            assertThat(result.signed()).isTrue();
            assertThat(result.events()).isEqualTo(sealed.size());
        });
        assertThat(RecordVerifier.verify(JSON.writeValueAsString(JSON.readTree(record)))
                        .whole())
                .isTrue();
    }

    @ParameterizedTest
    @MethodSource("places")
    void aChangedEventIsNamed(int place) {
        List<String> changed = new ArrayList<>(sealed);
        ObjectNode node = (ObjectNode) JSON.readTree(changed.get(place));
        ((ObjectNode) node.get("actor")).put("name", "Someone Else");
        changed.set(place, node.toString());
        assertThat(verify(changed).faults())
                .singleElement()
                .asString()
                .startsWith("Event " + (place + 1) + " (")
                .contains("was changed after it was written");
    }

    @ParameterizedTest
    @MethodSource("places")
    void aChangedEventThatWasSealedAgainBreaksTheNext(int place) {
        List<String> changed = new ArrayList<>(sealed);
        ObjectNode node = (ObjectNode) JSON.readTree(changed.get(place));
        node.put("at", "2026-05-04T11:11:11Z");
        HashChain.seal(node, node.get("prevHash").asString());
        changed.set(place, node.toString());
        if (place < sealed.size() - 1) {
            assertThat(verify(changed).faults())
                    .first()
                    .asString()
                    .startsWith("Event " + (place + 2) + " (")
                    .contains("does not follow");
        }
    }

    @ParameterizedTest
    @MethodSource("places")
    void anEventTakenOutIsNoticedWhereItWas(int place) {
        List<String> changed = new ArrayList<>(sealed);
        changed.remove(place);
        String record = place == 0 || place == sealed.size() - 1
                ? DepartureRecord.write(sealed, SEAL)
                        .replace(JSON.readTree(sealed.get(place)).path("hash").asString(), "0".repeat(64))
                : DepartureRecord.write(changed, SEAL);
        assertThat(RecordVerifier.verify(record).whole()).isFalse();
        if (place > 0 && place < sealed.size() - 1) {
            assertThat(RecordVerifier.verify(record).faults())
                    .anyMatch(fault -> fault.contains("stands at place " + (place + 1)));
        }
    }

    @Test
    void aCutOffEndAndAnotherPackAreNoticed() {
        ObjectNode record = (ObjectNode) JSON.readTree(DepartureRecord.write(sealed, SEAL));
        ((tools.jackson.databind.node.ArrayNode) record.get("events")).remove(sealed.size() - 1);
        assertThat(RecordVerifier.verify(record.toString()).faults())
                .anyMatch(fault -> fault.contains("cut off at the end"));
        ObjectNode other = (ObjectNode) JSON.readTree(DepartureRecord.write(sealed, SEAL));
        ((ObjectNode) other.get("packs")).put("typeHash", "c".repeat(64));
        assertThat(RecordVerifier.verify(other.toString()).faults()).anyMatch(fault -> fault.contains("pack hashes"));
    }

    @Test
    void theStartsInShortSayWhatTheEventsSayAndAChangeIsNoticed() {
        ObjectNode record = (ObjectNode) JSON.readTree(DepartureRecord.write(sealed, SEAL));
        assertThat(record.path("starts").values())
                .extracting(start -> start.path("engine").intValue() + "/"
                        + start.path("number").intValue())
                .containsExactly("2/1");
        assertThat(record.at("/starts/0/findings/0/id").asString()).isEqualTo("HOT_PREDICTED");
        assertThat(record.at("/starts/0/milestones/LIGHT_OFF").doubleValue()).isEqualTo(24.2);
        assertThat(record.at("/starts/0/traceSha256").asString()).isEqualTo("c".repeat(64));
        ((ObjectNode) record.at("/starts/0")).put("outcome", "NORMAL");
        assertThat(RecordVerifier.verify(record.toString()).faults())
                .singleElement()
                .asString()
                .startsWith("The starts in short");
        record.remove("starts");
        assertThat(RecordVerifier.verify(record.toString()).whole()).isTrue();
    }

    @Test
    void aSealIsOfTheRecordsHeadAndOfNobodyElse() {
        String record = DepartureRecord.write(sealed, SEAL);
        assertThat(RecordVerifier.verify(record).seal()).isEqualTo(new RecordVerifier.Seal.Fits(KEYS.getPublic()));
        ObjectNode bare = (ObjectNode) JSON.readTree(record);
        bare.remove("seal");
        assertThat(RecordVerifier.verify(bare.toString()).seal()).isEqualTo(new RecordVerifier.Seal.None());
        KeyPair others = keys();
        assertThat(RecordVerifier.verify(DepartureRecord.write(sealed, new RecordSeal(others)))
                        .seal())
                .isEqualTo(new RecordVerifier.Seal.Fits(others.getPublic()));
    }

    /** Hashes need no secret: whoever changes an event can make the whole chain fit again, but not the seal. */
    @ParameterizedTest
    @MethodSource("places")
    void aRecordWhoseChainWasMadeToFitAgainBearsABrokenSeal(int place) {
        ObjectNode record = (ObjectNode) JSON.readTree(DepartureRecord.write(sealed, SEAL));
        ((ObjectNode) record.at("/events/" + place + "/actor")).put("name", "Someone Else");
        String hash = HashChain.seed(
                java.util.UUID.fromString(record.path("departureId").asString()),
                record.at("/packs/typeHash").asString(),
                record.at("/packs/procedureHash").asString());
        for (var event : record.path("events")) {
            hash = HashChain.seal((ObjectNode) event, hash);
        }
        record.put("headHash", hash);
        assertThat(RecordVerifier.verify(record.toString())).satisfies(result -> {
            assertThat(result.faults()).isEmpty();
            assertThat(result.seal()).isEqualTo(new RecordVerifier.Seal.Broken());
        });
    }

    @Test
    void whatIsThereTwiceOrUnknownOrNoNumberIsRefused() {
        String record = JSON.writeValueAsString(JSON.readTree(DepartureRecord.write(sealed, SEAL)));
        String payload = record.substring(record.indexOf("\"payload\":"), record.indexOf("\"payload\":") + 12);
        assertThatThrownBy(() -> RecordVerifier.verify(
                        record.replaceFirst("\"payload\":", "\"payload\":{\"flight\":\"999\"},\"payload\":")))
                .as("two of " + payload)
                .isInstanceOf(RecordVerifier.NotARecord.class)
                .hasMessageContaining("payload");
        assertThatThrownBy(() -> RecordVerifier.verify(record + "{}")).isInstanceOf(RecordVerifier.NotARecord.class);
        assertThat(RecordVerifier.verify(record.replaceFirst("\"schema\":1", "\"schema\":1,\"note\":\"x\""))
                        .faults())
                .singleElement()
                .asString()
                .contains("a field 'note'");
        assertThat(RecordVerifier.verify(record.replaceFirst("\"actor\":\\{", "\"actor\":{\"rank\":\"x\","))
                        .faults())
                .anyMatch(fault -> fault.startsWith("Event 1 ") && fault.contains("a field 'actor.rank'"));
        for (String number : new String[] {"1e999", "123456789012345678901234567890"}) {
            assertThat(RecordVerifier.verify(
                                    record.replaceFirst("\"latitude_deg\":[0-9.]+", "\"latitude_deg\":" + number))
                            .faults())
                    .anyMatch(
                            fault -> fault.startsWith("Event 1 ") && fault.contains("which no event can hold exactly"));
        }
    }

    @Test
    void deepAndLongInputIsToldInOneSentence() {
        for (String text : List.of(
                "[".repeat(100_000),
                "{\"a\":".repeat(50),
                "[" + "1,".repeat(2_100_000) + "1]",
                "[" + "9".repeat(500) + "]",
                "{\"" + "n".repeat(300) + "\":1}")) {
            assertThatThrownBy(() -> RecordVerifier.verify(text))
                    .isInstanceOf(RecordVerifier.NotARecord.class)
                    .hasMessageContaining("than any record");
        }
    }

    @Test
    void aRecordFitsItsPublishedSchemaAndAnotherDocumentDoesNot() throws Exception {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("../packs/schema/record.schema.json")), InputFormat.JSON);
        ObjectNode record = (ObjectNode) JSON.readTree(DepartureRecord.write(sealed, SEAL));
        assertThat(schema.validate(record)).isEmpty();
        ((ObjectNode) record.at("/events/3")).put("hash", "short");
        ((ObjectNode) record.at("/starts/0")).put("number", 0);
        assertThat(schema.validate(record))
                .extracting(error -> error.getInstanceLocation().toString())
                .containsExactlyInAnyOrder("/events/3/hash", "/starts/0/number");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "{",
                "[]",
                "7",
                "{\"document\":\"record\",\"schema\":2,\"events\":[]}",
                "{\"document\":\"record\",\"schema\":1,\"events\":[]}"
            })
    void whatIsNoRecordIsRefusedInOneSentence(String text) {
        assertThatThrownBy(() -> RecordVerifier.verify(text)).isInstanceOf(RecordVerifier.NotARecord.class);
    }
}
