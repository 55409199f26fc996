package org.skelda.bench;

import com.github.f4b6a3.uuid.UuidCreator;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.app.SkeldaApplication;
import org.skelda.app.departure.Departures;
import org.skelda.app.feed.Feeds;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Accounts;
import org.skelda.app.procedure.Packs;
import org.skelda.core.crew.Person;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.record.Opening;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.formats.start.StartProfiles;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** A server in this process with so many worked departures, each with a feed of its own. */
final class LiveServer implements AutoCloseable {
    /** A person may have twenty streams open. */
    static final List<String> READERS = List.of("stenvik", "oddsrud", "vagsborg");

    static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");

    /** What the types' documents know of that type: its APU and its tests of warnings. */
    final TypeSheet type;

    private final ConfigurableApplicationContext server;
    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    final String address;
    final List<Tail> tails = new ArrayList<>();

    /** A departure that is worked, and the feed of its aircraft. */
    record Tail(String departure, Feeds.Issued feed) {}

    LiveServer(int departures) throws IOException {
        server = new SpringApplication(SkeldaApplication.class, NoOpController.class, BareStreamController.class)
                .run(
                        "--skelda.data=" + Files.createTempDirectory("skelda-bench"),
                        "--skelda.demo=true",
                        "--server.port=0");
        address = "http://127.0.0.1:" + server.getEnvironment().getProperty("local.server.port");
        Person captain = server.getBean(Accounts.class)
                .findByAccountName("halden")
                .orElseThrow()
                .person();
        Packs.Current packs = server.getBean(Packs.class).currentFor("vardholm", "HAVERN-2M");
        type = server.getBean(Packs.class).planFor("vardholm", "HAVERN-2M").type();
        BenchClient crew = new BenchClient(address, "halden");
        for (int i = 0; i < departures; i++) {
            UUID id = UuidCreator.getTimeOrderedEpoch();
            String tail = "QX-B" + i;
            server.getBean(Fleet.class).add("vardholm", new Fleet.Tail(tail, "HAVERN-2M", List.of()));
            server.getBean(Departures.class)
                    .open(
                            new Opening(
                                    id,
                                    Opening.Kind.LINE,
                                    "vardholm",
                                    tail,
                                    "HAVERN-2M",
                                    "B" + i,
                                    "QVAR",
                                    "QSKR",
                                    "4",
                                    62.41,
                                    -10.82,
                                    0,
                                    Instant.now().plusSeconds(3600),
                                    packs.typeHash(),
                                    packs.procedureHash(),
                                    List.of(),
                                    Map.of()),
                            captain,
                            Instant.now());
            crew.post(
                    "/api/departures/" + id + "/commands",
                    BenchClient.command(UUID.randomUUID(), "TAKE_SEAT", "\"seat\":\"LEFT\",\"role\":\"FLYING\""));
            tails.add(new Tail(
                    id.toString(),
                    server.getBean(Feeds.class).issue("vardholm", tail, "Bench", false, "bench", Instant.now())));
        }
    }

    /** One sample of engine 2. @throws IllegalStateException when it is not taken */
    void post(Tail tail, Sample sample) throws InterruptedException {
        post(tail, line(2, sample));
    }

    /** A sample of an engine as a line of a feed. */
    static String line(int engine, Sample sample) {
        return FeedWriter.line(Subject.engine(engine), sample, PROFILE.drive().engine()) + "\n";
    }

    /** Posts lines at the feed door. @throws IllegalStateException when they are not taken */
    void post(Tail tail, String lines) throws InterruptedException {
        try {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(URI.create(
                                    address + "/api/feeds/" + tail.feed().feed().id() + "/samples"))
                            .header("Content-Type", "application/x-ndjson")
                            .header("Authorization", "Bearer " + tail.feed().token())
                            .POST(HttpRequest.BodyPublishers.ofString(lines))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new IllegalStateException("the feed door answered " + answer.statusCode() + " " + answer.body());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        server.close();
    }
}
