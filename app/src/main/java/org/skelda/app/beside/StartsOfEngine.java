package org.skelda.app.beside;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.departure.Departures;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.procedure.Packs;
import org.skelda.app.start.KeptStarts;
import org.skelda.app.start.KeptStarts.Kept;
import org.skelda.app.start.StartSheet;
import org.skelda.app.trace.TraceStarts;
import org.skelda.app.trace.TraceStarts.StartOfTrace;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.attempt.StartRecord;
import org.skelda.core.beside.Band;
import org.skelda.core.beside.Course;
import org.skelda.core.departure.Departure;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Finds starts wherever they are kept: with a departure, from before departures were kept here, or in a file. */
@Service
class StartsOfEngine {
    /** Of the other engines, and of an aircraft's files, only the newest are offered. */
    private static final int OF_ANOTHER_ENGINE = 6;

    private final KeptStarts kept;
    private final TraceStarts traces;
    private final Departures departures;
    private final Packs packs;

    StartsOfEngine(KeptStarts kept, TraceStarts traces, Departures departures, Packs packs) {
        this.kept = kept;
        this.traces = traces;
        this.departures = departures;
        this.packs = packs;
    }

    /**
     * A start that can be laid beside another.
     *
     * @param ref which
     * @param engine of it; null where a file does not say
     * @param title what it is, in words
     * @param at when it was; of a file, when that was opened
     * @param peak_c hottest reading, degC; null where it is not on record
     */
    record OtherStart(
            String ref,
            @Nullable Integer engine,
            String title,
            Instant at,
            String outcome,
            @Nullable Double peak_c) {}

    /** A start with its readings; empty when the operator has no such start, or nothing of it was read. */
    Optional<ChosenStart> find(String operatorId, StartRef ref) {
        return switch (ref) {
            case StartRef.OfDeparture of -> ofDeparture(operatorId, of);
            case StartRef.Before of -> before(operatorId, of);
            case StartRef.OfTrace of -> ofTrace(operatorId, of);
        };
    }

    private Optional<ChosenStart> ofDeparture(String operatorId, StartRef.OfDeparture ref) {
        departures.checkOwner(ref.departureId(), operatorId);
        Departure departure = departures.state(ref.departureId());
        StartProfile profile = packs.profileOf(departure.opening()).orElse(null);
        StartRecord record = departure.starts(ref.engine()).stream()
                .filter(start -> start.number() == ref.number())
                .findFirst()
                .orElse(null);
        AttemptSummary summary = record == null ? null : record.summary();
        if (profile == null || record == null || summary == null || record.tapped() != null) {
            return Optional.empty();
        }
        var opening = departure.opening();
        return kept.ofDeparture(ref.departureId(), ref.engine(), record.startedAt(), profile, opening.elevation_ft())
                .map(readings -> new ChosenStart(
                        ref,
                        (opening.isRehearsal() ? "rehearsal, flight " : "flight ") + opening.flight() + ", attempt "
                                + ref.number(),
                        record.startedAt(),
                        summary.outcome(),
                        opening.tail(),
                        ref.engine(),
                        profile,
                        opening.elevation_ft(),
                        readings));
    }

    private Optional<ChosenStart> before(String operatorId, StartRef.Before ref) {
        return kept.before(operatorId, ref.id()).flatMap(before -> {
            StartProfile profile = StartProfiles.of(before.typeId());
            return kept.of(before.row(), profile)
                    .map(readings -> new ChosenStart(
                            ref,
                            title(before.row()),
                            before.row().startedAt(),
                            before.row().outcome(),
                            before.tail(),
                            before.row().engine(),
                            profile,
                            before.row().elevation_ft(),
                            readings));
        });
    }

    private Optional<ChosenStart> ofTrace(String operatorId, StartRef.OfTrace ref) {
        return traces.ofTrace(operatorId, ref.traceId()).stream()
                .filter(start -> start.number() == ref.number())
                .findFirst()
                .flatMap(start -> {
                    StartProfile profile = TraceStarts.profile(start);
                    return traces.readings(start, profile)
                            .map(readings -> new ChosenStart(
                                    ref,
                                    title(start),
                                    null,
                                    start.outcome(),
                                    start.tail(),
                                    start.engine(),
                                    profile,
                                    start.elevation_ft(),
                                    readings));
                });
    }

    private static String title(KeptStarts.Row row) {
        return row.departureId() == null ? "before" : "attempt " + row.number();
    }

    private static String title(StartOfTrace start) {
        return start.file() + ", attempt " + start.number();
    }

    /**
     * What a start can be laid beside: the other starts of its engine, the newest first, then those of the aircraft's
     * other engines and of its files; of a file that is nobody's, its own other starts.
     */
    List<OtherStart> choices(String operatorId, ChosenStart one) {
        List<OtherStart> choices = new ArrayList<>();
        String tail = one.tail();
        if (tail == null) {
            if (one.ref() instanceof StartRef.OfTrace file) {
                traces.ofTrace(operatorId, file.traceId()).forEach(start -> choices.add(otherStart(start)));
            }
        } else {
            int engine = Objects.requireNonNull(one.engine());
            kept.listed(operatorId, tail, engine).forEach(row -> choices.add(otherStart(row)));
            traces.ofTail(operatorId, tail).forEach(start -> choices.add(otherStart(start)));
            packs.planFor(operatorId, one.profile().typeId()).engines().stream()
                    .filter(other -> other != engine)
                    .forEach(other -> kept.listed(operatorId, tail, other).stream()
                            .limit(OF_ANOTHER_ENGINE)
                            .forEach(row -> choices.add(otherStart(row))));
        }
        String own = one.ref().toString();
        return choices.stream().filter(choice -> !choice.ref().equals(own)).toList();
    }

    private OtherStart otherStart(KeptStarts.Row row) {
        boolean past = row.departureId() == null;
        StartRef ref = past
                ? new StartRef.Before(row.id())
                : new StartRef.OfDeparture(Objects.requireNonNull(row.departureId()), row.engine(), row.number());
        return new OtherStart(ref.toString(), row.engine(), title(row), row.startedAt(), row.outcome(), row.peak_c());
    }

    private static OtherStart otherStart(StartOfTrace start) {
        StartRef ref = new StartRef.OfTrace(start.traceId(), start.number());
        return new OtherStart(ref.toString(), start.engine(), title(start), start.openedAt(), start.outcome(), null);
    }

    /**
     * The band of the good starts of an engine before a departure's first, over all that its desk draws.
     *
     * @throws ProblemException when the departure is another operator's, or its type has no start profile
     */
    Band band(String operatorId, UUID departureId, int engine, Instant now) {
        departures.checkOwner(departureId, operatorId);
        Departure departure = departures.state(departureId);
        var opening = departure.opening();
        StartProfile profile = packs.profileOf(opening)
                .filter(known -> departure.plan().engines().contains(engine))
                .orElseThrow(StartsOfEngine::noSuchEngine);
        Instant before = departure.starts(engine).stream()
                .map(StartRecord::startedAt)
                .min(Comparator.naturalOrder())
                .orElse(now);
        return band(
                lastGood(operatorId, opening.tail(), engine, before, profile),
                StartSheet.of(profile, opening.elevation_ft()).parameters());
    }

    /** @param good starts; @param drawn what of them */
    static Band band(List<Kept> good, List<Parameter> drawn) {
        return Band.of(
                good.stream()
                        .map(one -> Course.of(one.report().startedAt_us(), one.samples()))
                        .toList(),
                drawn);
    }

    private static ProblemException noSuchEngine() {
        return new ProblemException(Problem.of(
                "not-found",
                HttpStatus.NOT_FOUND.value(),
                "No such engine",
                "The aircraft of this departure has no such engine, or its starts cannot be watched.",
                "Look at the starts of this departure."));
    }

    /** The readings of an engine's last ten good starts before one, the newest first; none when it is nobody's. */
    List<Kept> lastGood(String operatorId, ChosenStart one, Instant now) {
        if (one.tail() == null || one.engine() == null) {
            return List.of();
        }
        Instant before = one.startedAt() == null ? now : one.startedAt();
        return lastGood(operatorId, one.tail(), one.engine(), before, one.profile());
    }

    private List<Kept> lastGood(String operatorId, String tail, int engine, Instant before, StartProfile profile) {
        return kept.lastGood(operatorId, tail, engine, before).stream()
                .flatMap(row -> kept.of(row, profile).stream())
                .toList();
    }
}
