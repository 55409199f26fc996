package org.skelda.core.apurun;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.Apu.Phase;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.apu.ApuRule;

/** The clocks that an APU's own state starts: no line does, and no hand stops them. */
public final class ApuClocks {
    private ApuClocks() {}

    /**
     * One of them.
     *
     * @param releases what its end allows
     * @param note what must or must not happen meanwhile; null when nothing
     */
    public record Running(
            String id,
            String label,
            String releases,
            @Nullable String note,
            Instant from,
            Duration duration) {}

    /** Those that run, or have run out in the phase that lasts. @param at the time asked about */
    public static List<Running> of(ApuProfile profile, Apu apu, Instant at) {
        ApuRule rule = profile.rule();
        List<Running> all = new ArrayList<>();
        if (apu.phase() == Phase.POWERED && !apu.run().readySeen()) {
            all.add(new Running("apu-ready", "APU self-test and door", "APU start", null, apu.since(), rule.ready()));
        }
        Instant settling = apu.run().settling();
        if (apu.phase() == Phase.STARTING && settling != null) {
            all.add(new Running("apu-settling", "APU settling", "APU available", null, settling, rule.settles()));
        }
        Instant available = apu.run().availableAt();
        if (apu.phase() == Phase.AVAILABLE && available != null) {
            all.add(new Running(
                    "apu-air",
                    "APU warming through",
                    "bleed air allowed",
                    "Electrical load may be taken meanwhile.",
                    available,
                    rule.bleedAfter()));
        }
        Instant off = apu.run().airOffAt();
        boolean cools = apu.phase() == Phase.AVAILABLE || apu.phase() == Phase.COOLING;
        if (cools && off != null && !apu.run().bleed()) {
            all.add(new Running(
                    "apu-cool-down", "APU cool-down", "APU stops", "Batteries stay ON.", off, rule.coolDown()));
        }
        if (apu.phase() == Phase.STOPPED) {
            all.add(new Running(
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
            all.add(new Running(
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
