package org.skelda.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.skelda.app.departure.Departures;
import org.skelda.app.procedure.Packs;
import org.skelda.app.start.LiveStarts;
import org.skelda.app.start.PastStarts;
import org.skelda.core.departure.Departure;
import org.skelda.core.kind.Start;
import org.skelda.core.record.Opening;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedWriter;
import org.skelda.sim.Surroundings;
import org.skelda.sim.aircraft.SimulatedStart;
import org.springframework.stereotype.Component;

/** The starts of the demo's past: simulated, and judged by the same watch as live ones. */
@Component
class ScriptedStarts {
    private static final int LASTS_s = 85;
    private static final int PAST = 10;
    private static final Duration BETWEEN = Duration.ofMinutes(3);
    private static final double COLDEST_C = -6;
    private static final double WARMER_C = 2.5;

    private final Departures departures;
    private final LiveStarts live;
    private final PastStarts past;
    private final Packs packs;

    ScriptedStarts(Departures departures, LiveStarts live, PastStarts past, Packs packs) {
        this.departures = departures;
        this.live = live;
        this.past = past;
        this.packs = packs;
    }

    /** One good start of an engine, on the departure's own record. @return how long it took */
    Duration start(UUID departureId, Start line, Instant at) {
        Departure departure = departures.state(departureId);
        Opening opening = departure.opening();
        StartProfile profile = packs.profileOf(opening).orElseThrow();
        List<Sample> samples = SimulatedStart.of(profile)
                .in(new Surroundings(15, opening.elevation_ft(), 0))
                .seed(line.engine())
                .samples(LASTS_s);
        long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, at);
        String body = FeedWriter.batch(
                Subject.engine(line.engine()),
                samples.stream()
                        .map(sample -> sample.at(begin_us + sample.at_us()))
                        .toList(),
                profile.drive().engine());
        UUID feed = UUID.nameUUIDFromBytes(("demo " + opening.tail()).getBytes(StandardCharsets.UTF_8));
        LiveStarts.Counts counts = live.take(
                new LiveStarts.Source(feed, opening.operatorId(), opening.tail(), "Simulated aircraft", true),
                body.getBytes(StandardCharsets.UTF_8),
                at.plusSeconds(LASTS_s));
        if (counts.accepted() != samples.size()) {
            throw new IllegalStateException(
                    "the start of engine " + line.engine() + " of " + opening.tail() + " was not taken: " + counts);
        }
        return Duration.ofSeconds(LASTS_s + 5);
    }

    /** Ten good starts of each engine from the weeks before, engine 1 last. */
    void weeksBefore(String operatorId, String tail, StartProfile profile, int engines, Instant now) {
        for (int engine = 1; engine <= engines; engine++) {
            if (past.any(operatorId, tail, engine)) {
                continue;
            }
            for (int i = 0; i < PAST; i++) {
                double oat_c = COLDEST_C + WARMER_C * ((i * 7 + engine * 3) % PAST);
                Instant begin =
                        now.minus(Duration.ofDays(2L * (PAST - i))).plus(BETWEEN.multipliedBy(engines - engine));
                long begin_us = ChronoUnit.MICROS.between(Instant.EPOCH, begin);
                List<Sample> samples = SimulatedStart.of(profile)
                        .in(new Surroundings(oat_c, 118, 0))
                        .seed(engine * 100L + i)
                        .samples(LASTS_s)
                        .stream()
                        .map(sample -> sample.at(begin_us + sample.at_us()))
                        .toList();
                past.add(operatorId, tail, profile, engine, oat_c, 118, samples);
            }
        }
    }
}
