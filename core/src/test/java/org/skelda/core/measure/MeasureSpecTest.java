package org.skelda.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.ValueSource;

class MeasureSpecTest {

    private static MeasureSpec spec(Double min, Double max, Double cautionBelow, Double cautionAbove) {
        return new MeasureSpec("Volts", "V", 1, -1000, 1000, min, max, cautionBelow, cautionAbove, "the type's table");
    }

    @ParameterizedTest
    @CsvFileSource(resources = "judgements.csv", useHeadersInDisplayName = true)
    void judgesAsTheTableSays(
            double value,
            Double min,
            Double max,
            Double cautionBelow,
            Double cautionAbove,
            Judgement.Verdict verdict,
            Double limit,
            Double margin) {
        assertThat(spec(min, max, cautionBelow, cautionAbove).judge(value))
                .isEqualTo(new Judgement(verdict, limit, margin, "the type's table"));
    }

    @ParameterizedTest
    @ValueSource(doubles = {400, -1, Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY})
    void refusesWhatNoInstrumentShows(double value) {
        MeasureSpec volts = new MeasureSpec("Battery volts", "V", 1, 0, 40, 23.2, null, null, null, "table");
        assertThatThrownBy(() -> volts.judge(value)).isInstanceOfSatisfying(OutOfRange.class, e -> {
            assertThat(e.unit()).isEqualTo("V");
            assertThat(e.max()).isEqualTo(40);
            assertThat(e).hasMessageContaining("Battery volts").hasMessageContaining("0 to 40 V");
        });
    }

    @Test
    void refusesBoundsThatContradictEachOther() {
        assertThatThrownBy(() -> spec(5.0, 4.0, null, null)).hasMessageContaining("min must not be over max");
        assertThatThrownBy(() -> spec(5.0, null, 4.0, null)).hasMessageContaining("cautionBelow");
        assertThatThrownBy(() -> spec(null, 5.0, null, 6.0)).hasMessageContaining("cautionAbove");
        assertThatThrownBy(() -> spec(2000.0, null, null, null)).hasMessageContaining("outside what is possible");
        assertThatThrownBy(() -> new MeasureSpec("x", "V", 4, 0, 1, null, null, null, null, "t"))
                .hasMessageContaining("decimals");
        assertThatThrownBy(() -> new MeasureSpec("x", "V", 1, Double.NaN, 1, null, null, null, null, "t"))
                .hasMessageContaining("possibleMin");
    }

    @Test
    void whereNothingIsRefusedTheCautionIsWhatAReadingIsToldAgainst() {
        MeasureSpec drift = new MeasureSpec("Drift", "NM/h", 1, 0, 60, null, null, null, 2.2, "table");
        assertThat(drift.judge(1.1)).isEqualTo(new Judgement(Judgement.Verdict.WITHIN, 2.2, 1.1, "table"));
        assertThat(drift.judge(2.2)).isEqualTo(new Judgement(Judgement.Verdict.WITHIN, 2.2, 0.0, "table"));
        assertThat(drift.judge(3)).isEqualTo(new Judgement(Judgement.Verdict.CAUTION, 2.2, -0.8, "table"));
        MeasureSpec free = new MeasureSpec("Drift", "NM/h", 1, 0, 60, null, null, null, null, "table");
        assertThat(free.judge(1)).isEqualTo(new Judgement(Judgement.Verdict.WITHIN, null, null, "table"));
    }
}
