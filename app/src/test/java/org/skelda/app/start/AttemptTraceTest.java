package org.skelda.app.start;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.record.Sha256;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceWriter;
import org.skelda.sim.aircraft.SimulatedStart;

class AttemptTraceTest {
    private static final int A_BUFFER = 8 * 1024;

    private static final StartProfile PROFILE = StartProfiles.of("HAVERN-2M");
    private static final List<Sample> SAMPLES = SimulatedStart.of(PROFILE).samples(80);
    private static final String CSV = TraceWriter.write(PROFILE, SAMPLES, List.of("engine 2"));

    /** Remembers the longest piece that was handed to it. */
    private static final class Pieces extends ByteArrayOutputStream {
        private int longest;

        @Override
        public void write(byte[] bytes, int from, int length) {
            longest = Math.max(longest, length);
            super.write(bytes, from, length);
        }
    }

    @Test
    void isWrittenInPiecesThatAreTheWhole() throws IOException {
        Pieces out = new Pieces();
        new AttemptTrace(PROFILE, SAMPLES, List.of("engine 2")).writeTo(out);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEqualTo(CSV);
        assertThat(CSV.length()).as("several buffers of it").isGreaterThan(3 * A_BUFFER);
        assertThat(out.longest).as("the longest piece").isLessThanOrEqualTo(A_BUFFER);
    }

    @Test
    void itsHashIsThatOfItsBytes() {
        assertThat(new AttemptTrace(PROFILE, SAMPLES, List.of("engine 2")).sha256())
                .isEqualTo(Sha256.hex(CSV.getBytes(StandardCharsets.UTF_8)));
    }
}
