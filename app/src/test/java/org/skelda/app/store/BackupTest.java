package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.app.ServerTest;
import org.skelda.app.door.DoorKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;

/** A backup of a server that runs: whole, checked, without sessions, and for the owner of the data folder alone. */
@ServerTest
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@TestPropertySource(properties = "skelda.demo=true")
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class BackupTest {
    @Autowired
    private DataFolder data;

    @Autowired
    private JdbcClient database;

    @LocalServerPort
    private int port;

    @TempDir
    private Path folder;

    private HttpResponse<String> ask(String file, String key) throws IOException, InterruptedException {
        try (HttpClient http = HttpClient.newHttpClient()) {
            return http.send(
                    HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/own/backup?file="
                                    + URLEncoder.encode(file, StandardCharsets.UTF_8)))
                            .header(DoorKey.HEADER, key)
                            .POST(HttpRequest.BodyPublishers.noBody())
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        }
    }

    private String key() throws IOException {
        Path door = data.path().resolve("run/door");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(door)))
                .isEqualTo("rw-------");
        return Files.readString(door).strip().split(" ")[1];
    }

    private static long count(Path zip, Path into, String table) throws IOException, SQLException {
        Path copy = into.resolve("opened.mv.db");
        try (ZipFile file = new ZipFile(zip.toFile())) {
            Files.copy(file.getInputStream(file.getEntry(Backup.DATABASE)), copy, StandardCopyOption.REPLACE_EXISTING);
        }
        try (Connection opened = DriverManager.getConnection(
                        "jdbc:h2:file:" + into.resolve("opened") + ";IFEXISTS=TRUE", "skelda", "");
                Statement statement = opened.createStatement();
                ResultSet rows = statement.executeQuery("SELECT COUNT(*) FROM " + table)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    @Test
    void itHoldsEveryEventAndNoSession() throws Exception {
        long sessions = 3;
        for (int i = 0; i < sessions; i++) {
            database.sql("insert into SPRING_SESSION values (?, ?, 0, 0, 43200, 9999999999999, 'somebody')")
                    .params("primary-" + i, "a-secret-session-" + i)
                    .update();
        }
        long events = database.sql("select count(*) from departure_event")
                .query(Long.class)
                .single();
        Path backup = folder.resolve("backup.zip");
        HttpResponse<String> answer = ask(backup.toString(), key());
        assertThat(answer.body()).contains("each checked");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(backup)))
                .isEqualTo("rw-------");
        assertThat(count(backup, folder, "departure_event")).isGreaterThanOrEqualTo(events);
        assertThat(count(backup, folder, "SPRING_SESSION")).isZero();
        try (ZipFile file = new ZipFile(backup.toFile())) {
            byte[] bytes = file.getInputStream(file.getEntry(Backup.DATABASE)).readAllBytes();
            assertThat(new String(bytes, StandardCharsets.ISO_8859_1)).doesNotContain("a-secret-session");
            assertThat(file.stream().map(entry -> entry.getName()))
                    .contains("keys/record.key", "keys/record.pub")
                    .noneMatch(name -> name.startsWith("run") || name.startsWith("log"));
        }
        assertThat(ask(backup.toString(), key()).body()).contains("exists; it was left alone");
        assertThat(ask(folder.resolve("nowhere/backup.zip").toString(), key()).body())
                .contains("There is no folder");
    }

    @Test
    void nobodyWithoutTheKeyGetsOne() throws Exception {
        Path backup = folder.resolve("stolen.zip");
        assertThat(ask(backup.toString(), "0".repeat(64)).statusCode()).isEqualTo(403);
        assertThat(backup).doesNotExist();
    }

    @Test
    void aLogThatWasChangedIsNoBackup() throws Exception {
        UUID departure = database.sql("select departure_id from departure_event where seq = 2 limit 1")
                .query(UUID.class)
                .single();
        String envelope = database.sql("select envelope from departure_event where departure_id = ? and seq = 2")
                .param(departure)
                .query(String.class)
                .single();
        write(departure, envelope.replace("\"seq\":2", "\"seq\":2,\"put\":\"in\""));
        Path backup = folder.resolve("changed.zip");
        try {
            assertThat(ask(backup.toString(), key()).body())
                    .contains("was changed by something else than Skelda: event 2 does not give its hash");
            assertThat(backup).doesNotExist();
            assertThat(folder).isEmptyDirectory();
        } finally {
            write(departure, envelope);
        }
        assertThat(ask(backup.toString(), key()).body()).contains("each checked");
    }

    private void write(UUID departure, String envelope) {
        database.sql("update departure_event set envelope = ? where departure_id = ? and seq = 2")
                .params(envelope, departure)
                .update();
    }

    @Test
    void aCopyThatIsNoDatabaseIsNoBackup() {
        assertThatThrownBy(() ->
                        Backup.make(data.path(), folder.resolve("x.zip"), to -> Files.writeString(to, "no database")))
                .isInstanceOf(SQLException.class);
        assertThat(folder).isEmptyDirectory();
    }
}
