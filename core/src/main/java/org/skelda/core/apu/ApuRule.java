package org.skelda.core.apu;

import java.time.Duration;

/**
 * How the APU of a type works. The numbers are the type's.
 *
 * @param powers from its master switch on until it can be started: its self-test and what stands before it, not
 *     negative
 * @param door travel of its inlet door, from the master switch on, not negative
 * @param fuelAt_pct speed at which fuel and ignition come
 * @param starterOutAt_pct speed at which its starter drops out
 * @param availableAt_pct speed from which it is available
 * @param settles how long it must be at that speed or over it without a break
 * @param bleedAfter from being available until it may give air
 * @param coolDown from its air off until it stops, when it has given any
 * @param batteriesAfter from zero speed until the batteries may go off
 * @param tries how many starts that fail follow each other before the long rest, at least 1
 * @param rest between two of them, positive
 * @param longRest after the last of them, at least {@code rest}
 */
public record ApuRule(
        Duration powers,
        Duration door,
        double fuelAt_pct,
        double starterOutAt_pct,
        double availableAt_pct,
        Duration settles,
        Duration bleedAfter,
        Duration coolDown,
        Duration batteriesAfter,
        int tries,
        Duration rest,
        Duration longRest) {
    private static final double FASTEST_PCT = 110;

    /** @throws IllegalArgumentException when a number cannot be */
    public ApuRule {
        if (powers.isNegative() || door.isNegative()) {
            throw new IllegalArgumentException("APU: what it needs before its start cannot be negative");
        }
        if (!settles.isPositive() || !bleedAfter.isPositive() || !coolDown.isPositive()) {
            throw new IllegalArgumentException("APU: its waits must be positive");
        }
        if (!batteriesAfter.isPositive() || !rest.isPositive() || longRest.compareTo(rest) < 0) {
            throw new IllegalArgumentException("APU: the waits after it must be positive, the long one the longest");
        }
        if (!(fuelAt_pct > 0
                && starterOutAt_pct > fuelAt_pct
                && availableAt_pct > starterOutAt_pct
                && availableAt_pct < FASTEST_PCT)) {
            throw new IllegalArgumentException("APU: fuel, starter out and available must follow each other");
        }
        if (tries < 1) {
            throw new IllegalArgumentException("APU: at least one start must be allowed");
        }
    }

    /** From its master switch on until it can be started, by time alone. */
    public Duration ready() {
        return powers.compareTo(door) > 0 ? powers : door;
    }
}
