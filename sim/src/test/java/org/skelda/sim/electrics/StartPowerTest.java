package org.skelda.sim.electrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Objects;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Surroundings;

/** The bus of an electric start: what is given is what is taken, and nobody gives more than it can. */
class StartPowerTest {
    private static final StartProfile.Supply.Battery BATTERY =
            Objects.requireNonNull(StartProfiles.of("LOMVI-T2").supply().battery());

    private static StartPower cranking(double part, boolean ground, boolean battery, int generators) {
        StartPower power = new StartPower(BATTERY, new Surroundings(25, 0, 0), 2);
        power.motor(1, Double.NaN);
        power.motor(2, part);
        for (int i = 0; i < 200; i++) {
            power.step(ground, battery, generators, false, 0.02);
        }
        return power;
    }

    @Test
    void aNewWarmBatteryDrawsTheTypesCurrentAtStandstillAndDipsAsItsResistanceTells() {
        StartPower power = new StartPower(BATTERY, new Surroundings(25, 0, 0), 2);
        power.motor(1, 0);
        power.motor(2, Double.NaN);
        power.step(false, true, 0, false, 0.02);
        assertThat(power.current_a()).isCloseTo(900 + 20, within(25.0));
        assertThat(power.bus_v()).isCloseTo(25.9 - 920 * 0.0084, within(0.2)).isBetween(17.5, 20.0);
    }

    @Test
    void theDeeperItIsColdTheDeeperItDips() {
        double before = 30;
        for (double soak = 25; soak >= -35; soak -= 10) {
            StartPower power = new StartPower(BATTERY, new Surroundings(15, 0, 0).soaked(soak), 2);
            power.motor(1, 0);
            power.motor(2, Double.NaN);
            power.step(false, true, 0, false, 0.02);
            assertThat(power.bus_v()).isLessThan(before);
            before = power.bus_v();
        }
    }

    @Test
    void whoeverJoinsHelps() {
        double alone = cranking(0.2, false, true, 0).bus_v();
        assertThat(cranking(0.2, false, true, 1).bus_v())
                .as("the running engine's generator")
                .isGreaterThan(alone + 1);
        assertThat(cranking(0.2, true, false, 0).bus_v()).as("ground power").isGreaterThan(alone);
        assertThat(cranking(0.2, true, true, 0).bus_v())
                .as("both")
                .isGreaterThanOrEqualTo(cranking(0.2, true, false, 0).bus_v());
    }

    @Test
    void groundPowerBeginsSoftlyAndWithoutABatteryTheBusDiesWithIt() {
        StartPower power = new StartPower(BATTERY, new Surroundings(25, 0, 0), 2);
        power.motor(1, 0);
        power.motor(2, Double.NaN);
        power.step(true, false, 0, false, 0.02);
        double first_a = power.current_a();
        for (int i = 0; i < 150; i++) {
            power.step(true, false, 0, false, 0.02);
        }
        assertThat(first_a).isLessThan(700);
        assertThat(power.current_a()).isGreaterThan(first_a + 150).isLessThanOrEqualTo(1300);
        power.step(false, false, 0, false, 0.02);
        assertThat(power.bus_v()).isZero();
        assertThat(power.current_a()).isZero();
    }

    /** Whatever carries and whatever draws: no source over its limit, volts between nothing and the strongest. */
    @Test
    void noSourceGivesMoreThanItCan() {
        Random lot = new Random(2);
        for (int i = 0; i < 2000; i++) {
            StartPower power = new StartPower(BATTERY, new Surroundings(-30 + 60 * lot.nextDouble(), 0, 0), 2);
            power.battery(BatteryState.weak(lot.nextDouble()));
            power.motor(1, lot.nextBoolean() ? lot.nextDouble() : Double.NaN);
            power.motor(2, lot.nextBoolean() ? lot.nextDouble() : Double.NaN);
            boolean ground = lot.nextBoolean();
            boolean battery = lot.nextBoolean();
            int generators = lot.nextInt(3);
            power.step(ground, battery, generators, lot.nextBoolean(), 0.02);
            boolean any = ground || battery || generators > 0;
            assertThat(power.bus_v()).isBetween(0.0, 28.4 + 1e-6);
            assertThat(power.bus_v() > 0).isEqualTo(any);
            if (!battery && any) {
                assertThat(power.current_a()).isLessThanOrEqualTo((ground ? 1300 : 0) + 300 * generators + 1e-3);
            }
        }
    }
}
