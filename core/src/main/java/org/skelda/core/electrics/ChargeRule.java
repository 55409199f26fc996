package org.skelda.core.electrics;

import java.time.Duration;

/**
 * How the charge current of a battery must fall after it was switched off and on. The numbers are the type's.
 *
 * @param after the clock that began when it was switched on again
 * @param under_A what it must come under, A, positive
 * @param within how long after
 * @param source where the numbers come from
 */
public record ChargeRule(String after, double under_A, Duration within, String source) {
    /** @throws IllegalArgumentException when a number cannot be */
    public ChargeRule {
        if (!(under_A > 0) || within.isNegative() || within.isZero()) {
            throw new IllegalArgumentException("a charge current falls under more than 0 A, within more than 0 s");
        }
    }
}
