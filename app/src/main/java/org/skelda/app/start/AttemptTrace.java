package org.skelda.app.start;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.record.Sha256;
import org.skelda.formats.start.TraceWriter;

/**
 * The readings of an attempt that has ended, to be written as a trace: row by row, never as a whole in memory.
 *
 * @param profile of the type
 * @param samples in the order of time, at least one
 * @param comments lines before the header
 */
record AttemptTrace(StartProfile profile, List<Sample> samples, List<String> comments) {

    /** Writes the CSV in UTF-8, and leaves the stream open. */
    void writeTo(OutputStream out) throws IOException {
        Writer writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        TraceWriter.write(profile, samples, comments, writer);
        writer.flush();
    }

    /** SHA-256 of the CSV's bytes, hex. */
    String sha256() {
        try {
            return Sha256.hex(this::writeTo);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
