package org.skelda.core.attempt;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.skelda.core.start.Clearing;
import org.skelda.core.start.StartAdvice;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.StarterDuty;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TappedStart;
import org.skelda.core.start.TappedWatch;

/**
 * An engine whose newest start is tapped: its starter's times, what is said of it and what is asked, over all attempts
 * of the departure.
 */
public final class TappedEngine {
    private final StartProfile profile;
    private final List<StartRecord> starts;
    private final StartRecord newest;
    private final TappedStart told;

    private TappedEngine(StartProfile profile, List<StartRecord> starts, TappedStart told) {
        this.profile = profile;
        this.starts = starts.stream().filter(start -> start.tapped() != null).toList();
        this.newest = starts.getLast();
        this.told = told;
    }

    /**
     * @param profile of the type
     * @param attempts of the departure
     * @param read whether a feed reads the aircraft now
     * @return empty when the newest start of the engine is not tapped, or when it does not run and a feed reads the
     *     engine now
     */
    public static Optional<TappedEngine> of(StartProfile profile, Attempts attempts, boolean read, int engine) {
        List<StartRecord> starts = attempts.of(engine);
        TappedStart told = starts.isEmpty() ? null : starts.getLast().tapped();
        return told == null || (told.ended() || !told.hasBegun()) && read
                ? Optional.empty()
                : Optional.of(new TappedEngine(profile, starts, told));
    }

    /** The newest attempt. */
    public StartRecord newest() {
        return newest;
    }

    public TappedStart told() {
        return told;
    }

    /** Time since the starter of the newest attempt went on, or its ignition before it; never negative. */
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

    /** The next try, were the starter switched off now. */
    private StarterDuty.NextTry afterThisTry(Instant now) {
        List<StarterDuty.Engagement> all = engagements().stream()
                .map(engagement ->
                        engagement.off() == null ? new StarterDuty.Engagement(engagement.on(), now) : engagement)
                .toList();
        return StarterDuty.next(profile.starter(), all, now);
    }

    /** What is asked and offered beside it. */
    public TappedWatch watch(Instant now) {
        return new TappedWatch(profile, told, clearing(now).left());
    }

    /** What is said of it. @param engine how the crew calls it */
    public StartAdvice advice(String engine, Instant now) {
        StarterDuty.NextTry next = told.starter() ? afterThisTry(now) : duty(now);
        List<TappedWatch.Attempt> attempts = starts.stream()
                .filter(start -> start.tapped() != null && start.tapped().hasBegun())
                .map(start -> new TappedWatch.Attempt(start.tapped(), since(start, now)))
                .toList();
        return watch(now).advice(engine, attempts, flowFell(), next, Duration.between(now, next.allowedAt()));
    }

    /** Whether the crew saw the flow fall after the newest cut; without a fuel there is none to fall. */
    private boolean flowFell() {
        for (int i = starts.size() - 1; i >= 0; i--) {
            TappedStart start = starts.get(i).tapped();
            if (start != null && start.has(Tap.FUEL_ON)) {
                return start.has(Tap.FLOW_FALLS);
            }
        }
        return true;
    }

    /** What the engine's last fuel left to be done, from what was told of starter, fuel and ignition. */
    private Clearing clearing(Instant now) {
        Clearing clearing = new Clearing(profile);
        boolean ignition = false;
        for (StartRecord start : starts) {
            TappedStart taps = start.tapped();
            if (taps != null && taps.hasBegun()) {
                tell(clearing, start, taps, ignition);
                ignition = taps.ignitionAfter(ignition);
            }
        }
        clearing.advanceTo(micros(now));
        return clearing;
    }

    private void tell(Clearing clearing, StartRecord start, TappedStart taps, boolean ignitionBefore) {
        boolean switched = profile.drive().ignition() == StartProfile.Ignition.SWITCH_BEFORE_STARTER;
        boolean ignition = ignitionBefore;
        boolean starter = false;
        boolean fuel = false;
        for (TappedStart.Told one : taps.taps()) {
            clearing.advanceTo(micros(start.startedAt().plus(one.at())));
            switch (one.tap()) {
                case STARTER_ON -> starter = true;
                case STARTER_OFF -> starter = false;
                case FUEL_ON -> fuel = true;
                case FUEL_OFF -> fuel = false;
                case LIGHT_OFF -> clearing.lit();
                case IDLE -> {
                    clearing.atIdle();
                    starter = false;
                }
                default -> {}
            }
            ignition = taps.ignitionAfter(ignition, one.tap());
            // A lever that carries its ignition takes it off with the fuel.
            clearing.switched(starter, fuel, ignition && switched);
        }
    }

    private static long micros(Instant at) {
        return Math.addExact(Math.multiplyExact(at.getEpochSecond(), 1_000_000L), at.getNano() / 1000);
    }
}
