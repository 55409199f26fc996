package org.skelda.core.apu;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What can happen to an APU: by a hand, by its own doing, or as it is seen. */
public sealed interface ApuEvent {
    Instant at();

    /** Its master switch goes on. */
    record MasterOn(Instant at) implements ApuEvent {}

    /** Its message says that it can be started: self-test done, door open. */
    record ReadySeen(Instant at) implements ApuEvent {}

    record StartSelected(Instant at) implements ApuEvent {}

    /** Something of its start was seen by the crew. */
    record MilestoneSeen(Instant at, ApuMilestone milestone) implements ApuEvent {}

    /**
     * Its instruments were read.
     *
     * @param speed_pct null when there was no reading
     * @param temperature_C null when there was no reading
     */
    record Read(
            Instant at,
            @Nullable Double speed_pct,
            @Nullable Double temperature_C) implements ApuEvent {}

    /** Its generator goes on or off the buses. */
    record Generator(Instant at, boolean on) implements ApuEvent {}

    /** Its air goes on or off. */
    record Bleed(Instant at, boolean on) implements ApuEvent {}

    /** Its master switch goes off. */
    record MasterOff(Instant at) implements ApuEvent {}

    /** It is stopped at once, by the crew. */
    record EmergencyStop(Instant at) implements ApuEvent {}

    record StoppedItself(Instant at, AutomaticStop why) implements ApuEvent {}

    /** It stands still, as the crew sees it. */
    record ZeroSeen(Instant at) implements ApuEvent {}

    /** While it settles: whether it is at its speed, after it was seen there once. */
    record SpeedHeld(Instant at, boolean held) implements ApuEvent {}

    /**
     * How a feed finds it, whatever was expected of it: attached while it ran, started before its time, air taken
     * early, or running down without having said why.
     *
     * @param phase starting, available, or spooling down
     */
    record Found(Instant at, Apu.Phase phase, boolean generator, boolean bleed) implements ApuEvent {
        public Found {
            if (phase != Apu.Phase.STARTING && phase != Apu.Phase.AVAILABLE && phase != Apu.Phase.SPOOLING_DOWN) {
                throw new IllegalArgumentException("an APU is not found " + phase);
            }
        }
    }

    /** The batteries go off. */
    record BatteriesOff(Instant at) implements ApuEvent {}

    /** Its fault is reset at the panel outside. */
    record ResetOutside(Instant at) implements ApuEvent {}
}
