package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PositionSlipTest {
    private static final double NEAR_NM = 12;
    private static final Position STAND = new Position(62.41, -10.82);

    @ParameterizedTest
    @CsvSource({
        "S62 24.6 W010 49.2, NORTH_FOR_SOUTH",
        "N62 24.6 E010 49.2, EAST_FOR_WEST",
        "S62 24.6 E010 49.2, BOTH_HEMISPHERES",
        "-10.82 62.41, HALVES_EXCHANGED",
        "62.246 -10.492, MINUTES_AS_DECIMALS",
        "N62 41.0 W010 49.2, DECIMALS_AS_MINUTES",
        "N26 24.6 W010 49.2, EXCHANGED_DIGITS",
        "N62 24.6 W001 49.2, EXCHANGED_DIGITS",
        "N72 24.6 W010 49.2, ONE_DIGIT",
        "N62 24.6 W010 19.2, ONE_DIGIT",
        "N11 11.1 W099 00.0, none",
        "N62 25.0 W010 50.0, none"
    })
    void theSlipIsNamed(String typed, String slip) {
        assertThat(PositionSlip.explaining(PositionText.read(typed), STAND, NEAR_NM)
                        .map(Enum::name)
                        .orElse("none"))
                .isEqualTo(slip);
    }

    @Test
    void aSlipThatIsNamedLeadsBackToWhatWasMeant() {
        SplittableRandom random = new SplittableRandom(74);
        int named = 0;
        for (int i = 0; i < 2000; i++) {
            Position meant = PositionText.read(PositionTest.any(random).words());
            PositionSlip slip = PositionSlip.values()[random.nextInt(PositionSlip.values().length)];
            var mistaken = slip.mended(meant);
            if (mistaken.isEmpty()) {
                continue;
            }
            Position typed = mistaken.get(random.nextInt(mistaken.size()));
            var found = PositionSlip.explaining(typed, meant, NEAR_NM);
            if (typed.distance_NM(meant) <= NEAR_NM) {
                assertThat(found).isEmpty();
            } else if (found.isPresent()) {
                named++;
                assertThat(found.get().mended(typed)).anyMatch(one -> one.distance_NM(meant) <= NEAR_NM);
            } else {
                assertThat(slip)
                        .as("%s for %s", typed.words(), meant.words())
                        .isIn(
                                PositionSlip.MINUTES_AS_DECIMALS,
                                PositionSlip.DECIMALS_AS_MINUTES,
                                PositionSlip.EXCHANGED_DIGITS,
                                PositionSlip.ONE_DIGIT);
            }
        }
        assertThat(named).isGreaterThan(1000);
    }
}
