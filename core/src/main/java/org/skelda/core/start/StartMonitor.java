package org.skelda.core.start;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Watches one engine's starts. Samples and the passing of time go in; {@link #attempts} and {@link StartAdvice} say at
 * any moment what has happened, what is wrong and what to do. A recorded trace and a live feed pass through the same
 * code with the same answer; extra calls of {@link #advanceTo} never change it.
 *
 * <p>An attempt begins when the starter goes on and none is running. It ends 10 s after idle; or when starter and fuel
 * are off and the start spool is under 5 %; or where the starter goes on again with fuel off at or under the type's
 * re-engagement speed: there the next one begins. A starter that is on at the very first sample was not seen to go on:
 * that start is not judged.
 *
 * <p>Times are microseconds on the clock of the samples. One thread.
 */
public final class StartMonitor {
    private static final int NONE = -1;

    private final StartProfile profile;
    private final double elevation_ft;
    private final Readings readings;
    private final Switches switches;
    private final Clearing clearing;
    private final CutWatch cutWatch;
    private final Supplier<TemperatureForecast> forecasts;
    private final List<AttemptReport> done = new ArrayList<>();
    private @Nullable Attempt attempt;
    /** The running attempt as it stands, once it was asked for; null when something has changed since. */
    private @Nullable AttemptReport current;

    private int cutBelongsTo = NONE;
    private double engaged_pct = Double.NaN;
    private long now_us = Long.MIN_VALUE;
    private long lastSample_us = Long.MIN_VALUE;

    /**
     * @param profile of the type
     * @param elevation_ft of the stand, -2,000 to 20,000 ft
     * @throws IllegalArgumentException for an elevation out of range
     */
    public StartMonitor(StartProfile profile, double elevation_ft) {
        this(profile, elevation_ft, Forecasts::chosen);
    }

    /** A monitor with another forecast, to compare them. */
    public StartMonitor(StartProfile profile, double elevation_ft, Supplier<TemperatureForecast> forecasts) {
        this(profile, elevation_ft, new Switches(), new Clearing(profile), forecasts);
        if (!(elevation_ft >= -2000 && elevation_ft <= 20_000)) {
            throw new IllegalArgumentException(
                    "an elevation of " + elevation_ft + " ft is out of range; give -2,000 to 20,000 ft");
        }
    }

    /**
     * Another monitor that stands as this one does, between attempts, and goes its own way from here.
     *
     * @throws IllegalStateException while an attempt runs
     */
    public StartMonitor fork() {
        if (attempt != null) {
            throw new IllegalStateException("a monitor is forked between attempts, not in the middle of one");
        }
        StartMonitor fork = new StartMonitor(profile, elevation_ft, switches.copy(), clearing.copy(), forecasts);
        fork.readings.resume(readings);
        fork.cutWatch.resume(cutWatch);
        fork.done.addAll(done);
        fork.cutBelongsTo = cutBelongsTo;
        fork.engaged_pct = engaged_pct;
        fork.now_us = now_us;
        fork.lastSample_us = lastSample_us;
        return fork;
    }

    private StartMonitor(
            StartProfile profile,
            double elevation_ft,
            Switches switches,
            Clearing clearing,
            Supplier<TemperatureForecast> forecasts) {
        this.profile = profile;
        this.elevation_ft = elevation_ft;
        this.readings = new Readings(profile, elevation_ft);
        this.switches = switches;
        this.clearing = clearing;
        this.cutWatch = new CutWatch(profile, readings, this::raiseOfCut);
        this.forecasts = forecasts;
        readings.always(cutWatch);
    }

    /**
     * Time has passed: what falls due before this moment falls due. A moment before one that was given already is no
     * news.
     *
     * @param at_us the present
     */
    public void advanceTo(long at_us) {
        if (at_us <= now_us) {
            return;
        }
        now_us = at_us;
        current = null;
        if (attempt == null) {
            readings.advanceTo(at_us);
            return;
        }
        attempt.advanceTo(at_us);
        fileIfEnded();
    }

    /**
     * A sample: first time advances to it, then it is taken in.
     *
     * @throws IllegalArgumentException when it is not later than the one before
     */
    public void accept(Sample sample) {
        if (lastSample_us != Long.MIN_VALUE && sample.at_us() <= lastSample_us) {
            throw new IllegalArgumentException(
                    "a sample at " + sample.at_us() + " us is not later than the one at " + lastSample_us + " us");
        }
        lastSample_us = sample.at_us();
        advanceTo(sample.at_us());
        current = null;
        switches.absorb(sample);
        readings.absorb(sample);
        clear(sample);
        if (switches.starterTurnedOn()) {
            engaged_pct = value(Parameter.SPOOL);
        }
        if (switches.fuelTurnedOff()) {
            cutBelongsTo = count() - 1;
        }
        if (attempt != null && engagesAnew()) {
            attempt.giveWay(sample);
            fileIfEnded();
        }
        if (attempt == null && switches.starterTurnedOn()) {
            attempt = new Attempt(
                    profile, readings, switches, clearing, !done.isEmpty(), sample.at_us(), forecasts.get());
        }
        if (attempt != null) {
            attempt.absorb(sample);
        }
        if (attempt != null && attempt.isReached(Milestone.IDLE)) {
            clearing.atIdle();
        }
        fileIfEnded();
        cutWatch.absorb(sample, switches);
    }

    private void clear(Sample sample) {
        clearing.advanceTo(sample.at_us());
        clearing.switched(switches.starter(), switches.fuel(), switches.ignitionMeasured() && switches.ignition());
        clearing.read(sample.temperature_c());
    }

    /**
     * The starter goes on again, with fuel off, at or under the type's re-engagement speed, or at any where it has
     * none.
     */
    private boolean engagesAnew() {
        Double atMost = profile.starter().engageAtOrBelow_pct();
        return switches.starterTurnedOn()
                && !switches.fuel()
                && (atMost == null || readings.value(Parameter.SPOOL, now_us) <= atMost);
    }

    /** How many attempts there were, the running one included. */
    public int count() {
        return done.size() + (attempt == null ? 0 : 1);
    }

    /** A finding of the watch after a cut: it belongs to the attempt of the cut, whether or not that still runs. */
    private void raiseOfCut(FindingId id, long at_us, Action action, String reason) {
        if (cutBelongsTo == NONE) {
            return;
        }
        if (attempt != null && cutBelongsTo == done.size()) {
            attempt.raise(id, at_us, action, reason);
            return;
        }
        AttemptReport report = done.get(cutBelongsTo);
        if (report.findings().stream().noneMatch(finding -> finding.id() == id)) {
            done.set(
                    cutBelongsTo,
                    report.with(
                            new Finding(id, Duration.ofNanos((at_us - report.startedAt_us()) * 1000), action, reason)));
        }
    }

    private void fileIfEnded() {
        if (attempt != null && attempt.isEnded()) {
            done.add(AttemptReport.of(attempt));
            attempt = null;
        }
    }

    /** All attempts so far in their order, the running one last. */
    public List<AttemptReport> attempts() {
        List<AttemptReport> all = new ArrayList<>(done);
        running().ifPresent(all::add);
        return List.copyOf(all);
    }

    /** The type's numbers. */
    StartProfile profile() {
        return profile;
    }

    /** Time since an attempt of this monitor began. */
    public Duration since(AttemptReport report) {
        return Duration.ofNanos((now_us - report.startedAt_us()) * 1000);
    }

    /** How the engine stands now. */
    public Standing standing() {
        clearing.advanceTo(now_us);
        double flow = value(Parameter.FLOW);
        boolean starter = switches.starter();
        return new Standing(
                switches.fuel(),
                switches.ignitionMeasured() ? (Boolean) switches.ignition() : null,
                starter,
                starter ? Duration.ofNanos((now_us - switches.starterOn_us()) * 1000) : Duration.ZERO,
                known(engaged_pct),
                clearing.left(),
                known(clearing.coolestTurning_c()),
                known(value(Parameter.SPOOL)),
                known(value(Parameter.TEMPERATURE)),
                known(flow),
                !(flow > CutWatch.STOPPED_FLOW_kgph));
    }

    private static @Nullable Double known(double value) {
        return Double.isNaN(value) || Double.isInfinite(value) ? null : (Double) value;
    }

    /**
     * How the engine is seen now. @param silent whether nothing has come for too long; @param time a moment in words
     */
    Sight sight(boolean silent, StartAdvice.TimeWords time) {
        Attempt a = attempt;
        if (a == null) {
            return new Sight(false, silent, null, "", null, null);
        }
        return new Sight(
                false,
                silent,
                a.isBlind() ? lost(a, time) : null,
                a.unwatched(),
                silent ? null : FuelGate.of(a),
                a.next());
    }

    private String lost(Attempt a, StartAdvice.TimeWords time) {
        Parameter which = readings.of(Parameter.SPOOL).isLostAt(now_us) ? Parameter.SPOOL : Parameter.TEMPERATURE;
        return readings.of(which).isMeasured()
                ? profile.words(which) + " not read since "
                        + time.of(readings.of(which).last_us()) + "."
                : profile.words(which) + " was never read.";
    }

    /** The last reading of a parameter while it may be used; NaN when it is lost or was never there. */
    public double value(Parameter parameter) {
        return readings.value(parameter, now_us);
    }

    /**
     * The temperature's forecast from the last reading on, one point each {@link TemperatureForecast#DRAWN_EVERY_s}.
     *
     * @param steps how many points; the curve is meant for 5 s
     * @return degC; empty while nothing is forecast, and once the fuel is off or idle is reached
     */
    public List<Double> forecast(int steps) {
        return attempt == null || !switches.fuel() || attempt.isReached(Milestone.IDLE)
                ? List.of()
                : attempt.forecast().drawnOn(steps);
    }

    /** The present: the newest moment that was given; {@link Long#MIN_VALUE} before there was one. */
    public long now_us() {
        return now_us;
    }

    /** Whether an attempt runs. */
    public boolean isRunning() {
        return attempt != null;
    }

    /** The running attempt as it stands; empty between attempts. */
    public Optional<AttemptReport> running() {
        if (attempt != null && current == null) {
            current = AttemptReport.of(attempt);
        }
        return Optional.ofNullable(attempt == null ? null : current);
    }
}
