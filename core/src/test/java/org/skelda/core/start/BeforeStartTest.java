package org.skelda.core.start;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.BeforeStart.Expected;
import org.skelda.core.start.BeforeStart.Past;
import org.skelda.core.start.BeforeStart.Today;
import org.skelda.core.start.ExpectedAndGot.Comparison;
import org.skelda.core.start.ExpectedAndGot.Got;

/** What to expect before the starter, and what was got. */
class BeforeStartTest {
    private final StartProfile electric = TestProfiles.onCurrent();

    private static Past past(double oat, double dip, double peak) {
        return new Past(oat, 100, 25.0, dip, null, 3.5, peak, 30.0, null);
    }

    private static Today today(double oat, Double supply, double wind, boolean loads) {
        return new Today(oat, 100, supply, 180, wind, 0, loads);
    }

    @Test
    void aFirstStartHasNothingToCompare() {
        Expected expected = BeforeStart.expected(electric, today(15, 25.0, 0, false), List.of());
        assertThat(expected.peak_c()).isNull();
        assertThat(expected.advice()).isEmpty();
        // 25 V less 900 A through 8 mOhm x 1.09
        assertThat(expected.dip_v().median()).isCloseTo(25 - 900 * 0.00872, within(1e-9));
        assertThat(expected.dip_v().because()).isEqualTo("a new battery: 25.0 V less 900 A through 8.7 mOhm at 15 °C");
    }

    @Test
    void theMedianOfTheLastTenWithTheirRange() {
        List<Past> many = IntStream.range(0, 25)
                .mapToObj(i -> past(15, 18, i < 15 ? 2000 : 700 + i))
                .toList();
        Expected expected = BeforeStart.expected(electric, today(15, 25.0, 0, false), many);
        assertThat(expected.peak_c())
                .isEqualTo(
                        new BeforeStart.Range(719.5, 715, 724, 10, "its last 10 starts, brought to 15 °C and 100 ft"));
    }

    @Test
    void onlyDaysLikeTodayCountWhereThereAreEnough() {
        List<Past> mixed = List.of(
                past(-20, 18, 600), past(-18, 18, 610), past(20, 18, 700), past(22, 18, 705), past(24, 18, 710));
        assertThat(BeforeStart.expected(electric, today(21, 25.0, 0, false), mixed)
                        .timeToLight_s()
                        .starts())
                .isEqualTo(3);
        assertThat(BeforeStart.expected(electric, today(-19, 25.0, 0, false), mixed)
                        .timeToLight_s()
                        .starts())
                .as("two are too few")
                .isEqualTo(5);
    }

    @Test
    void thePeakIsBroughtToTodaysAir() {
        List<Past> seen = List.of(past(-10, 18, 650), past(-10, 18, 655));
        Expected same = BeforeStart.expected(electric, today(-10, 25.0, 0, false), seen);
        assertThat(same.peak_c().lowest()).isCloseTo(650, within(1e-9));
        Expected warm = BeforeStart.expected(electric, today(30, 25.0, 0, false), seen);
        // 660 degC over the air then, in air 263.15/303.15 as dense: 30 + 660 x 1.1520^0.55
        assertThat(warm.peak_c().lowest()).isCloseTo(743.5, within(0.1));
        Expected high = BeforeStart.expected(electric, new Today(-10, 5100, 25.0, 180, 0, 0, false), seen);
        assertThat(high.peak_c().lowest()).as("thinner by its height").isBetween(700.0, 740.0);
        assertThat(high.peak_c().because()).isEqualTo("its last 2 starts, brought to -10 °C and 5,100 ft");
        Expected windy = BeforeStart.expected(electric, new Today(-10, 100, 25.0, 180, 9, 0, false), seen);
        assertThat(windy.peak_c().because())
                .isEqualTo("its last 2 starts, brought to -10 °C, 100 ft and 9 kt from behind");
        assertThat(windy.peak_c().lowest()).as("2.25 %% of 660 degC").isCloseTo(650 + 0.0225 * 660, within(0.1));
        Past windyThen = new Past(-10, 100, 25.0, 18.0, null, 3.5, 664.85, 30.0, 9.0);
        assertThat(BeforeStart.expected(electric, today(-10, 25.0, 0, false), List.of(windyThen))
                        .peak_c()
                        .median())
                .as("a wind of then is taken out")
                .isCloseTo(650, within(0.1));
    }

    @Test
    void theTimeToIdleIsBroughtToTodaysSupply() {
        StartProfile air = TestProfiles.byHand();
        List<Past> seen = List.of(new Past(15, 0, 260.0, null, null, 2.5, 560.0, 40.0, null));
        assertThat(BeforeStart.expected(air, new Today(15, 0, 260.0, 180, 0, 0, false), seen)
                        .timeToIdle_s()
                        .median())
                .isCloseTo(40, within(1e-9));
        BeforeStart.Range weak = BeforeStart.expected(air, new Today(15, 0, 208.0, 180, 0, 0, false), seen)
                .timeToIdle_s();
        // A fifth less air: 0.8^-0.6
        assertThat(weak.median()).isCloseTo(40 * 1.1433, within(0.01));
        assertThat(weak.because()).isEqualTo("its last one start, brought to 208 kPa at 0 ft");
        assertThat(BeforeStart.expected(air, new Today(15, 0, null, 180, 0, 0, false), seen)
                        .timeToIdle_s()
                        .because())
                .as("a supply that nobody read brings it nowhere")
                .isEqualTo("its last one start, whatever the day");
        BeforeStart.Range onCurrent = BeforeStart.expected(
                        electric, today(15, 23.0, 0, false), List.of(past(15, 18, 700)))
                .timeToIdle_s();
        // From 25.0 V the dip was 18.0; from 23.0 V it will be 16.0: (18 / 16)^0.95
        assertThat(onCurrent.median()).isCloseTo(30 * 1.1184, within(0.01));
        assertThat(onCurrent.because()).isEqualTo("its last one start, brought to a dip of 16.0 V at 15 °C");
    }

    @Test
    void theDipIsBroughtToTodaysBattery() {
        // It fell by 7 V at 25 degC; R grows by 0.9 % for each degC below 25, so that at -15 degC it falls by 1.36 as
        // much.
        Expected cold = BeforeStart.expected(electric, today(-15, 24.5, 0, false), List.of(past(25, 18, 700)));
        assertThat(cold.dip_v().median()).isCloseTo(24.5 - 7 * 1.36, within(0.001));
        assertThat(cold.advice())
                .anyMatch(line -> line.startsWith("Expected dip 15.0 V is under the caution of 16.5 V"));
    }

    @Test
    void theBatteryIsComparedWithANewOneAtOneTemperature() {
        // 8 mOhm new at 25 degC, 9.44 at 5: a fifth more than new, on a warm day and on a cold one.
        List<Past> seen = List.of(resisting(25, 9.6), resisting(5, 1.2 * 8 * 1.18), resisting(15, 1.2 * 8 * 1.09));
        Expected expected = BeforeStart.expected(electric, today(5, 25.0, 0, false), seen);
        assertThat(expected.resistance().ofNew()).isCloseTo(1.2, within(1e-9));
        assertThat(expected.resistance().today_mohm()).isCloseTo(1.2 * 8 * 1.18, within(1e-9));
        assertThat(expected.resistance().starts()).isEqualTo(3);
        Expected fresh = BeforeStart.expected(electric, today(5, 25.0, 0, false), List.of(past(5, 18, 700)));
        assertThat(fresh.resistance()).isNull();
        if (fresh.alone() != null) {
            assertThat(expected.alone().spool_pct())
                    .as("what resists more turns it less")
                    .isLessThan(fresh.alone().spool_pct());
        }
    }

    @Test
    void aStartWithOutsideHelpTellsNothingOfTheBattery() {
        Past onACart = new Past(15, 100, 27.5, 24.9, 2.9, 2.5, 690.0, 33.0, null);
        List<Past> both = List.of(past(15, 18, 700), onACart);
        Expected onBattery = BeforeStart.expected(electric, today(15, 25.0, 0, false), both);
        assertThat(onBattery.resistance()).isNull();
        assertThat(onBattery.dip_v().starts()).isEqualTo(1);
        assertThat(onBattery.dip_v().median()).isCloseTo(18, within(1e-9));
        Expected onGround = BeforeStart.expected(electric, today(15, 27.5, 0, false), both);
        assertThat(onGround.dip_v().median()).isCloseTo(24.9, within(1e-9));
        assertThat(onGround.dip_v().because()).startsWith("its last starts with outside help");
        assertThat(onGround.timeToIdle_s().median())
                .as("a time on the battery tells nothing of one on a cart")
                .isCloseTo(33.0, within(1e-9));
        assertThat(onBattery.timeToIdle_s().median()).isCloseTo(30.0, within(1e-9));
        assertThat(BeforeStart.expected(electric, today(15, 27.5, 0, false), List.of(past(15, 18, 700)))
                        .dip_v())
                .as("what a cart gives is not known before it was seen")
                .isNull();
    }

    private static Past resisting(double oat, double resistance_mohm) {
        return new Past(oat, 100, 25.0, 18.0, resistance_mohm, 3.5, 700.0, 30.0, null);
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
                .containsExactly(
                        "Bus volts 24.1 V are under 24.4 V: charge first or ground power",
                        "Expected dip 16.3 V is under the caution of 16.5 V: warm or charge the battery,"
                                + " or ground power");
        assertThat(BeforeStart.expected(electric, today(15, 23.5, 0, false), List.of())
                        .advice())
                .containsExactly(
                        "Bus volts 23.5 V are under 23.8 V: ground power",
                        "Expected dip 15.7 V is under the caution of 16.5 V: warm or charge the battery,"
                                + " or ground power");
    }

    @Test
    void afterwardsExpectedStandsAgainstGot() {
        Expected expected = BeforeStart.expected(
                electric, today(15, 25.0, 0, false), List.of(past(15, 18, 700), past(15, 18.2, 720)));
        assertThat(ExpectedAndGot.compare(expected, new Got(18.1, 4.3, 760.0, 30.2)))
                .extracting(Comparison::what, Comparison::says)
                .containsExactly(
                        tuple("dip", null),
                        tuple(
                                "to light",
                                "0.8 s later to light than any of the 2 before: igniter, or fuel that comes late?"),
                        tuple(
                                "peak",
                                "40 °C hotter a peak than any of the 2 before: early fuel, wind from behind, supply,"
                                        + " or a compressor that fouls?"),
                        tuple("to idle", null));
        assertThat(ExpectedAndGot.compare(expected, new Got(16.0, 3.0, null, null)))
                .extracting(Comparison::says)
                .containsExactly(
                        "2.0 V deeper a dip than any of the 2 before: charge, cold, or age of the battery?",
                        "0.5 s sooner to light than any of the 2 before");
    }

    @Test
    void whatTheStarterReachesAloneComesFromTodaysSupply() {
        StartProfile jet = TestProfiles.onAir();
        Expected good = BeforeStart.expected(jet, new Today(15, 0, 250.0, 180, 0, 0, false), List.of());
        Expected weak = BeforeStart.expected(jet, new Today(15, 0, 80.0, 180, 0, 0, false), List.of());
        assertThat(good.alone().spool_pct()).isBetween(28.0, 34.0);
        assertThat(good.alone().because()).isEqualTo("on 250 kPa at 0 ft and 15 °C");
        assertThat(weak.alone().spool_pct()).isLessThan(18);
        assertThat(weak.advice()).anyMatch(line -> line.startsWith("The starter alone reaches"));
        assertThat(BeforeStart.expected(jet, new Today(15, 0, null, 180, 0, 0, false), List.of())
                        .alone())
                .isNull();
    }
}
