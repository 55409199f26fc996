package org.skelda.core.departure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.skelda.core.start.AfterCut;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Standing;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TappedStart;

/** An engine whose newest start is tapped: its starter's times and the script after a cut, over all attempts of the departure. */
public final class TappedEngine {
    private final StartProfile profile;
    private final List<StartRecord> starts;
    private final StartRecord newest;
    private final TappedStart told;

    private TappedEngine(StartProfile profile, List<StartRecord> starts, TappedStart told) {
        this.profile = profile;
        this.starts = starts;
        this.newest = starts.getLast();
        this.told = told;
    }

    /**
     * @param profile of the type
     * @param departure as it stands
     * @return empty when the newest start of the engine is not tapped, or when it has ended and a feed reads the engine now
     */
    public static Optional<TappedEngine> of(StartProfile profile, Departure departure, int engine) {
        List<StartRecord> starts = departure.starts(engine);
        TappedStart told = starts.isEmpty() ? null : starts.getLast().tapped();
        boolean read = departure.feed() != null && departure.feed().live();
        return told == null || told.ended() && read ? Optional.empty() : Optional.of(new TappedEngine(profile, starts, told));
    }

    /** The newest attempt. */
    public StartRecord newest() {
        return newest;
    }

    public TappedStart told() {
        return told;
    }

    /** Time since the starter of the newest attempt went on; never negative. */
    public Duration since(Instant now) {
        return since(newest, now);
    }

    private static Duration since(StartRecord start, Instant now) {
        return now.isBefore(start.startedAt()) ? Duration.ZERO : Duration.between(start.startedAt(), now);
    }

    /** Times of the starter: the next try, or the one that runs. */
    public StarterDuty.NextTry duty(Instant now) {
        return StarterDuty.next(profile.starter(), engagements(), now);
    }

    private List<StarterDuty.Engagement> engagements() {
        return starts.stream().flatMap(start -> start.engagement().stream()).toList();
    }

    /** The steps after the newest cut, until fuel comes on in a later attempt; empty when there was none. */
    public List<AfterCut.Step> script(Instant now) {
        StartRecord cut = null;
        for (StartRecord start : starts) {
            boolean off = start.tapped() != null && (start.tapped().has(Tap.FUEL_OFF) || start.findings().stream().anyMatch(finding -> finding.action().cuts()));
            cut = off ? start : start.milestones().containsKey(Milestone.FUEL_ON) ? null : cut;
        }
        if (cut == null || cut.tapped() == null || cut.tapped().has(Tap.IDLE) && !cut.tapped().has(Tap.FUEL_OFF)) {
            return List.of();
        }
        AttemptReport report = cut.tapped().report(since(cut, now));
        StarterDuty.NextTry next = told.starter() ? afterThisTry(now) : duty(now);
        return AfterCut.script(profile, report, standing(cut, cut.tapped(), now), next, Duration.between(now, next.allowedAt()));
    }

    /** The next try, were the starter switched off now. */
    private StarterDuty.NextTry afterThisTry(Instant now) {
        List<StarterDuty.Engagement> all = engagements().stream()
                .map(engagement -> engagement.off() == null ? new StarterDuty.Engagement(engagement.on(), now) : engagement).toList();
        return StarterDuty.next(profile.starter(), all, now);
    }

    /** How the engine stands in the time of an attempt, as far as was told. */
    private Standing standing(StartRecord cut, TappedStart ofCut, Instant now) {
        Duration offAt = ofCut.told(Tap.FUEL_OFF).map(TappedStart.Told::at).orElse(null);
        Duration stopped = ofCut.told(Tap.STARTER_OFF).map(TappedStart.Told::at).orElse(null);
        boolean again = newest != cut;
        Duration on = again ? Duration.between(cut.startedAt(), newest.startedAt()) : Duration.ZERO;
        Duration off = again ? told.told(Tap.STARTER_OFF).map(tap -> on.plus(tap.at())).orElse(stopped) : stopped;
        Duration firstOff = stopped == null || offAt == null ? null : stopped.compareTo(offAt) > 0 ? stopped : offAt;
        return new Standing(since(cut, now), ofCut.fuel(), offAt, told.starter(), on, off, firstOff, null, null, null, ofCut.has(Tap.FLOW_FALLS));
    }
}
