package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuRule;
import org.skelda.core.crew.Person;
import org.skelda.core.feed.Feed;
import org.skelda.core.log.LogEntry;

/**
 * The APU of a departure: nothing but the fold of what was told of it.
 *
 * @param begun one that is off, as it was before anything was told
 * @param told everything that happened to it, in order
 * @param apu as it stood after the newest of that
 * @param ran how long it had burnt fuel in runs that are over
 * @param runsSince when the run began that is not over; null when none runs
 * @param readSince since when its readings arrive; null before any
 * @param early what was done although it should not have been, in order
 * @param hot limits that were passed, in order
 * @param peaks highest temperatures, in order
 */
public record ApuHistory(
        Apu begun,
        List<Told> told,
        Apu apu,
        Duration ran,
        @Nullable Instant runsSince,
        @Nullable Instant readSince,
        List<Early> early,
        List<ApuFact.ApuTooHot> hot,
        List<ApuFact.ApuPeak> peaks) {

    /** Something that happened. @param by who told it */
    public record Told(ApuEvent what, Person by) {
        /** Whether a feed told it. */
        public boolean isRead() {
            return by.id().startsWith("feed:");
        }
    }

    /** Something that was done too early. @param warning why it should have waited */
    public record Early(Told told, String warning) {}

    public ApuHistory {
        early = List.copyOf(early);
        told = List.copyOf(told);
        hot = List.copyOf(hot);
        peaks = List.copyOf(peaks);
    }

    /** Before anything was told. */
    public static ApuHistory begin(ApuRule rule, Instant at) {
        Apu off = Apu.off(rule, at);
        return new ApuHistory(off, List.of(), off, Duration.ZERO, null, null, List.of(), List.of(), List.of());
    }

    /** Folds one entry in. */
    public ApuHistory apply(LogEntry<ApuFact> entry) {
        return switch (entry.event()) {
            case ApuFact.ApuTold(var what) -> happened(new Told(what, entry.actor()));
            case ApuFact.ApuUntold _ -> untold();
            case ApuFact.ApuRead(var since) ->
                new ApuHistory(begun, told, apu, ran, runsSince, since, early, hot, peaks);
            case ApuFact.ApuTooHot one -> {
                List<ApuFact.ApuTooHot> all = new ArrayList<>(hot);
                all.add(one);
                yield new ApuHistory(begun, told, apu, ran, runsSince, readSince, early, all, peaks);
            }
            case ApuFact.ApuPeak one -> {
                List<ApuFact.ApuPeak> all = new ArrayList<>(peaks);
                all.add(one);
                yield new ApuHistory(begun, told, apu, ran, runsSince, readSince, early, hot, all);
            }
        };
    }

    private ApuHistory happened(Told one) {
        List<Told> all = new ArrayList<>(told);
        all.add(one);
        Instant at = one.what().at();
        Apu before = apu.at(at);
        Apu after = before.step(one.what());
        Duration burnt = ran;
        Instant since = runsSince;
        if (since != null && !before.turns()) {
            burnt = burnt.plus(over(since, before.phase() == Apu.Phase.SPOOLING_DOWN ? before.since() : at));
            since = null;
        }
        if (since != null && !after.turns()) {
            burnt = burnt.plus(over(since, after.since()));
            since = null;
        }
        if (since == null && after.turns()) {
            since = at;
        }
        String warning = apu.warning(one.what());
        List<Early> warned = new ArrayList<>(early);
        if (warning != null && apu.refusal(one.what()) == null) {
            warned.add(new Early(one, warning));
        }
        return new ApuHistory(begun, all, after, burnt, since, readSince, warned, hot, peaks);
    }

    private static Duration over(Instant from, Instant to) {
        return to.isBefore(from) ? Duration.ZERO : Duration.between(from, to);
    }

    /** Without the newest, from the beginning: what came of it is gone too. */
    private ApuHistory untold() {
        ApuHistory again =
                new ApuHistory(begun, List.of(), begun, Duration.ZERO, null, readSince, List.of(), hot, peaks);
        for (Told one : told.subList(0, Math.max(0, told.size() - 1))) {
            again = again.happened(one);
        }
        return again;
    }

    /** What was told last; empty before anything was. */
    public Optional<Told> newest() {
        return told.isEmpty() ? Optional.empty() : Optional.of(told.getLast());
    }

    /** As it stands then. @param at the time asked about; one before the newest event counts as that event's */
    public Apu at(Instant at) {
        return apu.at(at);
    }

    /** How long it has burnt fuel until then, over all runs. */
    public Duration burning(Instant at) {
        if (runsSince == null) {
            return ran;
        }
        Apu now = apu.at(at);
        return ran.plus(over(runsSince, now.turns() ? at : now.since()));
    }

    /** Whether a feed that is live reads it. @param feed of the departure; null when there is none */
    public boolean isRead(@Nullable Feed feed) {
        return feed != null && feed.live() && readSince != null && !readSince.isBefore(feed.attachedAt());
    }

    /** As it stood then, by what had been told before. @param at any time */
    public Apu before(Instant at) {
        Apu then = begun;
        for (Told one : told) {
            if (one.what().at().isBefore(at)) {
                then = then.step(one.what());
            }
        }
        return then.at(at);
    }

    /** Whether its master switch is on, by what was told last of it. */
    public boolean masterOn() {
        for (int i = told.size() - 1; i >= 0; i--) {
            switch (told.get(i).what()) {
                case ApuEvent.MasterOff _ -> {
                    return false;
                }
                case ApuEvent.MasterOn _, ApuEvent.Found _ -> {
                    return true;
                }
                default -> {}
            }
        }
        return false;
    }

    /** When the run began that is under way, or was the last: its master switch on. Empty before any. */
    public Optional<Instant> runBegan() {
        for (int i = told.size() - 1; i >= 0; i--) {
            if (told.get(i).what() instanceof ApuEvent.MasterOn on) {
                return Optional.of(on.at());
            }
        }
        return told.isEmpty()
                ? Optional.empty()
                : Optional.of(told.getFirst().what().at());
    }
}
