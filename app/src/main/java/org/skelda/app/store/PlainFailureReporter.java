package org.skelda.app.store;

import java.io.PrintStream;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.diagnostics.FailureAnalysisReporter;

/** Tells whoever starts the server why it does not, and what to do: on the terminal, and nothing else. */
class PlainFailureReporter implements FailureAnalysisReporter {
    private final PrintStream terminal;

    PlainFailureReporter() {
        this(System.err);
    }

    PlainFailureReporter(PrintStream terminal) {
        this.terminal = terminal;
    }

    @Override
    public void report(FailureAnalysis failure) {
        terminal.println(
                "skelda: " + failure.getDescription() + (failure.getAction() == null ? "" : " " + failure.getAction()));
    }
}
