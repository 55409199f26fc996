package org.skelda.app.start;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.record.Sha256;
import org.skelda.formats.start.TraceWriter;
import org.springframework.stereotype.Service;

/** Starts from before departures were kept here, taken into the history of their engine. They are judged like any other. */
@Service
public class PastStarts {
    private final StartHistory history;

    PastStarts(StartHistory history) {
        this.history = history;
    }

    /** Whether anything is known of an engine's starts. */
    public boolean any(String operatorId, String tail, int engine) {
        return !history.last(operatorId, tail, engine).isEmpty();
    }

    /** @param oat_c outside air then; @param elevation_ft of the stand; @param samples of one start, in the order of time */
    public void add(String operatorId, String tail, StartProfile profile, int engine, double oat_c, double elevation_ft, List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, elevation_ft);
        samples.forEach(monitor::accept);
        String sha256 = Sha256.hex(TraceWriter.write(profile, samples, List.of()).getBytes(StandardCharsets.UTF_8));
        for (int i = 0; i < monitor.attempts().size(); i++) {
            history.remember(new StartHistory.Place(null, operatorId, tail, profile.typeId(), engine, i + 1, oat_c, elevation_ft), monitor.attempts().get(i),
                    samples, profile, sha256);
        }
    }
}
