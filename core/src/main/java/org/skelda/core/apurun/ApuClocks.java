package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuRule;
import org.skelda.core.clock.ClockView;
import org.skelda.core.clock.StateClock;

/** The clocks that an APU's own state starts: no line does, and no hand stops them. */
public final class ApuClocks {
    private ApuClocks() {}

    /** Those that run, or have run out in the phase that lasts. @param at the time asked about */
    public static List<StateClock> of(ApuProfile profile, Apu apu, Instant at) {
        ApuRule rule = profile.rule();
        List<StateClock> all = new ArrayList<>();
        if (apu.phase() == Phase.POWERED && !apu.run().readySeen()) {
            all.add(new StateClock(
                    "apu-ready", "APU self-test and door", "APU start", null, apu.since(), rule.ready()));
        }
        Instant settling = apu.run().settling();
        if (apu.phase() == Phase.STARTING && settling != null) {
            all.add(new StateClock("apu-settling", "APU settling", "APU available", null, settling, rule.settles()));
        }
        Instant available = apu.run().availableAt();
        if (apu.phase() == Phase.AVAILABLE && available != null) {
            all.add(new StateClock(
                    "apu-air",
                    "APU warming through",
                    "bleed air allowed",
                    "Electrical load may be taken meanwhile.",
                    available,
                    rule.bleedAfter()));
        }
        if (available != null && (apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING)) {
            all.add(new StateClock(
                    "apu-running", "APU at its speed", "APU runs", null, available, null, ClockView.Counts.UP));
        }
        Instant off = apu.run().airOffAt();
        boolean cools = apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING;
        if (cools && off != null && !apu.run().bleed()) {
            all.add(new StateClock(
                    "apu-cool-down", "APU cool-down", "APU stops", "Batteries stay ON.", off, rule.coolDown()));
        }
        if (apu.phase() == Phase.STOPPED) {
            all.add(new StateClock(
                    "apu-batteries",
                    "APU door closing",
                    "batteries may go off",
                    "Batteries off too early latch a fault that only the panel outside resets.",
                    apu.since(),
                    rule.batteriesAfter()));
        }
        Instant failed = apu.tries().newest();
        Instant rested = apu.tries().restedAt(rule).orElse(at);
        boolean starts = apu.phase() == Phase.OFF || apu.phase() == Phase.POWERED || apu.phase() == Phase.STOPPED;
        if (starts && failed != null && at.isBefore(rested)) {
            all.add(new StateClock(
                    "apu-rest",
                    "APU resting after a start that failed",
                    "another APU start",
                    null,
                    failed,
                    Duration.between(failed, rested)));
        }
        return List.copyOf(all);
    }
}
