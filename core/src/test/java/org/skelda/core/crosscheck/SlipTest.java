package org.skelda.core.crosscheck;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlipTest {
    @ParameterizedTest
    @CsvSource({
        "6480, 6840, 60, kg, 0, EXCHANGED_DIGITS, ''",
        "181, 118, 40, ft, 0, EXCHANGED_DIGITS, ''",
        "1180, 118, 40, ft, 0, OTHER_MAGNITUDE, 10",
        "12, 118, 5, ft, 0, OTHER_MAGNITUDE, 1/10",
        "36, 118, 4, ft, 0, OTHER_UNIT, m",
        "29.80, 1009, 1, hPa, 2, OTHER_UNIT, inHg",
        "48.2, 9, 0.5, degC, 1, OTHER_UNIT, degF",
        "15079, 6840, 20, kg, 0, OTHER_UNIT, lb",
        "7840, 6840, 60, kg, 0, ONE_DIGIT, ''",
        "129, 139, 0, kt, 0, ONE_DIGIT, ''"
    })
    void namesTheSlipThatWouldExplainIt(
            double given, double expected, double within, String unit, int decimals, Slip.Kind kind, String detail) {
        assertThat(Slip.explaining(given, expected, within, unit, decimals)).contains(new Slip(kind, detail));
    }

    @Test
    void whatAgreesIsNoSlipAndWhatIsFarFromAnyIsNotExplained() {
        assertThat(Slip.explaining(6840, 6850, 60, "kg", 0)).isEmpty();
        assertThat(Slip.explaining(3333, 6840, 60, "kg", 0)).isEmpty();
    }

    /** Whatever is meant: a slip that was made is one that is named, or one that explains it as well. */
    @Test
    void aSlipThatWasMadeIsExplained() {
        SplittableRandom random = new SplittableRandom(7);
        for (int i = 0; i < 2000; i++) {
            int meant = random.nextInt(100, 99_999);
            char[] digits = Integer.toString(meant).toCharArray();
            int place = random.nextInt(digits.length - 1);
            char other = digits[place];
            digits[place] = digits[place + 1];
            digits[place + 1] = other;
            double given = Double.parseDouble(new String(digits));
            assertThat(Slip.explaining(given, meant, 0, "kg", 0).isPresent()).isEqualTo(given != meant);
        }
    }
}
