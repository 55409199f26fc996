package org.skelda.core.apu;

import java.time.Instant;
import java.util.Optional;
import org.skelda.core.apu.Apu.Phase;

/** How far an APU has come, as a gate asks for it. */
public enum ApuGoal {
    /** It can be started: self-test over, door open, rested. */
    READY("The APU's self-test and door"),
    /** It has settled at its speed. */
    AVAILABLE("The APU, available"),
    /** It is warm through: it may give air. */
    AIR("The APU, warm through for air"),
    /** Its air has been off for as long as it needs to cool. */
    COOLED("The APU's cool-down"),
    /** It stands still, and its batteries may go off. */
    BATTERIES("The APU's wait for the batteries");

    private final String words;

    ApuGoal(String words) {
        this.words = words;
    }

    /** What is waited for, as the crew reads it. */
    public String words() {
        return words;
    }

    /** Whether an APU has come there. @param apu as it stands at that moment */
    public boolean reached(Apu apu, Instant at) {
        return switch (this) {
            case READY -> apu.turns() || since(apu, at);
            case AVAILABLE -> apu.phase() == Phase.AVAILABLE;
            case AIR, COOLED -> since(apu, at);
            case BATTERIES -> apu.phase() == Phase.OFF;
        };
    }

    private boolean since(Apu apu, Instant at) {
        return opensAt(apu).filter(open -> !at.isBefore(open)).isPresent();
    }

    /** When time alone brings it there, or has; empty when something must be done first. */
    public Optional<Instant> opensAt(Apu apu) {
        return switch (this) {
            case READY -> apu.startableAt();
            case AVAILABLE -> apu.phase() == Phase.STARTING ? apu.due() : Optional.empty();
            case AIR -> apu.bleedAllowedAt();
            case COOLED -> apu.run().bleed() ? Optional.empty() : Optional.of(apu.cooledAt());
            case BATTERIES -> apu.phase() == Phase.STOPPED ? apu.due() : Optional.empty();
        };
    }
}
