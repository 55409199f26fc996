package org.skelda.app.start;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.record.Sha256;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Starts from before departures were kept here, taken into the history of their engine. They are judged like any other.
 */
@Service
public class PastStarts {
    private final StartHistory history;
    private final KeptStarts kept;

    PastStarts(StartHistory history, KeptStarts kept) {
        this.history = history;
        this.kept = kept;
    }

    /** Whether anything is known of an engine's starts. */
    public boolean any(String operatorId, String tail, int engine) {
        return !history.last(operatorId, tail, engine).isEmpty();
    }

    /**
     * A start from before departures were kept here.
     *
     * @param id under which it is kept
     * @param engine 1 to 4
     * @param startedAt when the starter went on
     * @param outcome its name in files
     * @param peak_c hottest reading, degC; null where there was none
     * @param timeToLight_s from fuel on, s; null where it did not light
     * @param timeToIdle_s from starter on, s; null where idle was not reached
     * @param dip_v lowest bus volts, V; null where they are not measured
     */
    public record StartBefore(
            UUID id,
            String tail,
            int engine,
            Instant startedAt,
            String outcome,
            @Nullable Double peak_c,
            @Nullable Double timeToLight_s,
            @Nullable Double timeToIdle_s,
            @Nullable Double dip_v) {}

    /** The newest first. */
    public List<StartBefore> listed(String operatorId) {
        return history.before(operatorId);
    }

    /**
     * With its readings, so that another can be laid beside it.
     *
     * @param oat_c outside air then; @param elevation_ft of the stand; @param samples of one start, in the order of
     *     time
     */
    @Transactional
    public void add(
            String operatorId,
            String tail,
            StartProfile profile,
            int engine,
            double oat_c,
            double elevation_ft,
            List<Sample> samples) {
        StartMonitor monitor = new StartMonitor(profile, elevation_ft);
        samples.forEach(monitor::accept);
        for (int i = 0; i < monitor.attempts().size(); i++) {
            AttemptReport report = monitor.attempts().get(i);
            byte[] trace = KeptStarts.trace(profile, report, samples);
            Optional<UUID> id = history.remember(
                    new StartHistory.Place(
                            null,
                            operatorId,
                            tail,
                            profile.typeId(),
                            Subject.engine(engine),
                            i + 1,
                            oat_c,
                            null,
                            elevation_ft),
                    report,
                    samples,
                    profile,
                    Sha256.hex(trace));
            id.ifPresent(of -> kept.keep(of, trace));
        }
    }
}
