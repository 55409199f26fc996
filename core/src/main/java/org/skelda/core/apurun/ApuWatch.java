package org.skelda.core.apurun;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuSample;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;
import org.skelda.core.limit.Signal;
import org.skelda.core.start.Switch;

/**
 * Watches an APU by the readings of a feed: what happens to it, and whether its temperature passes a limit of its start
 * or of its run. What it tells is enough to fold the same state without the readings. A reading that is missing decides
 * nothing. Where the feed contradicts what was expected, what the feed shows counts.
 *
 * <p>One thread.
 */
public final class ApuWatch {
    private static final long NS_PER_US = 1000;
    private static final long US_PER_S = 1_000_000;

    private final ApuProfile profile;
    private final Signal temperature;
    private final List<Watched> limits = new ArrayList<>();
    private final List<ApuFact> found = new ArrayList<>();
    private Apu apu;
    private @Nullable Phase watched;
    private boolean master;
    private boolean masterWaits;
    private Switch battery = Switch.UNTOLD;
    private double peak_c = Double.NaN;
    private @Nullable Instant seenFrom;

    /** A limit, and when it counts. */
    private record Watched(boolean starting, DwellWatch watch) {}

    /** @param history all that was told before */
    public ApuWatch(ApuProfile profile, ApuHistory history) {
        this.profile = profile;
        this.apu = history.apu();
        this.master = history.masterOn();
        profile.startLimits().forEach(limit -> limits.add(watch(true, limit)));
        limits.add(watch(false, Limit.above(profile.runningMax_C(), java.time.Duration.ZERO)));
        this.temperature = new Signal(new Signal.Listener() {
            @Override
            public void line(long from_us, double from, long to_us, double to) {
                limits.forEach(one -> one.watch().line(from_us, from, to_us, to));
            }

            @Override
            public void lost(long at_us) {
                limits.forEach(one -> one.watch().lost(at_us));
            }
        });
    }

    private Watched watch(boolean starting, Limit limit) {
        return new Watched(
                starting,
                new DwellWatch(
                        limit,
                        at_us -> found.add(
                                new ApuFact.ApuTooHot(starting, limit.value(), limit.allowed(), instant(at_us)))));
    }

    /**
     * Others told something meanwhile: it stands as they have it. A limit that is being passed goes on being passed,
     * and the peak of what still lasts is kept.
     *
     * @param history all that was told
     */
    public void told(ApuHistory history) {
        apu = history.apu().knowing(apu);
        master = history.masterOn();
    }

    /** As it stands by the newest reading. */
    public Apu apu() {
        return apu;
    }

    /**
     * Takes one reading.
     *
     * @param sample later than the one before; an earlier one tells nothing
     * @return what it tells that was not known, in order
     */
    public List<ApuFact> accept(ApuSample sample) {
        Instant at = instant(sample.at_us());
        if (at.isBefore(apu.since())) {
            return List.of();
        }
        apu = apu.at(at);
        boolean begunBefore = watched == null && at.isAfter(apu.since());
        follow(begunBefore ? at : null);
        boolean unexplained = contradictions(sample, at);
        switches(sample, at);
        read(sample, at);
        if (masterWaits && apu.phase() == Phase.STOPPED) {
            masterWaits = false;
            can(new ApuEvent.MasterOn(at), battery != Switch.OFF);
        }
        follow(unexplained ? at : null);
        if (!Double.isNaN(sample.temperature_c())) {
            temperature.read(sample.at_us(), sample.temperature_c());
            if (apu.turns()) {
                peak_c = Double.isNaN(peak_c) ? sample.temperature_c() : Math.max(peak_c, sample.temperature_c());
            }
        }
        List<ApuFact> told = List.copyOf(found);
        found.clear();
        return told;
    }

    /**
     * The limits of its start count while it starts, that of its run from being available on.
     *
     * @param middle now, where it was met in the middle of what it does; null where that is seen from its beginning
     */
    private void follow(@Nullable Instant middle) {
        if (apu.phase() == watched) {
            return;
        }
        if (watched == Phase.STARTING || watched == Phase.AVAILABLE && !apu.turns() || watched == Phase.COOLING) {
            if (!Double.isNaN(peak_c)) {
                found.add(new ApuFact.ApuPeak(watched == Phase.STARTING, peak_c, apu.since(), seenFrom));
            }
            peak_c = Double.NaN;
            seenFrom = null;
        }
        if (middle != null && apu.turns()) {
            seenFrom = middle;
        }
        long since_us = micros(apu.since());
        boolean starts = apu.phase() == Phase.STARTING;
        boolean runs = apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING;
        boolean ran = watched == Phase.AVAILABLE || watched == Phase.COOLING;
        for (Watched one : limits) {
            boolean counts = one.starting() ? starts : runs;
            if (!counts) {
                one.watch().closeAt(since_us);
            } else if (one.starting() || !ran) {
                one.watch().openFrom(since_us);
            }
        }
        watched = apu.phase();
    }

    /**
     * What cannot be explained by what was told before is taken as it is found.
     *
     * @return whether it was found in the middle of something
     */
    private boolean contradictions(ApuSample sample, Instant at) {
        double speed_pct = sample.speed_pct();
        if (sample.stopped() != null && apu.turns()) {
            happened(new ApuEvent.StoppedItself(at, sample.stopped()));
            return false;
        }
        if (Double.isNaN(speed_pct)) {
            return false;
        }
        boolean on = sample.master() == Switch.ON;
        boolean ran = apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING;
        if (ran && speed_pct < profile.rule().starterOutAt_pct()) {
            happened(found(at, Phase.SPOOLING_DOWN, sample));
        } else if (on
                && sample.stopped() == null
                && isAtRest()
                && speed_pct >= profile.rule().availableAt_pct()) {
            happened(found(at, Phase.AVAILABLE, sample));
        } else if (on
                && sample.stopped() == null
                && isAtRest()
                && speed_pct >= profile.rule().fuelAt_pct()
                && sample.start() != Switch.OFF) {
            happened(found(at, Phase.STARTING, sample));
        } else {
            return false;
        }
        return true;
    }

    private boolean isAtRest() {
        return apu.phase() == Phase.OFF || apu.phase() == Phase.POWERED || apu.phase() == Phase.STOPPED;
    }

    private static ApuEvent.Found found(Instant at, Phase phase, ApuSample sample) {
        return new ApuEvent.Found(at, phase, sample.generator() == Switch.ON, sample.bleed() == Switch.ON);
    }

    private void switches(ApuSample sample, Instant at) {
        if (sample.battery() == Switch.OFF && battery == Switch.ON) {
            happened(new ApuEvent.BatteriesOff(at));
        }
        battery = sample.battery() == Switch.UNTOLD ? battery : sample.battery();
        can(new ApuEvent.EmergencyStop(at), sample.emergency() == Switch.ON && apu.turns());
        can(new ApuEvent.ResetOutside(at), sample.latched() == Switch.OFF && apu.latched());
        boolean switchedOn = sample.master() == Switch.ON && (!master || masterWaits);
        master = sample.master() == Switch.UNTOLD ? master : sample.master() == Switch.ON;
        // Switched on while it still turns, it is powered once it stands.
        masterWaits = switchedOn && apu.phase() == Phase.SPOOLING_DOWN && !apu.latched() && battery != Switch.OFF;
        can(new ApuEvent.MasterOn(at), switchedOn && battery != Switch.OFF);
        can(new ApuEvent.MasterOff(at), sample.master() == Switch.OFF);
        can(
                new ApuEvent.ReadySeen(at),
                sample.ready() == Switch.ON && !apu.run().readySeen());
        can(new ApuEvent.StartSelected(at), sample.start() == Switch.ON && apu.phase() == Phase.POWERED);
        loads(sample, at);
    }

    private void loads(ApuSample sample, Instant at) {
        can(
                new ApuEvent.Generator(at, true),
                sample.generator() == Switch.ON && !apu.run().generator());
        can(
                new ApuEvent.Generator(at, false),
                sample.generator() == Switch.OFF && apu.run().generator());
        can(
                new ApuEvent.Bleed(at, true),
                sample.bleed() == Switch.ON && !apu.run().bleed());
        can(
                new ApuEvent.Bleed(at, false),
                sample.bleed() == Switch.OFF && apu.run().bleed());
    }

    private void can(ApuEvent event, boolean shown) {
        if (shown && apu.refusal(event) == null) {
            happened(event);
        }
    }

    private void happened(ApuEvent event) {
        apu = apu.step(event);
        found.add(new ApuFact.ApuTold(event));
    }

    /** What the instruments show of its start and of its running down. */
    private void read(ApuSample sample, Instant at) {
        Apu before = apu;
        apu = apu.step(new ApuEvent.Read(at, or(sample.speed_pct()), or(sample.temperature_c())));
        if (before.phase() == Phase.SPOOLING_DOWN && apu.phase() == Phase.STOPPED) {
            found.add(new ApuFact.ApuTold(new ApuEvent.ZeroSeen(at)));
        }
        for (ApuMilestone milestone : ApuMilestone.values()) {
            if (apu.run().seen().containsKey(milestone) && !before.run().seen().containsKey(milestone)) {
                found.add(new ApuFact.ApuTold(new ApuEvent.MilestoneSeen(at, milestone)));
            }
        }
        boolean first = !before.run().seen().containsKey(ApuMilestone.UP_TO_SPEED);
        boolean held = apu.run().settling() != null;
        if (apu.phase() == Phase.STARTING && !first && held != (before.run().settling() != null)) {
            found.add(new ApuFact.ApuTold(new ApuEvent.SpeedHeld(at, held)));
        }
    }

    private static @Nullable Double or(double value) {
        return Double.isNaN(value) ? null : (Double) value;
    }

    private static Instant instant(long at_us) {
        return Instant.ofEpochSecond(Math.floorDiv(at_us, US_PER_S), Math.floorMod(at_us, US_PER_S) * NS_PER_US);
    }

    private static long micros(Instant at) {
        return Math.addExact(Math.multiplyExact(at.getEpochSecond(), US_PER_S), at.getNano() / NS_PER_US);
    }
}
