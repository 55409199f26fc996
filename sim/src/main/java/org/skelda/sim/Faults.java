package org.skelda.sim;

import java.util.Arrays;
import java.util.List;

/** What is wrong with one engine just now: its faults, and how long ago its starter went on. One thread. */
public final class Faults {
    private final double[] severity = new double[Failure.values().length];
    private final double[] after_s = new double[Failure.values().length];
    private double sinceStarter_s;

    /** Takes on others; nothing of the ones before stays. */
    public void take(List<Fault> faults) {
        Arrays.fill(severity, 0);
        for (Fault fault : faults) {
            severity[fault.what().ordinal()] = fault.severity();
            after_s[fault.what().ordinal()] = fault.after_s();
        }
    }

    /** One of them is over. */
    public void isOver(Failure what) {
        severity[what.ordinal()] = 0;
    }

    /** The starter has just gone on. */
    public void starterOn() {
        sinceStarter_s = 0;
    }

    /** Time passes. */
    public void pass(double dt_s) {
        sinceStarter_s += dt_s;
    }

    /** Seconds since the starter went on. */
    public double sinceStarter_s() {
        return sinceStarter_s;
    }

    /** How bad something is now; 0 while it is not there. */
    public double of(Failure what) {
        int i = what.ordinal();
        return sinceStarter_s >= after_s[i] ? severity[i] : 0;
    }

    /** Whether something is wrong now, however little. */
    public boolean has(Failure what) {
        return of(what) > 0;
    }
}
