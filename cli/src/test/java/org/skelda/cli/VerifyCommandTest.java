package org.skelda.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.formats.record.DepartureRecord;
import org.skelda.formats.record.HashChain;
import org.skelda.formats.record.RecordSeal;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class VerifyCommandTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    private Path folder;

    private final KeyPair keys = anInstallation();

    private static KeyPair anInstallation() {
        try {
            return KeyPairGenerator.getInstance("Ed25519").generateKeyPair();
        } catch (NoSuchAlgorithmException e) {
            throw new AssertionError(e);
        }
    }

    private Path key(KeyPair of) throws IOException {
        return Files.writeString(
                folder.resolve("record.pub"),
                "-----BEGIN PUBLIC KEY-----\n"
                        + Base64.getEncoder().encodeToString(of.getPublic().getEncoded())
                        + "\n-----END PUBLIC KEY-----\n");
    }

    private record Run(int exit, String out, String err) {}

    private static Run run(String... arguments) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int exit = SkeldaCli.commandLine()
                .setOut(new PrintWriter(out))
                .setErr(new PrintWriter(err))
                .execute(arguments);
        return new Run(exit, out.toString(), err.toString());
    }

    private String record() {
        UUID id = new UUID(1, 2);
        ObjectNode opened = (ObjectNode) JSON.readTree("""
                {"id":"00000000-0000-0001-0000-000000000001","seq":1,"type":"Opened","v":1,"at":"2026-05-04T09:30:00Z",
                 "actor":{"id":"p",
                 "name":"Runa Halden"},"commandId":"00000000-0000-0001-0000-000000000002","subject":"departure",
                 "payload":{"departureId":"%s","operatorId":"o","tail":"QX-LOM",
                 "typeId":"HAVERN-2M","flight":"214","from":"QVAR","to":"QSKR",
                 "stand":"4",
                 "latitude_deg":62.41,"longitude_deg":-10.82,"offBlock":"2026-05-04T10:10:00Z",
                 "typeHash":"a","procedureHash":"b",
                 "modifications":[]}}""".formatted(id));
        HashChain.seal(opened, HashChain.seed(id, "a", "b"));
        return DepartureRecord.write(List.of(opened.toString()), new RecordSeal(keys));
    }

    private Path file(String text) throws IOException {
        return Files.writeString(folder.resolve("record.json"), text);
    }

    @Test
    void aWholeRecordEndsWithZero() throws IOException {
        Run run = run("verify", file(record()).toString());
        assertThat(run.exit()).isZero();
        assertThat(run.out()).contains("unchanged. 1 events, head hash ", "Sealed by installation ", "Not complete: ");
    }

    @Test
    void aChangedOneEndsWithOneAndNamesThePlace() throws IOException {
        Run run = run("verify", file(record().replace("62.41", "62.42")).toString());
        assertThat(run.exit()).isEqualTo(1);
        assertThat(run.out()).contains(": changed.", "Event 1 (Opened, departure)");
    }

    @Test
    void whoseSealItBearsIsToldByTheKeyThatIsGiven() throws IOException {
        Path record = file(record());
        assertThat(run("verify", "--key", key(keys).toString(), record.toString()))
                .satisfies(run -> {
                    assertThat(run.exit()).isZero();
                    assertThat(run.out()).contains("unchanged.", "Sealed by the installation of the given key");
                });
        assertThat(run("verify", "--key", key(anInstallation()).toString(), record.toString()))
                .satisfies(run -> {
                    assertThat(run.exit()).isEqualTo(1);
                    assertThat(run.out()).contains("changed.", "sealed by another installation");
                });
        assertThat(run("verify", "--key", record.toString(), record.toString())).satisfies(run -> {
            assertThat(run.exit()).isEqualTo(2);
            assertThat(run.err()).contains("not the public key of an installation");
        });
    }

    @Test
    void whatHasNoEndIsReadUpToABound() throws IOException {
        Path huge = folder.resolve("huge.json");
        try (var file = new java.io.RandomAccessFile(huge.toFile(), "rw")) {
            file.setLength(33L << 20);
        }
        assertThat(run("verify", huge.toString())).satisfies(run -> {
            assertThat(run.exit()).isEqualTo(2);
            assertThat(run.err()).contains("over 32 MiB");
        });
    }

    @Test
    void whatIsNoRecordEndsWithTwoAndNothingOnStandardOutput() throws IOException {
        for (String text : new String[] {"{", "{}", "not json"}) {
            Run run = run("verify", file(text).toString());
            assertThat(run.exit()).isEqualTo(2);
            assertThat(run.out()).isEmpty();
            assertThat(run.err()).contains("record.json");
        }
        assertThat(run("verify", folder.resolve("none.json").toString()).err()).contains("there is no such file");
        assertThat(run("verify").exit()).isEqualTo(2);
        assertThat(run("verify", folder.toString()).exit()).isEqualTo(2);
    }
}
