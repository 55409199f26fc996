package org.skelda.core.start;

/**
 * A curve through the last seconds of a temperature, drawn on into the next ones. One thread; times are microseconds
 * and rise.
 */
public interface Extrapolation {

    /** Forgets everything: the engine has just lit, or sight was lost. */
    void restart();

    /** A reading. @param at_us when; @param value degC */
    void read(long at_us, double value);

    /** Whether there are enough readings to say anything. */
    boolean isReady();

    /**
     * Whether it can be told without drawing the curve that it stays under a value (degC) for a time (s). False when in
     * doubt.
     */
    default boolean staysUnder(double value, double ahead_s) {
        return false;
    }

    /** What the curve says for a time from the last reading on. @param ahead_s 0 to 5 s; @return degC */
    double at(double ahead_s);
}
