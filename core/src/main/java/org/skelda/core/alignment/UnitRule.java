package org.skelda.core.alignment;

import java.time.Duration;

/**
 * How the inertial units of a type align. The numbers are the type's.
 *
 * @param full time of a full alignment by latitude
 * @param quick time of a quick one, positive
 * @param quickWithin a unit that is switched back on within this of being switched off may align quickly
 * @param stores after switching off, the position is kept once the power has stayed on so long
 * @param near_NM an entered position that is this near to the stored one is taken at once, NM, positive
 * @param navigatesByItself whether a unit that is aligned goes on to navigation without being told
 */
public record UnitRule(
        AlignmentRule full,
        Duration quick,
        Duration quickWithin,
        Duration stores,
        double near_NM,
        boolean navigatesByItself) {

    /** @throws IllegalArgumentException when a number cannot be */
    public UnitRule {
        if (!quick.isPositive() || !quickWithin.isPositive() || !stores.isPositive()) {
            throw new IllegalArgumentException("inertial unit: its times must be positive");
        }
        if (quickWithin.compareTo(stores) > 0) {
            throw new IllegalArgumentException(
                    "inertial unit: what is still to be quick must be back on before the position is stored");
        }
        if (!(near_NM > 0)) {
            throw new IllegalArgumentException("inertial unit: near must be over 0 NM");
        }
    }
}
