package org.skelda.core.apurun;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuGoal;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.procedure.GateState.Wait;

/**
 * The APU as lines know it. A line may tell something of the APU: worked without a feed it is the tap; with one it
 * waits until the feed has shown it. A gate may ask how far the APU has come.
 *
 * @param history of the departure's APU
 * @param read whether a feed reads it
 */
public record ApuOfLines(ApuHistory history, boolean read) {

    /** What a line that tells something waits for; null when nothing. */
    public @Nullable Wait untold(ApuTap tap, Instant at) {
        Apu apu = history.at(at);
        if (tap.seenIn(apu)) {
            return null;
        }
        ApuEvent event = tap.event(at, null);
        String refusal = history.apu().refusal(event);
        String why = refusal == null ? history.apu().warning(event) : refusal;
        if (why == null) {
            return read ? new Wait.ForApu("APU: " + tap.words(), null, true) : null;
        }
        Optional<Instant> opens = switch (tap) {
            case START -> ApuGoal.READY.opensAt(apu);
            case AIR_ON -> ApuGoal.AIR.opensAt(apu);
            case GENERATOR_ON -> ApuGoal.AVAILABLE.opensAt(apu);
            default -> Optional.empty();
        };
        return new Wait.ForApu("APU: " + why, opens.filter(at::isBefore).orElse(null), false);
    }

    /** What a gate waits for; null when nothing. */
    public @Nullable Wait behind(ApuGoal goal, Instant at) {
        Apu apu = history.at(at);
        return goal.reached(apu, at)
                ? null
                : new Wait.ForApu(
                        goal.words(), goal.opensAt(apu).filter(at::isBefore).orElse(null), false);
    }

    /** What working a line tells of the APU; empty when a feed does, or when it is known already. */
    public Optional<ApuFact> told(ApuTap tap, Instant at) {
        if (read || tap.seenIn(history.at(at))) {
            return Optional.empty();
        }
        ApuEvent event = tap.event(at, null);
        return history.apu().refusal(event) == null ? Optional.of(new ApuFact.ApuTold(event)) : Optional.empty();
    }
}
