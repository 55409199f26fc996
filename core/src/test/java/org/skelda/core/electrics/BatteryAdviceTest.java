package org.skelda.core.electrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.electrics.BatteryAdvice.Judged;
import org.skelda.core.electrics.BatteryAdvice.Kind;

class BatteryAdviceTest {
    // source: the fleet's tables, Lomvi T1 and Havern 2A
    private static final BatteryRule.Dip DIP = new BatteryRule.Dip(7.9, 0.009, 25.9, 900, 16.8, 14.8);
    private static final BatteryRule ENGINE =
            new BatteryRule(BatteryRule.Task.ENGINE_START, 23.9, null, DIP, null, "Lomvi T1");
    private static final BatteryRule APU =
            new BatteryRule(BatteryRule.Task.APU_START, 24.6, Duration.ofMinutes(25), null, null, "Havern 2A");
    /** The worst last. */
    private static final List<Kind> ORDER =
            List.of(Kind.USE, Kind.WARM, Kind.GROUND_POWER, Kind.CHARGE, Kind.MAINTENANCE);

    private static Kind engine(double loaded_v, @Nullable Double battery_c) {
        return BatteryAdvice.of(ENGINE, loaded_v, battery_c).kind();
    }

    @ParameterizedTest
    @CsvSource({
        "25.4, 25, USE", // dips to 18.3 V
        "24.0, 25, USE", // 16.9 V
        "25.4, 0, WARM", // 16.7 V, under the caution of 16.8
        "24.6, -20, WARM",
        "23.95, 5, WARM",
        "23.8, 25, GROUND_POWER",
    })
    void aBatteryForAnEngineIsJudgedByHowFarItWillDip(double loaded_v, double battery_c, Kind expected) {
        double dip_v = DIP.dip_v(loaded_v, battery_c);
        assertThat(engine(loaded_v, battery_c)).as("dips to %.2f V", dip_v).isEqualTo(expected);
    }

    @Test
    void theDipIsTheVoltsLessCurrentTimesResistanceInTheCold() {
        assertThat(DIP.dip_v(25.4, 25)).isCloseTo(18.29, within(1e-9));
        assertThat(DIP.dip_v(25.4, 40))
                .as("warmth above 25 degC helps no further")
                .isCloseTo(18.29, within(1e-9));
        assertThat(DIP.dip_v(25.4, -20)).isCloseTo(25.4 - 900 * 7.9 * 1.405 / 1000, within(1e-9));
        double coldest_c = DIP.coldest_c(25.4, 16.8);
        assertThat(DIP.dip_v(25.4, coldest_c)).isCloseTo(16.8, within(1e-9));
        assertThat(DIP.coldest_c(23.8, 16.8)).isNaN();
    }

    @Test
    void theAdviceNamesItsNumbersWithLimitAndMargin() {
        BatteryAdvice cold = BatteryAdvice.of(ENGINE, 24.6, -20.0);
        assertThat(cold.words())
                .startsWith("It would dip to 14.6 V, under the 14.8 V at which the starter is stopped.")
                .contains("Warm it to ")
                .contains("or ground power");
        assertThat(cold.numbers())
                .containsExactly(
                        new Judged("Loaded volts", 24.6, 23.9, 0.7, "V"),
                        new Judged("Expected dip", 14.61, 16.8, -2.19, "V"),
                        new Judged("Expected dip, to be stopped at", 14.61, 14.8, -0.19, "V"));
        assertThat(cold.source()).isEqualTo("Lomvi T1");
    }

    @Test
    void anAgedBatteryThatNothingMendsGoesToMaintenance() {
        BatteryRule.Dip aged = new BatteryRule.Dip(13.2, 0.009, 25.9, 900, 16.8, 14.8);
        BatteryRule rule = new BatteryRule(BatteryRule.Task.ENGINE_START, 23.9, null, aged, null, "Lomvi T1");
        assertThat(BatteryAdvice.of(rule, 25.4, 20.0).kind()).isEqualTo(Kind.MAINTENANCE);
        BatteryRule.Dip older = new BatteryRule.Dip(10.4, 0.009, 25.9, 900, 16.8, 14.8);
        assertThat(BatteryAdvice.of(
                                new BatteryRule(BatteryRule.Task.ENGINE_START, 23.9, null, older, null, "Lomvi T1"),
                                24.5,
                                25.0)
                        .kind())
                .as("no warmth mends it, another source does")
                .isEqualTo(Kind.GROUND_POWER);
    }

    @Test
    void aBatteryForTheApuIsChargedForItsMinutesAndNeverSaidToBeEnough() {
        BatteryAdvice low = BatteryAdvice.of(APU, 24.2, 10.0);
        assertThat(low.kind()).isEqualTo(Kind.CHARGE);
        assertThat(low.words())
                .isEqualTo("0.4 V under the least to start the APU. Charge it 25 min on external power, then read it "
                        + "again; or ground power.");
        BatteryAdvice good = BatteryAdvice.of(APU, 24.6, null);
        assertThat(good.kind()).isEqualTo(Kind.USE);
        assertThat(good.words()).startsWith("It is charged. Whether that is enough to start the APU");
        BatteryRule without = new BatteryRule(BatteryRule.Task.APU_START, 23.2, null, null, null, "Havern 2M");
        assertThat(BatteryAdvice.of(without, 22.9, null).kind()).isEqualTo(Kind.GROUND_POWER);
    }

    @Test
    void oneThatIsChargedIsToldHowItsCurrentMustFallAndOneThatIsUsedIsNot() {
        ChargeRule rule = new ChargeRule("charge-falls", 45, Duration.ofSeconds(90), "the type");
        assertThat(BatteryAdvice.of(APU, 24.2, null).charging(rule).words())
                .endsWith("Its current must come under 45 A within 90 s of being switched on, and fall.");
        assertThat(BatteryAdvice.of(APU, 24.2, null).charging(null)).isEqualTo(BatteryAdvice.of(APU, 24.2, null));
        assertThat(BatteryAdvice.of(APU, 25.2, null).charging(rule)).isEqualTo(BatteryAdvice.of(APU, 25.2, null));
    }

    @Test
    void whatIsNotKnownDoesNotDecide() {
        assertThat(engine(25.4, null)).isEqualTo(Kind.NOT_DECIDED);
        assertThat(engine(23.0, null)).as("too low is too low in any weather").isEqualTo(Kind.GROUND_POWER);
    }

    /** More volts are never worse, more cold never better; every advice has words, and its numbers agree with it. */
    @Test
    void moreVoltsAreNeverWorseAndMoreColdIsNeverBetter() {
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 20_000; i++) {
            BatteryRule.Dip dip = new BatteryRule.Dip(
                    random.nextDouble(5, 15), random.nextDouble(0, 0.02), 25.9, 900, 16.8, random.nextDouble(10, 16.8));
            BatteryRule rule = new BatteryRule(BatteryRule.Task.ENGINE_START, 23.9, null, dip, null, "table");
            double loaded_v = random.nextDouble(20, 26);
            double battery_c = random.nextDouble(-40, 45);
            BatteryAdvice one = BatteryAdvice.of(rule, loaded_v, battery_c);
            BatteryAdvice more = BatteryAdvice.of(rule, loaded_v + random.nextDouble(3), battery_c);
            BatteryAdvice colder = BatteryAdvice.of(rule, loaded_v, battery_c - random.nextDouble(30));
            // Too few volts are told before anything else is looked at: what the dip would say is not compared.
            if (loaded_v >= rule.min_v()) {
                assertThat(ORDER.indexOf(more.kind())).isLessThanOrEqualTo(ORDER.indexOf(one.kind()));
                assertThat(ORDER.indexOf(colder.kind())).isGreaterThanOrEqualTo(ORDER.indexOf(one.kind()));
            }
            assertThat(one.words()).endsWith(".");
            // What is shown is rounded: a margin of nothing at all says neither.
            if (one.numbers().stream().allMatch(number -> Math.abs(number.margin()) > 0.01)) {
                assertThat(one.numbers().stream().allMatch(number -> number.margin() > 0))
                        .isEqualTo(one.kind() == Kind.USE);
            }
        }
    }

    @Test
    void numbersThatCanNotBeAreRefused() {
        assertThatThrownBy(() -> new BatteryRule.Dip(0, 0, 25.9, 900, 16.8, 14.8))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new BatteryRule.Dip(7.9, 0, 25.9, 900, 14.8, 16.8))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new BatteryRule(BatteryRule.Task.APU_START, 0, null, null, null, "x"))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aWindOnTheTailIsAskedForBesideAndTurnsAGoodBatteryIntoTheWind() {
        BatteryAdvice calm = BatteryAdvice.of(ENGINE, 25.4, 20.0);
        assertThat(calm.kind()).isEqualTo(BatteryAdvice.Kind.USE);
        assertThat(calm.in(null)).isEqualTo(calm);
        BatteryAdvice light = calm.in(new BatteryAdvice.TailWind(8, 8));
        assertThat(light.kind()).isEqualTo(BatteryAdvice.Kind.USE);
        assertThat(light.numbers()).contains(new BatteryAdvice.Judged("Tailwind", 8, 8, 0, "kt"));
        BatteryAdvice strong = calm.in(new BatteryAdvice.TailWind(14, 8));
        assertThat(strong.kind()).isEqualTo(BatteryAdvice.Kind.INTO_WIND);
        assertThat(strong.numbers()).contains(new BatteryAdvice.Judged("Tailwind", 14, 8, -6, "kt"));
        assertThat(strong.words())
                .contains("14 kt of tailwind, 6 over the caution")
                .contains("Turn into the wind");
        BatteryAdvice weak = BatteryAdvice.of(ENGINE, 23.0, 20.0);
        assertThat(weak.in(new BatteryAdvice.TailWind(14, 8)).kind()).isEqualTo(weak.kind());
    }
}
