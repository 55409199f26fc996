package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.BeforeStart.Expected;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Today;

/** What to expect before the starter, and what was got. */
class BeforeStartTest {
    private final StartProfile electric = TestProfiles.onCurrent();

    private static Past past(double oat, double dip, double peak) {
        return new Past(oat, 100, 25.0, dip, 18.0, 3.5, peak, 30.0);
    }

    private static Today today(double oat, Double supply, double wind, boolean loads) {
        return new Today(oat, 100, supply, 180, wind, 0, loads);
    }

    @Test
    void aFirstStartHasNothingToCompare() {
        Expected expected = BeforeStart.expected(electric, today(15, 25.0, 0, false), List.of());
        assertThat(expected.peak_c()).isNull();
        assertThat(expected.advice()).isEmpty();
    }

    @Test
    void theMedianOfTheLastTenWithTheirRange() {
        List<Past> many = IntStream.range(0, 25)
                .mapToObj(i -> past(15, 18, i < 15 ? 2000 : 700 + i))
                .toList();
        Expected expected = BeforeStart.expected(electric, today(15, 25.0, 0, false), many);
        assertThat(expected.peak_c()).isEqualTo(new BeforeStart.Range(719.5, 715, 724, 10));
    }

    @Test
    void onlyDaysLikeTodayCountWhereThereAreEnough() {
        List<Past> mixed = List.of(
                past(-20, 18, 600), past(-18, 18, 610), past(20, 18, 700), past(22, 18, 705), past(24, 18, 710));
        assertThat(BeforeStart.expected(electric, today(21, 25.0, 0, false), mixed)
                        .peak_c()
                        .median())
                .isEqualTo(705);
        assertThat(BeforeStart.expected(electric, today(-19, 25.0, 0, false), mixed)
                        .peak_c()
                        .starts())
                .as("two are too few")
                .isEqualTo(5);
    }

    @Test
    void theDipIsBroughtToTodaysBattery() {
        // R grows by 0.9 % of 8 mOhm for each degC below 25: at -15 degC by 2.88 mOhm, at 900 A that is 2.59 V.
        Expected cold = BeforeStart.expected(electric, today(-15, 24.5, 0, false), List.of(past(25, 18, 700)));
        assertThat(cold.dip_v().median()).isCloseTo(18 - 0.5 - 2.592, within(0.001));
        assertThat(cold.advice())
                .anyMatch(line -> line.startsWith("Expected dip 14.9 V is under the caution of 16.5 V"));
    }

    @Test
    void adviceNamesWhatIsShortAndWhatToDo() {
        StartProfile air = TestProfiles.byHand();
        Expected expected = BeforeStart.expected(air, new Today(15, 5000, 190.0, 180, 20, 0, true), List.of());
        assertThat(expected.advice())
                .containsExactly(
                        "Duct pressure 190 kPa is 25 kPa short of 215 kPa: packs off",
                        "Packs off: all air for the engine",
                        "20 kt of tailwind, caution from 12 kt: turn into the wind");
        assertThat(BeforeStart.expected(electric, today(15, 24.1, 0, false), List.of())
                        .advice())
                .containsExactly("Bus volts 24.1 V are under 24.4 V: charge first or ground power");
        assertThat(BeforeStart.expected(electric, today(15, 23.5, 0, false), List.of())
                        .advice())
                .containsExactly("Bus volts 23.5 V are under 23.8 V: ground power");
    }

    @Test
    void afterwardsExpectedStandsAgainstGot() {
        AttemptReport got = SimpleStart.of(electric).peak(760).judged();
        Expected expected = BeforeStart.expected(
                electric, today(15, 25.0, 0, false), List.of(past(15, 18, 700), past(15, 18.2, 720)));
        assertThat(BeforeStart.compare(expected, got)).anySatisfy(row -> {
            assertThat(row.what()).isEqualTo("Peak temperature");
            assertThat(row.outside()).isCloseTo(got.peak().value_c() - 720, within(0.001));
        });
    }
}
