package org.skelda.cli;

import java.io.Console;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import org.jspecify.annotations.Nullable;

/** A progress bar on a terminal; nothing in a pipe. */
final class Progress implements AutoCloseable {
    private static final int WORTH_A_BAR = 2;

    private final @Nullable ProgressBar bar;

    private Progress(@Nullable ProgressBar bar) {
        this.bar = bar;
    }

    static Progress over(int files) {
        Console console = System.console();
        boolean terminal = console != null && console.isTerminal();
        return new Progress(
                terminal && files >= WORTH_A_BAR
                        ? new ProgressBarBuilder()
                                .setTaskName("Analysing")
                                .setInitialMax(files)
                                .clearDisplayOnFinish()
                                .build()
                        : null);
    }

    void step() {
        if (bar != null) {
            bar.step();
        }
    }

    @Override
    public void close() {
        if (bar != null) {
            bar.close();
        }
    }
}
