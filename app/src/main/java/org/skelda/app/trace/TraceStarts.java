package org.skelda.app.trace;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelda.app.start.KeptStarts.Kept;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.formats.start.TraceReader;
import org.springframework.stereotype.Service;

/** The starts in traces that came from files, one by one. */
@Service
public class TraceStarts {
    private final Traces traces;

    TraceStarts(Traces traces) {
        this.traces = traces;
    }

    /**
     * One start of a trace.
     *
     * @param traceId whose
     * @param file its name
     * @param number of the attempt in it, from 1
     * @param openedAt when the file was opened; when the start was, it does not say
     * @param outcome its name in files
     * @param tail whose engine it is of; null while nobody has said
     * @param engine which of them; null like the tail
     */
    public record StartOfTrace(
            UUID traceId,
            String file,
            int number,
            Instant openedAt,
            String outcome,
            String typeId,
            double elevation_ft,
            @Nullable String tail,
            @Nullable Integer engine) {}

    /** Of a tail's engines, the newest file first. */
    public List<StartOfTrace> ofTail(String operatorId, String tail) {
        return traces.of(operatorId, tail).stream().flatMap(TraceStarts::starts).toList();
    }

    /** All starts of one trace, in their order; empty when the operator has no such trace. */
    public List<StartOfTrace> ofTrace(String operatorId, UUID traceId) {
        return traces.find(operatorId, traceId).stream()
                .flatMap(TraceStarts::starts)
                .toList();
    }

    /** Its readings. @param profile of its type */
    public Optional<Kept> readings(StartOfTrace start, StartProfile profile) {
        try {
            TraceReader file = TraceReader.of(start.file(), new ByteArrayInputStream(traces.content(start.traceId())));
            return Kept.all(profile, start.elevation_ft(), file.samples(profile)).stream()
                    .skip(start.number() - 1L)
                    .findFirst();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The type's profile. */
    public static StartProfile profile(StartOfTrace start) {
        return StartProfiles.of(start.typeId());
    }

    private static Stream<StartOfTrace> starts(Traces.Trace trace) {
        List<String> outcomes = trace.outcomes().isBlank()
                ? List.of()
                : List.of(trace.outcomes().split(" "));
        return IntStream.range(0, outcomes.size())
                .mapToObj(i -> new StartOfTrace(
                        trace.id(),
                        trace.name(),
                        i + 1,
                        trace.openedAt(),
                        outcomes.get(i),
                        trace.typeId(),
                        trace.elevation_ft(),
                        trace.tail(),
                        trace.engine()));
    }
}
