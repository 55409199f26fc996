package org.skelda.app.start;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.procedure.Packs;
import org.skelda.core.attempt.AttemptEvent;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.attempt.TappedEngine;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.Event;
import org.skelda.core.start.Lane;
import org.skelda.core.start.StartAdvice;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.TappedWatch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Starts that nothing reads: what the crew tapped, shown like a start that is read, at every tap and as time passes.
 */
@Service
class TappedStarts {
    private static final Logger LOG = LoggerFactory.getLogger(TappedStarts.class);
    private static final long TICK_MS = 500;
    private static final Duration SHOWN_AFTER = Duration.ofMinutes(2);

    private final Departures departures;
    private final Packs packs;
    private final ServerClock clock;
    private final Set<UUID> ticking = ConcurrentHashMap.newKeySet();

    TappedStarts(Departures departures, Packs packs, ServerClock clock) {
        this.departures = departures;
        this.packs = packs;
        this.clock = clock;
    }

    /** Every engine of a departure whose newest start is tapped. */
    List<StartMessage> all(Departure departure, StartProfile profile) {
        Instant now = clock.instant();
        List<StartMessage> all = departure.attempts().byEngine().keySet().stream()
                .flatMap(engine -> message(departure, profile, engine, now).stream())
                .toList();
        if (!all.isEmpty()) {
            ticking.add(departure.opening().departureId());
        }
        return all;
    }

    @EventListener
    void appended(Departures.Appended appended) {
        List<Integer> engines = appended.events().stream()
                .map(TappedStarts::engineOf)
                .filter(engine -> engine > 0)
                .distinct()
                .toList();
        if (engines.isEmpty()) {
            return;
        }
        ticking.add(appended.departureId());
        packs.profileOf(appended.after().opening())
                .ifPresent(
                        profile -> engines.forEach(engine -> tell(appended.after(), profile, engine, clock.instant())));
    }

    private static int engineOf(Event event) {
        return switch (event) {
            case Event.OfAttempt(AttemptEvent.StartTapped e) -> e.engine();
            case Event.OfAttempt(AttemptEvent.StartTapUndone e) -> e.engine();
            case Event.OfAttempt(AttemptEvent.StartFiguresTyped e) -> e.engine();
            default -> 0;
        };
    }

    private void tell(Departure departure, StartProfile profile, int engine, Instant now) {
        message(departure, profile, engine, now)
                .ifPresent(message -> departures.tell(departure.opening().departureId(), "start", () -> message));
    }

    /** Time passes for windows, clocks and the steps after a cut. */
    @Scheduled(fixedRate = TICK_MS)
    void tick() {
        Instant now = clock.instant();
        for (UUID id : ticking) {
            try {
                tick(id, now);
            } catch (RuntimeException e) {
                // One departure's trouble must not hold up the others; its page asks again by itself.
                LOG.error("the tapped starts of departure {} cannot be told", id, e);
                ticking.remove(id);
            }
        }
    }

    /** Whether the crew tells of a start that is under way. */
    boolean anyRunning() {
        return ticking.stream()
                .map(departures::state)
                .anyMatch(departure -> departure.attempts().all().stream()
                        .anyMatch(start -> start.tapped() != null
                                && start.tapped().hasBegun()
                                && !start.tapped().ended()));
    }

    private void tick(UUID id, Instant now) {
        Departure departure = departures.state(id);
        Optional<StartProfile> profile = packs.profileOf(departure.opening());
        List<Integer> moving = profile.isEmpty() || departure.lifecycle().closed()
                ? List.of()
                : departure.attempts().byEngine().keySet().stream()
                        .filter(engine -> isMoving(departure, profile.get(), engine, now))
                        .toList();
        if (moving.isEmpty()) {
            ticking.remove(id);
        }
        moving.forEach(engine -> tell(departure, profile.orElseThrow(), engine, now));
    }

    private static boolean isMoving(Departure departure, StartProfile profile, int engine, Instant now) {
        return TappedEngine.of(profile, departure.attempts(), departure.isRead(), engine)
                .filter(tapped -> !tapped.told().ended()
                        || now.isBefore(tapped.duty(now).allowedAt())
                        || tapped.since(now)
                                        .compareTo(SHOWN_AFTER.plus(
                                                tapped.newest().summary() == null
                                                        ? Duration.ZERO
                                                        : tapped.newest()
                                                                .summary()
                                                                .lasted()))
                                < 0)
                .isPresent();
    }

    private static Optional<StartMessage> message(Departure departure, StartProfile profile, int engine, Instant now) {
        return TappedEngine.of(profile, departure.attempts(), departure.isRead(), engine)
                .map(tapped -> new StartMessage(
                        view(profile, tapped, engine, departure.plan().engine(engine), now), List.of()));
    }

    private static StartView view(StartProfile profile, TappedEngine tapped, int engine, String name, Instant now) {
        TappedWatch watch = tapped.watch(now);
        StartAdvice advice = tapped.advice(name, now);
        boolean runs = tapped.told().hasBegun() && !tapped.told().ended();
        StarterDuty.NextTry duty = tapped.duty(now);
        AttemptSummary summary = tapped.newest().summary();
        StartView.Taps taps = new StartView.Taps(
                watch.nextTap(advice),
                tapped.told().starter(),
                tapped.told().fuel(),
                tapped.told().last().tap(),
                tapped.told().last().tap().words(),
                tapped.told().last().by(),
                watch.questions(),
                watch.wrongs(),
                peakNote(profile, summary));
        return new StartView(
                engine,
                name,
                tapped.newest().number(),
                tapped.newest().startedAt(),
                runs,
                now,
                advice.verdict(),
                advice.ladder(),
                List.of(),
                List.of(),
                advice.script(),
                tapped.told().findings(),
                List.of(),
                summary == null ? null : summary.outcome(),
                List.of(),
                duty,
                duty.words(now, Double.NaN),
                tapped.told().starter() ? Duration.ZERO : null,
                taps);
    }

    private static @Nullable String peakNote(StartProfile profile, @Nullable AttemptSummary summary) {
        return summary == null || summary.peak_c() == null ? null : Lane.temperature(profile, summary.peak_c());
    }
}
