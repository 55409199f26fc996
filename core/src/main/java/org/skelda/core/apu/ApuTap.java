package org.skelda.core.apu;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.Apu.Phase;

/** What the crew can tell of its APU, in the order of a run. */
public enum ApuTap {
    MASTER_ON("Master ON"),
    READY("Self-test over, door open"),
    START("Start"),
    LIGHT("It has lit"),
    STARTER_OUT("Starter out"),
    UP_TO_SPEED("At its speed"),
    GENERATOR_ON("Its generator carries"),
    AIR_ON("Air ON"),
    AIR_OFF("Air OFF"),
    GENERATOR_OFF("Its generator is off"),
    MASTER_OFF("Master OFF"),
    EMERGENCY_STOP("Emergency stop"),
    STOPPED_ITSELF("It stopped itself"),
    ZERO("Zero speed"),
    BATTERIES_OFF("Batteries OFF"),
    RUNS("It runs already, with its loads"),
    RESET_OUTSIDE("Fault reset at the panel outside");

    private final String words;

    ApuTap(String words) {
        this.words = words;
    }

    /** As the crew reads it. */
    public String words() {
        return words;
    }

    /** What that is. @param why it stopped itself; needed for that alone @throws IllegalArgumentException without it */
    public ApuEvent event(Instant at, @Nullable AutomaticStop why) {
        return switch (this) {
            case MASTER_ON -> new ApuEvent.MasterOn(at);
            case READY -> new ApuEvent.ReadySeen(at);
            case START -> new ApuEvent.StartSelected(at);
            case LIGHT -> new ApuEvent.MilestoneSeen(at, ApuMilestone.LIGHT);
            case STARTER_OUT -> new ApuEvent.MilestoneSeen(at, ApuMilestone.STARTER_OUT);
            case UP_TO_SPEED -> new ApuEvent.MilestoneSeen(at, ApuMilestone.UP_TO_SPEED);
            case GENERATOR_ON -> new ApuEvent.Generator(at, true);
            case AIR_ON -> new ApuEvent.Bleed(at, true);
            case AIR_OFF -> new ApuEvent.Bleed(at, false);
            case GENERATOR_OFF -> new ApuEvent.Generator(at, false);
            case MASTER_OFF -> new ApuEvent.MasterOff(at);
            case EMERGENCY_STOP -> new ApuEvent.EmergencyStop(at);
            case STOPPED_ITSELF -> {
                if (why == null) {
                    throw new IllegalArgumentException("why it stopped itself is missing");
                }
                yield new ApuEvent.StoppedItself(at, why);
            }
            case ZERO -> new ApuEvent.ZeroSeen(at);
            case BATTERIES_OFF -> new ApuEvent.BatteriesOff(at);
            case RUNS -> new ApuEvent.Found(at, Phase.AVAILABLE, true, true);
            case RESET_OUTSIDE -> new ApuEvent.ResetOutside(at);
        };
    }

    /** Whether an APU that stands so has that behind it. */
    public boolean seenIn(Apu apu) {
        return switch (this) {
            case MASTER_ON -> apu.phase() != Phase.OFF && apu.phase() != Phase.STOPPED;
            case READY -> apu.run().readySeen() || apu.turns();
            case START -> apu.turns();
            case LIGHT -> past(apu, ApuMilestone.LIGHT) || past(apu, ApuMilestone.STARTER_OUT);
            case STARTER_OUT -> past(apu, ApuMilestone.STARTER_OUT) || past(apu, ApuMilestone.UP_TO_SPEED);
            case UP_TO_SPEED -> past(apu, ApuMilestone.UP_TO_SPEED);
            case GENERATOR_ON -> apu.run().generator();
            case AIR_ON -> apu.run().bleed();
            case AIR_OFF -> !apu.run().bleed();
            case GENERATOR_OFF -> !apu.run().generator();
            case MASTER_OFF ->
                apu.phase() != Phase.POWERED && apu.phase() != Phase.STARTING && apu.phase() != Phase.AVAILABLE;
            case RUNS -> apu.phase() == Phase.AVAILABLE;
            case EMERGENCY_STOP -> !apu.turns();
            case STOPPED_ITSELF -> apu.phase() == Phase.SPOOLING_DOWN || ZERO.seenIn(apu);
            case ZERO -> apu.phase() == Phase.STOPPED || apu.phase() == Phase.OFF;
            case BATTERIES_OFF -> apu.phase() == Phase.OFF;
            case RESET_OUTSIDE -> !apu.latched();
        };
    }

    private static boolean past(Apu apu, ApuMilestone milestone) {
        return apu.run().seen().containsKey(milestone)
                || apu.phase() == Phase.AVAILABLE
                || apu.phase() == Phase.COOLING;
    }
}
