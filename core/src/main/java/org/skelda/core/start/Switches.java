package org.skelda.core.start;

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
    private long fuelOn_us = NEVER_YET;
    private long fuelOff_us = NEVER_YET;

    /** Another one that stands as this one does. */
    Switches copy() {
        Switches copy = new Switches();
        copy.starter = starter;
        copy.fuel = fuel;
        copy.ignition = ignition;
        copy.starterKnown = starterKnown;
        copy.ignitionKnown = ignitionKnown;
        copy.starterOn_us = starterOn_us;
        copy.fuelOn_us = fuelOn_us;
        copy.fuelOff_us = fuelOff_us;
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
        }
        if (fuelMoved) {
            fuel = !fuel;
            if (fuel) fuelOn_us = sample.at_us();
            else fuelOff_us = sample.at_us();
        }
        if (ignitionMoved) {
            ignition = !ignition;
        }
    }

    private static boolean moved(Switch told, boolean was) {
        return told == (was ? Switch.OFF : Switch.ON);
    }

    boolean starter() {
        return starter;
    }

    boolean fuel() {
        return fuel;
    }

    boolean ignition() {
        return ignition;
    }

    boolean ignitionMeasured() {
        return ignitionKnown;
    }

    boolean anyMoved() {
        return starterMoved || fuelMoved || ignitionMoved;
    }

    boolean starterTurnedOn() {
        return starterMoved && starter;
    }

    boolean starterTurnedOff() {
        return starterMoved && !starter;
    }

    boolean fuelTurnedOn() {
        return fuelMoved && fuel;
    }

    boolean fuelTurnedOff() {
        return fuelMoved && !fuel;
    }

    boolean ignitionTurnedOn() {
        return ignitionMoved && ignition;
    }

    /** Whether fuel was on at the sample before this one. */
    boolean fuelBefore() {
        return fuelBefore;
    }

    /** When the starter last went on. */
    long starterOn_us() {
        return starterOn_us;
    }

    /** When the fuel last went on. */
    long fuelOn_us() {
        return fuelOn_us;
    }

    /** Whether fuel was on at a moment not long ago. */
    boolean fuelOnAt(long at_us) {
        return fuelOn_us != NEVER_YET && at_us >= fuelOn_us && (fuel || at_us < fuelOff_us);
    }
}
