package org.skelda.core.alignment;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The inertial units of an aircraft type.
 *
 * @param units how many, 1 to 4
 * @param rule how each aligns
 * @param realignment which alignment they need before the next flight
 * @param gusts_kt gusts over which they are shaken too much to align, kt, positive
 * @param codes that they can show
 * @param drift the measure of the last leg's drift; null when the type's document has none
 * @param speed the measure of the speed shown at the last stop; null when there is none
 * @param difference the measure of the difference from the stand; null when there is none
 * @param source where the numbers come from
 */
public record InertialProfile(
        int units,
        UnitRule rule,
        Realignment realignment,
        double gusts_kt,
        List<Code> codes,
        @Nullable String drift,
        @Nullable String speed,
        @Nullable String difference,
        String source) {
    private static final int MOST = 4;

    /** @param code as the unit shows it; @param meaning in words; @param todo what comes first */
    public record Code(String code, String meaning, String todo) {}

    /** @throws IllegalArgumentException when a number cannot be */
    public InertialProfile {
        if (units < 1 || units > MOST) {
            throw new IllegalArgumentException("inertial units: there are 1 to 4");
        }
        if (!(gusts_kt > 0)) {
            throw new IllegalArgumentException("inertial units: gusts must be over 0 kt");
        }
        codes = List.copyOf(codes);
        if (codes.stream().map(Code::code).distinct().count() < codes.size()) {
            throw new IllegalArgumentException("inertial units: a code stands twice");
        }
    }

    /** What a code means; empty for one that the document does not know. */
    public Optional<Code> meaning(String code) {
        return codes.stream().filter(one -> one.code().equals(code)).findFirst();
    }
}
