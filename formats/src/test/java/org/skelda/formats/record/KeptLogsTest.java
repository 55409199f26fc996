package org.skelda.formats.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyPairGenerator;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Ask;
import org.skelda.core.departure.Command;
import org.skelda.core.departure.Deciding;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.departure.Event;
import org.skelda.core.departure.Viewing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.log.Decision;
import org.skelda.core.log.LogEntry;
import org.skelda.core.procedure.Plan;
import org.skelda.core.record.Opening;
import org.skelda.core.record.RecordEvent;
import org.skelda.formats.procedure.NoConditions;
import org.skelda.formats.procedure.PackReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What earlier versions wrote opens, verifies and goes on: a folder of it for each time that the form of something
 * changed.
 */
class KeptLogsTest {
    private static final Path KEPT = Path.of("src/test/resources/kept");
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static Stream<Path> kept() throws IOException {
        try (Stream<Path> folders = Files.list(KEPT)) {
            return folders.sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("kept")
    void aSignedRecordVerifies(Path folder) throws IOException {
        RecordVerifier.Result result = RecordVerifier.verify(Files.readString(folder.resolve("signed.record.json")));
        assertThat(result.faults()).isEmpty();
        assertThat(result.signed()).isTrue();
        assertThat(result.seal()).isInstanceOf(RecordVerifier.Seal.Fits.class);
        assertThat(result.events()).isGreaterThan(150);
    }

    @ParameterizedTest
    @MethodSource("kept")
    void aLogOpensAndGoesOn(Path folder) throws Exception {
        List<String> stored = new ArrayList<>(Files.readAllLines(folder.resolve("working.log.jsonl")));
        List<LogEntry<Event>> log = stored.stream().map(EventCodec::read).toList();
        Opening opening = ((RecordEvent.Opened) log.getFirst().event().fact()).opening();
        Plan plan = PackReader.plan(
                "type.yaml",
                Files.readAllBytes(folder.resolve("type.yaml")),
                "procedures.yaml",
                Files.readAllBytes(folder.resolve("procedures.yaml")),
                opening.modifications(),
                NoConditions.LANGUAGE);
        Departure departure = Departure.replay(plan, log);
        Instant now = departure.at().plusSeconds(1);
        DepartureView view = Viewing.view(departure, now);
        LineRef next = view.nextLeft();
        assertThat(next).isNotNull();
        Person captain = view.seats().getFirst().person();

        Command command = new Command(
                new UUID(1, 1), departure.seq(), null, Ask.of(new LineAsk.Deviate(next, "to see it go on", null)));
        Decision<Event> decision = Deciding.decide(departure, command, captain, now);
        assertThat(decision).isInstanceOf(Decision.Accepted.class);
        String head = JSON.readTree(stored.getLast()).path("hash").asString();
        for (Event event : ((Decision.Accepted<Event>) decision).events()) {
            LogEntry<Event> entry = new LogEntry<>(
                    new UUID(2, departure.seq()), departure.seq() + 1, now, null, captain, null, command.id(), event);
            ObjectNode envelope = EventCodec.write(entry);
            head = HashChain.seal(envelope, head);
            stored.add(JSON.writeValueAsString(envelope));
            departure = departure.apply(entry);
        }
        assertThat(departure.complete(next)).isTrue();
        RecordVerifier.Result result = RecordVerifier.verify(DepartureRecord.write(
                stored, new RecordSeal(KeyPairGenerator.getInstance("Ed25519").generateKeyPair())));
        assertThat(result.faults()).isEmpty();
        assertThat(result.events()).isEqualTo(stored.size());
    }

    /**
     * What is written today of an event of the newest version is what lies there, to the letter but for its place in
     * the chain.
     */
    @ParameterizedTest
    @MethodSource("kept")
    void eventsAreWrittenAsTheyWere(Path folder) throws IOException {
        for (String line : Files.readAllLines(folder.resolve("working.log.jsonl"))) {
            ObjectNode stored = (ObjectNode) JSON.readTree(line);
            JsonNode newest = EventCodec.newest(stored);
            if (newest == stored) {
                stored.remove(List.of("prevHash", "hash"));
                assertThat(JSON.writeValueAsString(EventCodec.write(EventCodec.read(line))))
                        .isEqualTo(JSON.writeValueAsString(stored));
            }
        }
    }
}
