package org.skelda.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.springframework.boot.diagnostics.FailureAnalysis;

class PlainFailureReporterTest {
    @Test
    void saysInOneLineWhatIsWrongAndWhatToDo() {
        ByteArrayOutputStream terminal = new ByteArrayOutputStream();
        new PlainFailureReporter(new PrintStream(terminal, true, StandardCharsets.UTF_8))
                .report(new FailureAnalysis(
                        "The data folder is in use by another Skelda server.",
                        "Stop that one.",
                        new IllegalStateException()));
        assertThat(terminal.toString(StandardCharsets.UTF_8))
                .isEqualTo("skelda: The data folder is in use by another Skelda server. Stop that one."
                        + System.lineSeparator());
    }
}
