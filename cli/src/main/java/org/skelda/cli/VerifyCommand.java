package org.skelda.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.skelda.formats.record.RecordVerifier;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Checks a record's hash chain. Exit 0 when it is whole, 1 when it was changed, 2 when the file is no record. */
@Command(name = "verify", mixinStandardHelpOptions = true,
        description = "Proves that a record is whole, or says where it was changed. Exit code 0: whole, 1: changed, 2: no record.")
final class VerifyCommand implements Callable<Integer> {
    private static final long MAX_BYTES = 64L << 20;
    private static final int CHANGED = 1;
    private static final int BAD_FILE = 2;

    @Spec
    @Nullable CommandSpec spec;

    @Parameters(paramLabel = "RECORD", description = "A record that was downloaded as JSON.")
    @Nullable Path file;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        PrintWriter err = spec.commandLine().getErr();
        try {
            if (Files.size(file) > MAX_BYTES) {
                err.println(file + ": over 64 MiB; a record is never that large.");
                return BAD_FILE;
            }
            RecordVerifier.Result result = RecordVerifier.verify(Files.readString(file));
            if (result.whole()) {
                out.println(file + ": whole. " + result.events() + " events, " + (result.signed() ? "signed" : "not signed")
                        + ", head hash " + result.headHash());
                return 0;
            }
            out.println(file + ": changed.");
            result.faults().forEach(fault -> out.println("  " + fault));
            return CHANGED;
        } catch (RecordVerifier.NotARecord e) {
            err.println(file + ": " + e.getMessage());
            return BAD_FILE;
        } catch (NoSuchFileException _) {
            err.println(file + ": there is no such file.");
            return BAD_FILE;
        } catch (IOException e) {
            err.println(file + ": cannot be read as UTF-8 text: " + e.getMessage());
            return BAD_FILE;
        }
    }
}
