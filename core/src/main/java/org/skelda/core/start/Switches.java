package org.skelda.core.start;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Signal;

/** Starter, fuel and ignition: what they are, what moved at this sample, and since when. Times are microseconds. */
final class Switches {
    private static final long NEVER_YET = Long.MIN_VALUE;

    private boolean starter;
    private boolean fuel;
    private boolean ignition;
    private boolean starterKnown;
    private boolean ignitionKnown;
    private boolean starterMoved;
    private boolean fuelMoved;
    private boolean ignitionMoved;
    private boolean fuelBefore;
    private long starterOn_us = NEVER_YET;
    private long starterOff_us = NEVER_YET;
    private long fuelOn_us = NEVER_YET;
    private long fuelOff_us = NEVER_YET;
    private long offAfterCut_us = NEVER_YET;

    /** Another one that stands as this one does. */
    Switches copy() {
        Switches copy = new Switches();
        copy.starter = starter;
        copy.fuel = fuel;
        copy.ignition = ignition;
        copy.starterKnown = starterKnown;
        copy.ignitionKnown = ignitionKnown;
        copy.starterOn_us = starterOn_us;
        copy.starterOff_us = starterOff_us;
        copy.fuelOn_us = fuelOn_us;
        copy.fuelOff_us = fuelOff_us;
        copy.offAfterCut_us = offAfterCut_us;
        return copy;
    }

    void absorb(Sample sample) {
        fuelBefore = fuel;
        starterMoved = moved(sample.starter(), starter);
        fuelMoved = moved(sample.fuel(), fuel);
        ignitionMoved = moved(sample.ignition(), ignition);
        // What was on at the very first sample was not seen to go on.
        boolean first = !starterKnown;
        starterKnown |= sample.starter() != Switch.UNTOLD;
        ignitionKnown |= sample.ignition() != Switch.UNTOLD;
        if (starterMoved) {
            starter = !starter;
            starterMoved = !first;
            if (starter) starterOn_us = sample.at_us();
            else starterOff_us = sample.at_us();
        }
        if (fuelMoved) {
            fuel = !fuel;
            if (fuel) fuelOn_us = sample.at_us();
            else fuelOff_us = sample.at_us();
            offAfterCut_us = NEVER_YET;
        }
        if (cut_us() != Signal.NEVER && offAfterCut_us == NEVER_YET && !starter) {
            offAfterCut_us = sample.at_us();
        }
        if (ignitionMoved) {
            ignition = !ignition;
        }
    }

    /** How the engine stands, in times since a moment. */
    Standing standing(long now_us, long since_us, Readings readings) {
        double flow = readings.value(Parameter.FLOW, now_us);
        return new Standing(since(now_us, since_us), fuel, sinceOrNull(fuelOff_us, since_us), starter, sinceOrNull(starterOn_us, since_us),
                sinceOrNull(starterOff_us, since_us), sinceOrNull(offAfterCut_us, since_us), known(readings, Parameter.SPOOL, now_us), known(readings, Parameter.TEMPERATURE, now_us),
                known(readings, Parameter.FLOW, now_us), !(flow > CutWatch.STOPPED_FLOW_kgph));
    }

    private static Duration since(long at_us, long since_us) {
        return Duration.ofNanos((at_us - since_us) * 1000);
    }

    private static @Nullable Duration sinceOrNull(long at_us, long since_us) {
        return at_us == NEVER_YET || at_us < since_us ? null : since(at_us, since_us);
    }

    private static @Nullable Double known(Readings readings, Parameter parameter, long now_us) {
        double value = readings.value(parameter, now_us);
        return Double.isNaN(value) ? null : (Double) value;
    }

    private static boolean moved(Switch told, boolean was) {
        return told == (was ? Switch.OFF : Switch.ON);
    }

    boolean starter() { return starter; }

    boolean fuel() { return fuel; }

    boolean ignition() { return ignition; }

    boolean ignitionMeasured() { return ignitionKnown; }

    boolean anyMoved() { return starterMoved || fuelMoved || ignitionMoved; }

    boolean starterTurnedOn() { return starterMoved && starter; }

    boolean starterTurnedOff() { return starterMoved && !starter; }

    boolean fuelTurnedOn() { return fuelMoved && fuel; }

    boolean fuelTurnedOff() { return fuelMoved && !fuel; }

    boolean ignitionTurnedOn() { return ignitionMoved && ignition; }

    /** Whether fuel was on at the sample before this one. */
    boolean fuelBefore() { return fuelBefore; }

    /** When the starter last went on. */
    long starterOn_us() { return starterOn_us; }

    /** When the fuel last went on. */
    long fuelOn_us() { return fuelOn_us; }

    /** When the fuel was last cut; {@link Signal#NEVER} while it is on or before it ever was. */
    long cut_us() { return fuel || fuelOff_us == NEVER_YET ? Signal.NEVER : fuelOff_us; }

    /** Whether fuel was on at a moment not long ago. */
    boolean fuelOnAt(long at_us) {
        return fuelOn_us != NEVER_YET && at_us >= fuelOn_us && (fuel || at_us < fuelOff_us);
    }
}
