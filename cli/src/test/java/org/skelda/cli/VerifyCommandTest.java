package org.skelda.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelda.formats.record.DepartureRecord;
import org.skelda.formats.record.HashChain;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class VerifyCommandTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    private Path folder;

    private record Run(int exit, String out, String err) {}

    private static Run run(String... arguments) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int exit = SkeldaCli.commandLine().setOut(new PrintWriter(out)).setErr(new PrintWriter(err)).execute(arguments);
        return new Run(exit, out.toString(), err.toString());
    }

    private String record() {
        UUID id = new UUID(1, 2);
        ObjectNode opened = (ObjectNode) JSON.readTree("""
                {"id":"00000000-0000-0001-0000-000000000001","seq":1,"type":"Opened","v":1,"at":"2026-05-04T09:30:00Z",
                 "actor":{"id":"p","name":"Runa Halden"},"commandId":"00000000-0000-0001-0000-000000000002","subject":"departure",
                 "payload":{"departureId":"%s","operatorId":"o","tail":"QX-LOM","typeId":"HAVERN-2M","flight":"214","from":"QVAR","to":"QSKR",
                 "stand":"4","latitude_deg":62.41,"longitude_deg":-10.82,"offBlock":"2026-05-04T10:10:00Z","typeHash":"a","procedureHash":"b",
                 "modifications":[]}}""".formatted(id));
        HashChain.seal(opened, HashChain.seed(id, "a", "b"));
        return DepartureRecord.write(List.of(opened.toString()));
    }

    private Path file(String text) throws IOException {
        return Files.writeString(folder.resolve("record.json"), text);
    }

    @Test
    void aWholeRecordEndsWithZero() throws IOException {
        Run run = run("verify", file(record()).toString());
        assertThat(run.exit()).isZero();
        assertThat(run.out()).contains("whole. 1 events, not signed, head hash ");
    }

    @Test
    void aChangedOneEndsWithOneAndNamesThePlace() throws IOException {
        Run run = run("verify", file(record().replace("62.41", "62.42")).toString());
        assertThat(run.exit()).isEqualTo(1);
        assertThat(run.out()).contains("changed.", "Event 1 (Opened, departure)");
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
