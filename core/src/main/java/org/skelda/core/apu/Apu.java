package org.skelda.core.apu;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * An APU as far as it is known: by its controls, by readings of a feed, or by what the crew saw. Time is passed in;
 * what falls due by time alone is found when it is asked for, at the moment at which it fell due. A reading that is
 * missing decides nothing.
 *
 * @param rule of the type
 * @param phase what it does
 * @param since when that began
 * @param run what is known of this run
 * @param tries the starts that failed one after the other
 * @param latched whether batteries that went off too early have latched its fault
 */
public record Apu(ApuRule rule, Phase phase, Instant since, ApuRun run, ApuTries tries, boolean latched) {
    private static final double LIT_OVER_LOWEST_C = 30;
    private static final double STANDS_STILL_PCT = 1;

    /** What it does. */
    public enum Phase {
        OFF,
        /** Its master switch is on: it tests itself and opens its door. */
        POWERED,
        STARTING,
        AVAILABLE,
        /** Switched off, running on without load until it is cool. */
        COOLING,
        SPOOLING_DOWN,
        /** It stands still; the batteries stay on for a while. */
        STOPPED
    }

    /** One that is off and has done nothing yet. */
    public static Apu off(ApuRule rule, Instant at) {
        return new Apu(rule, Phase.OFF, at, ApuRun.NONE, ApuTries.NONE, false);
    }

    /** As it stands then: what time alone has brought is there. @param at not before anything that has happened */
    public Apu at(Instant at) {
        Optional<Instant> due = due();
        return due.isEmpty() || at.isBefore(due.get())
                ? this
                : fallen(due.get()).at(at);
    }

    /** When time alone brings the next phase; empty when it does not. */
    public Optional<Instant> due() {
        return switch (phase) {
            case STARTING -> Optional.ofNullable(run.settling()).map(from -> from.plus(rule.settles()));
            case COOLING -> Optional.of(since.plus(cooling()));
            case STOPPED -> Optional.of(since.plus(rule.batteriesAfter()));
            case OFF, POWERED, AVAILABLE, SPOOLING_DOWN -> Optional.empty();
        };
    }

    /** When it is cool enough to be stopped: it counts from its air off, and one that gave none needs none. */
    public Instant cooledAt() {
        return run.airOffAt() == null ? since : run.airOffAt().plus(rule.coolDown());
    }

    /** What is left of the cool-down when its master switch goes off: it counts from its air off. */
    private Duration cooling() {
        if (run.airOffAt() == null) {
            return Duration.ZERO;
        }
        Duration left = Duration.between(since, run.airOffAt().plus(rule.coolDown()));
        return left.isNegative() ? Duration.ZERO : left;
    }

    private Apu fallen(Instant at) {
        return switch (phase) {
            case STARTING -> new Apu(rule, Phase.AVAILABLE, at, run.available(at), ApuTries.NONE, latched);
            case COOLING -> now(Phase.SPOOLING_DOWN, at, run);
            case STOPPED -> now(Phase.OFF, at, ApuRun.NONE);
            case OFF, POWERED, AVAILABLE, SPOOLING_DOWN -> this;
        };
    }

    /** When it may give air in this run; empty when it is not available. */
    public Optional<Instant> bleedAllowedAt() {
        return phase == Phase.AVAILABLE
                ? Optional.ofNullable(run.availableAt()).map(at -> at.plus(rule.bleedAfter()))
                : Optional.empty();
    }

    /** When it can be started, by time alone and by its tries; empty when its master switch is off. */
    public Optional<Instant> startableAt() {
        if (phase != Phase.POWERED) {
            return Optional.empty();
        }
        Instant ready = run.readySeen() ? since : since.plus(rule.ready());
        Instant rested = tries.restedAt(rule).orElse(since);
        return Optional.of(rested.isAfter(ready) ? rested : ready);
    }

    /** How many starts are left before the long rest. */
    public int triesLeft() {
        return tries.left(rule);
    }

    /** Whether the batteries may go off. */
    public boolean batteriesMayGoOff(Instant at) {
        return at(at).phase == Phase.OFF;
    }

    /** Why something can not happen to it now, in a sentence; null when it can. What only should not is warned of. */
    public @Nullable String refusal(ApuEvent event) {
        if (event.at().isBefore(latest())) {
            return "Time does not run back.";
        }
        Apu apu = at(event.at());
        return switch (event) {
            case ApuEvent.MasterOn _ -> apu.noMaster();
            case ApuEvent.ReadySeen _ -> apu.phase == Phase.POWERED ? null : "It is not waiting to be started.";
            case ApuEvent.StartSelected _ -> apu.noStart();
            case ApuEvent.MilestoneSeen seen -> apu.noMilestone(seen.milestone());
            case ApuEvent.Read _, ApuEvent.BatteriesOff _, ApuEvent.Found _ -> null;
            case ApuEvent.SpeedHeld _ ->
                apu.phase == Phase.STARTING && apu.run.seen().containsKey(ApuMilestone.UP_TO_SPEED)
                        ? null
                        : "It is not settling.";
            case ApuEvent.Generator on ->
                !on.on() || apu.phase == Phase.AVAILABLE ? null : "It gives no current before it is available.";
            case ApuEvent.Bleed on ->
                !on.on() || apu.phase == Phase.AVAILABLE ? null : "It gives no air before it is available.";
            case ApuEvent.MasterOff _ -> apu.isOn() ? null : "Its master switch is off.";
            case ApuEvent.EmergencyStop _, ApuEvent.StoppedItself _ -> apu.turns() ? null : "It does not run.";
            case ApuEvent.ZeroSeen _ -> apu.phase == Phase.SPOOLING_DOWN ? null : "It is not running down.";
            case ApuEvent.ResetOutside _ -> apu.latched ? null : "It has no latched fault.";
        };
    }

    /**
     * With what only its readings tell.
     *
     * @param read the same APU as it was read, by somebody who may not know all that was told
     * @return this one, with the lowest temperature since fuel of the other where both are in the same start
     */
    public Apu knowing(Apu read) {
        return with(run.knowing(read.run));
    }

    private Instant latest() {
        Instant settling = run.settling();
        return settling != null && settling.isAfter(since) ? settling : since;
    }

    private @Nullable String noMaster() {
        if (latched) {
            return "Its fault is latched: the batteries went off too early. Only the panel outside resets it.";
        }
        return phase == Phase.OFF || phase == Phase.STOPPED ? null : "Its master switch is on, or it still turns.";
    }

    private @Nullable String noStart() {
        if (phase == Phase.POWERED) {
            return null;
        }
        return phase == Phase.STARTING || phase == Phase.AVAILABLE
                ? "It is started already."
                : "Its master switch is off.";
    }

    /** Why something should not happen to it now although it can, in a sentence; null when it may. */
    public @Nullable String warning(ApuEvent event) {
        Apu apu = at(event.at());
        return switch (event) {
            case ApuEvent.StartSelected selected -> apu.earlyStart(selected.at());
            case ApuEvent.Bleed on -> on.on() ? apu.earlyAir(on.at()) : null;
            case ApuEvent.BatteriesOff _ ->
                apu.phase == Phase.OFF || apu.phase == Phase.POWERED
                        ? null
                        : "Batteries off now latch a fault that only the panel outside resets.";
            default -> null;
        };
    }

    private @Nullable String earlyStart(Instant at) {
        if (phase != Phase.POWERED) {
            return null;
        }
        if (at.isBefore(tries.restedAt(rule).orElse(since))) {
            return "It rests after a start that failed.";
        }
        return run.readySeen() || !at.isBefore(since.plus(rule.ready())) ? null : "Its inlet door is not open yet.";
    }

    private @Nullable String earlyAir(Instant at) {
        return phase == Phase.AVAILABLE && at.isBefore(bleedAllowedAt().orElse(Instant.MIN))
                ? "It is not warm through: no air yet."
                : null;
    }

    private @Nullable String noMilestone(ApuMilestone milestone) {
        if (phase != Phase.STARTING) {
            return "It is not being started.";
        }
        return run.seen().containsKey(milestone) ? "That was seen already." : null;
    }

    private boolean isOn() {
        return phase == Phase.POWERED || phase == Phase.STARTING || phase == Phase.AVAILABLE;
    }

    /** Whether it burns fuel. */
    public boolean turns() {
        return phase == Phase.STARTING || phase == Phase.AVAILABLE || phase == Phase.COOLING;
    }

    /** As it is after that; the same as before, but for time, when it can not happen. */
    public Apu step(ApuEvent event) {
        if (refusal(event) != null) {
            return event.at().isBefore(latest()) ? this : at(event.at());
        }
        Apu apu = at(event.at());
        return switch (event) {
            case ApuEvent.MasterOn on -> apu.now(Phase.POWERED, on.at(), ApuRun.NONE);
            case ApuEvent.ReadySeen _ -> apu.with(apu.run.ready());
            case ApuEvent.StartSelected selected -> apu.now(Phase.STARTING, selected.at(), apu.run.started());
            case ApuEvent.MilestoneSeen seen -> apu.with(apu.run.saw(seen.milestone(), seen.at()));
            case ApuEvent.Read read -> apu.read(read);
            case ApuEvent.SpeedHeld held -> apu.with(apu.run.settlingSince(held.held() ? held.at() : null));
            case ApuEvent.Found found -> apu.found(found);
            case ApuEvent.Generator on -> apu.with(apu.run.carrying(on.on()));
            case ApuEvent.Bleed on -> apu.with(apu.run.giving(on.on(), on.at()));
            case ApuEvent.MasterOff off -> apu.masterOff(off.at());
            case ApuEvent.EmergencyStop stop -> apu.stopping(null, stop.at());
            case ApuEvent.StoppedItself stop -> apu.stopping(stop.why(), stop.at());
            case ApuEvent.ZeroSeen zero -> apu.now(Phase.STOPPED, zero.at(), apu.run);
            case ApuEvent.BatteriesOff off -> apu.withoutBatteries(off.at());
            case ApuEvent.ResetOutside _ -> new Apu(rule, apu.phase, apu.since, apu.run, apu.tries, false);
        };
    }

    /** What is found counts, whatever was expected. */
    private Apu found(ApuEvent.Found found) {
        return switch (found.phase()) {
            case STARTING ->
                phase == Phase.STARTING || phase == Phase.AVAILABLE || phase == Phase.COOLING
                        ? this
                        : now(Phase.STARTING, found.at(), run.started());
            case AVAILABLE -> {
                Apu up = phase == Phase.AVAILABLE
                        ? this
                        : new Apu(rule, Phase.AVAILABLE, found.at(), run.available(found.at()), ApuTries.NONE, latched);
                yield up.with(up.run.carrying(found.generator()).giving(found.bleed(), found.at()));
            }
            default -> turns() ? stopping(null, found.at()) : this;
        };
    }

    private Apu read(ApuEvent.Read read) {
        Apu apu = read.speed_pct() == null ? this : turning(read.speed_pct(), read.at());
        return read.temperature_C() == null || apu.phase != Phase.STARTING
                ? apu
                : apu.with(apu.run.burning(read.temperature_C(), LIT_OVER_LOWEST_C, read.at()));
    }

    private Apu turning(double speed_pct, Instant at) {
        if (phase == Phase.SPOOLING_DOWN && speed_pct < STANDS_STILL_PCT) {
            return now(Phase.STOPPED, at, run);
        }
        return phase == Phase.STARTING ? with(run.turning(rule, speed_pct, at)) : this;
    }

    /** Its air goes at once; its generator stays through the cool-down. */
    private Apu masterOff(Instant at) {
        return switch (phase) {
            case AVAILABLE -> now(Phase.COOLING, at, run.giving(false, at)).at(at);
            case STARTING -> stopping(null, at);
            default -> now(Phase.OFF, at, ApuRun.NONE);
        };
    }

    /** It stops at once; a start that was under way has failed. */
    private Apu stopping(@Nullable AutomaticStop why, Instant at) {
        ApuTries after = phase == Phase.STARTING ? tries.failed(at) : tries;
        return new Apu(
                rule, Phase.SPOOLING_DOWN, at, run.unloaded(at), why == null ? after : after.stopped(why), latched);
    }

    /** A fault latches while it turns, and until its wait after that is over. */
    private Apu withoutBatteries(Instant at) {
        return switch (phase) {
            case OFF -> this;
            case POWERED -> now(Phase.OFF, at, ApuRun.NONE);
            case STARTING, AVAILABLE, COOLING -> stopping(null, at).faultLatched();
            case SPOOLING_DOWN, STOPPED -> faultLatched();
        };
    }

    private Apu faultLatched() {
        return new Apu(rule, phase, since, run, tries, true);
    }

    private Apu now(Phase next, Instant at, ApuRun known) {
        boolean turns = next == Phase.STARTING || next == Phase.COOLING;
        return new Apu(rule, next, at, turns ? known : known.unloaded(at), tries, latched);
    }

    private Apu with(ApuRun known) {
        return new Apu(rule, phase, since, known, tries, latched);
    }
}
