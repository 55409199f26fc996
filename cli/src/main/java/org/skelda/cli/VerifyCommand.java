package org.skelda.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.ByteBuffer;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.PublicKey;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.skelda.formats.record.RecordSeal;
import org.skelda.formats.record.RecordVerifier;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Checks a record. Exit 0 when it is unchanged, 1 when it was changed or resealed, 2 when the file is no record. */
@Command(
        name = "verify",
        mixinStandardHelpOptions = true,
        description = "Says whether a record is unchanged, which installation sealed it, and whether it is complete. "
                + "Exit code 0: unchanged, 1: changed or sealed by another, 2: no record.")
final class VerifyCommand implements Callable<Integer> {
    private static final int MAX_BYTES = 32 << 20;
    private static final int MAX_KEY_BYTES = 4096;
    private static final int CHANGED = 1;
    private static final int BAD_FILE = 2;

    @Spec
    CommandSpec spec;

    @Option(
            names = "--key",
            paramLabel = "KEY",
            description = "File with the public key of the installation that the record should be of.")
    @Nullable
    Path keyFile;

    @Parameters(paramLabel = "RECORD", description = "A record that was downloaded as JSON.")
    Path file;

    /** A file that cannot be used, with what is to be said of it. */
    private static final class BadFile extends Exception {
        BadFile(String message) {
            super(message);
        }
    }

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        try {
            PublicKey expected = keyFile == null ? null : key(keyFile);
            RecordVerifier.Result result = RecordVerifier.verify(text(file, MAX_BYTES));
            List<String> wrong = new ArrayList<>(result.faults());
            String sealed = sealed(result.seal(), expected, wrong);
            out.println(file + (wrong.isEmpty() ? ": unchanged. " : ": changed. ") + result.events()
                    + " events, head hash " + result.headHash());
            wrong.forEach(fault -> out.println("  " + fault));
            out.println("  " + sealed);
            out.println("  "
                    + (result.signed()
                            ? "Complete: it holds its crew's signature."
                            : "Not complete: its crew had not signed when it was written."));
            return wrong.isEmpty() ? 0 : CHANGED;
        } catch (RecordVerifier.NotARecord | BadFile e) {
            spec.commandLine().getErr().println((e instanceof BadFile ? "" : file + ": ") + e.getMessage());
            return BAD_FILE;
        }
    }

    private static String sealed(RecordVerifier.Seal seal, @Nullable PublicKey expected, List<String> wrong) {
        return switch (seal) {
            case RecordVerifier.Seal.None() -> {
                if (expected != null) {
                    wrong.add("The record bears no seal; the installation of the given key seals each of its own.");
                }
                yield "Sealed by nobody: anyone can have written it.";
            }
            case RecordVerifier.Seal.Broken() -> {
                wrong.add("The seal is not of this record: it was changed, and its hashes made to fit again, by "
                        + "somebody without the installation's key.");
                yield "Sealed by nobody who holds the key it names.";
            }
            case RecordVerifier.Seal.Fits(PublicKey key)
            when expected == null ->
                "Sealed by installation " + RecordSeal.fingerprint(key)
                        + ". Compare that with what its operator published, or give its key with --key.";
            case RecordVerifier.Seal.Fits(PublicKey key)
            when expected.equals(key) ->
                "Sealed by the installation of the given key, " + RecordSeal.fingerprint(key) + ".";
            case RecordVerifier.Seal.Fits(PublicKey key) -> {
                wrong.add("The record was sealed by another installation, " + RecordSeal.fingerprint(key)
                        + ", not by that of the given key, " + RecordSeal.fingerprint(expected) + ".");
                yield "Sealed by installation " + RecordSeal.fingerprint(key) + ".";
            }
        };
    }

    private static PublicKey key(Path file) throws BadFile {
        try {
            return RecordSeal.key(text(file, MAX_KEY_BYTES).replaceAll("-----[A-Z ]+-----", ""));
        } catch (IllegalArgumentException _) {
            throw new BadFile(file + ": not the public key of an installation");
        }
    }

    /** A text file up to a bound; one without end is read no further. */
    private static String text(Path file, int most) throws BadFile {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] bytes = in.readNBytes(most + 1);
            if (bytes.length > most) {
                throw new BadFile(file + ": over " + (most >= 1 << 20 ? (most >> 20) + " MiB" : most + " bytes")
                        + ", which no such file is");
            }
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (NoSuchFileException _) {
            throw new BadFile(file + ": there is no such file.");
        } catch (IOException e) {
            throw new BadFile(file + ": cannot be read as UTF-8 text: " + e.getMessage());
        }
    }
}
