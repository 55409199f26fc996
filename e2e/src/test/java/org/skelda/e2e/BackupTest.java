package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was backed up comes back whole elsewhere, and nothing is written over. */
class BackupTest {

    @Test
    void aRestoredFolderHoldsEveryEvent(@TempDir Path folder) throws Exception {
        Path backup = folder.resolve("backup.zip");
        String departure;
        List<String> before;
        try (TestServer server = TestServer.start(1)) {
            ApiClient crew = ApiClient.signIn(server, "oddsrud");
            departure = crew.departure("307");
            before = hashes(crew, departure);
            server.kill();
            assertThat(skelda("backup", backup, server.data())).contains("Backed up");
        }
        assertThat(skelda("backup", backup, folder)).contains("there is no data in");
        Path elsewhere = folder.resolve("elsewhere");
        assertThat(skelda("restore", backup, elsewhere)).contains("Restored");
        assertThat(skelda("restore", backup, elsewhere)).contains("is not empty; it was left alone");
        try (TestServer server = TestServer.startOn(elsewhere, 1)) {
            assertThat(hashes(ApiClient.signIn(server, "oddsrud"), departure))
                    .isNotEmpty()
                    .isEqualTo(before);
        }
    }

    /**
     * The server runs and is worked meanwhile: what was acknowledged before the backup began is in it, and nothing else
     * is lost by it.
     */
    @Test
    void aRunningServerIsBackedUpUnderLoad(@TempDir Path folder) throws Exception {
        Path backup = folder.resolve("backup.zip");
        Path elsewhere = folder.resolve("elsewhere");
        String departure;
        List<String> acknowledged;
        try (TestServer server = TestServer.start(1)) {
            ApiClient crew = ApiClient.signIn(server, "halden");
            departure = crew.departure("214");
            crew.command(
                    departure,
                    UUID.randomUUID(),
                    Integer.MAX_VALUE,
                    "TAKE_SEAT",
                    "\"seat\":\"LEFT\",\"role\":\"FLYING\"");
            AtomicBoolean go = new AtomicBoolean(true);
            List<String> answered = Collections.synchronizedList(new ArrayList<>());
            Thread load = Thread.ofVirtual().start(() -> {
                while (go.get()) {
                    for (String ask : new String[] {"ANSWER", "UNDO"}) {
                        UUID command = UUID.randomUUID();
                        if (crew.command(
                                                departure,
                                                command,
                                                Integer.MAX_VALUE,
                                                ask,
                                                "\"line\":\"walk-around/nose-gear\"")
                                        .status()
                                == 200) {
                            answered.add(command.toString());
                        }
                    }
                }
            });
            while (answered.size() < 100) {
                TestServer.pause(20);
            }
            acknowledged = List.copyOf(answered);
            assertThat(skelda("backup", backup, server.data())).contains("each checked");
            int during = answered.size();
            go.set(false);
            load.join();
            assertThat(during).as("it went on meanwhile").isGreaterThan(acknowledged.size());
            assertThat(skelda("restore", backup, elsewhere)).contains("Restored");
        }
        try (TestServer server = TestServer.startOn(elsewhere, 1)) {
            List<String> commands = new ArrayList<>();
            ApiClient.signIn(server, "halden")
                    .events(departure)
                    .forEach(event -> commands.add(event.path("commandId").asString()));
            assertThat(commands).containsAll(acknowledged).doesNotHaveDuplicates();
        }
    }

    private static List<String> hashes(ApiClient client, String departure) {
        List<String> hashes = new ArrayList<>();
        client.events(departure).forEach(event -> hashes.add(event.path("hash").asString()));
        return hashes;
    }

    private static String skelda(String command, Path file, Path data) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        System.getProperty("skelda.cli", "../skelda"),
                        command,
                        file.toString(),
                        "--data",
                        data.toString())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return output;
    }
}
