package org.skelda.app.start;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.skelda.app.departure.Departures;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.crew.Person;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.record.Opening;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;

/**
 * What is kept of one departure's attempts: the readings in blocks, the facts in its log, and after each attempt its
 * trace and its numbers in the engine's history. Its owner calls it one thing at a time.
 */
final class AttemptKeeping {
    /** Version of the judgement, as the log names it. */
    private static final String JUDGEMENT = "2";

    private static final long LONGEST_BLOCK_us = 1_000_000;
    private static final int SPREAD_us = 400_000;
    private static final int MOST_IN_BLOCK = 500;

    private final UUID departureId;
    private final String operatorId;
    private final String watched;
    private final long block_us;
    private final StartProfile profile;
    private final Departures departures;
    private final SampleBlocks blocks;
    private final StartHistory history;

    AttemptKeeping(
            Opening opening, StartProfile profile, Departures departures, SampleBlocks blocks, StartHistory history) {
        this.departureId = opening.departureId();
        this.operatorId = opening.operatorId();
        this.watched = JUDGEMENT + " " + opening.typeHash();
        // Aircraft that start at the same moment do not all go to the disk at the same moment.
        this.block_us = LONGEST_BLOCK_us - Math.floorMod(departureId.hashCode(), SPREAD_us);
        this.profile = profile;
        this.departures = departures;
        this.blocks = blocks;
        this.history = history;
    }

    /** Stores what is due, and tells the log what has changed. */
    void settle(EngineWatch engine, Person by, Instant now) {
        Departure logged = departures.state(departureId);
        List<AttemptEvent> facts = engine.facts(logged, watched);
        if (!facts.isEmpty() || engine.hasUnstored(engine.newest_us() - block_us)) {
            List<Sample> samples = engine.unstored();
            if (!samples.isEmpty()) {
                blocks.store(departureId, operatorId, engine.subject(), profile, samples, false);
                engine.stored(samples);
            }
        }
        if (!facts.isEmpty()) {
            departures.record(departureId, withTraces(logged, engine, facts), by, now);
        }
    }

    /**
     * An attempt that has ended is followed by its trace; its numbers join the engine's history, those of a rehearsal
     * never do.
     */
    private List<Event> withTraces(Departure logged, EngineWatch engine, List<AttemptEvent> facts) {
        List<Event> all = new ArrayList<>();
        for (AttemptEvent fact : facts) {
            all.add(Event.of(fact));
            if (fact instanceof AttemptEvent.AttemptEnded(Subject of, int number, var _)) {
                EngineWatch.Finished finished = engine.finished(logged, number).orElseThrow();
                List<Sample> samples = blocks.judged(departureId, of, profile, finished.readings());
                String sha256 = trace(of, number, samples).sha256();
                all.add(Event.of(new AttemptEvent.TraceStored(of, number, sha256, samples.size())));
                if (!logged.opening().isRehearsal()) {
                    history.remember(
                            StartHistory.Place.of(logged, of, number), finished.report(), samples, profile, sha256);
                }
            }
        }
        return all;
    }

    /** Keeps readings that came when their attempt was over. @param samples in the order of time */
    void storeLate(Subject subject, List<Sample> samples) {
        for (int from = 0; from < samples.size(); from += MOST_IN_BLOCK) {
            List<Sample> block = samples.subList(from, Math.min(samples.size(), from + MOST_IN_BLOCK));
            blocks.store(departureId, operatorId, subject, profile, block, true);
        }
    }

    private AttemptTrace trace(Subject of, int number, List<Sample> samples) {
        Opening opening = departures.state(departureId).opening();
        String rehearsed = opening.isRehearsal() ? ", rehearsal" : "";
        return new AttemptTrace(
                profile,
                samples,
                List.of(opening.tail() + ", engine " + of.number() + ", attempt " + number + rehearsed + ", "
                        + AttemptFacts.instant(samples.getFirst().at_us())));
    }

    /** The trace of an attempt; empty when there is none or it still runs. */
    Optional<AttemptTrace> trace(EngineWatch engine, int number) {
        return samples(engine, number).map(samples -> trace(engine.subject(), number, samples));
    }

    /** The readings of an attempt that has ended. */
    Optional<List<Sample>> samples(EngineWatch engine, int number) {
        return engine.finished(departures.state(departureId), number)
                .map(finished -> blocks.judged(departureId, engine.subject(), profile, finished.readings()));
    }
}
