package org.skelda.sim.electrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.ChargeCurve;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.electrics.ChargeWatch;
import org.skelda.core.electrics.Network;
import org.skelda.core.electrics.Network.Bus;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;
import org.skelda.core.electrics.Network.Tie;
import org.skelda.core.electrics.Network.Way;
import org.skelda.core.electrics.PowerNow;
import org.skelda.core.electrics.PowerSample;
import org.skelda.core.electrics.PowerSeen;
import org.skelda.core.start.Switch;

class SimulatedPowerTest {
    private static final long US_PER_S = 1_000_000;
    private static final ChargeRule RULE = new ChargeRule("cycled", 45, Duration.ofSeconds(90), "the type");
    private static final Network TWIN = new Network(
            List.of(
                    new Source("battery-1", "Battery 1", Kind.BATTERY, null, null, "batteries"),
                    new Source("battery-2", "Battery 2", Kind.BATTERY, null, null, "batteries"),
                    new Source("ground", "Ground power", Kind.GROUND, null, "ground-there", "ground-on"),
                    new Source("apu", "APU generator", Kind.APU, null, null, null),
                    new Source("generator-1", "Generator 1", Kind.ENGINE, 1, null, "generator-1-on"),
                    new Source("generator-2", "Generator 2", Kind.ENGINE, 2, null, null)),
            List.of(new Tie("tie", "Tie", "tie-closed"), new Tie("transfer", "Transfer", null)),
            List.of(
                    new Bus("main-1", "Main 1", ways("generator-1", "apu", "ground"), "galley"),
                    new Bus(
                            "main-2",
                            "Main 2",
                            List.of(new Way("generator-2", null), new Way("main-1", "tie")),
                            "pump"),
                    new Bus(
                            "essential",
                            "Essential",
                            List.of(new Way("main-1", null), new Way("main-2", "transfer")),
                            "x"),
                    new Bus("battery-bus", "Battery bus", ways("essential", "battery-1", "battery-2"), "fire warning")),
            "the type");

    private static List<Way> ways(String... from) {
        return List.of(from).stream().map(one -> new Way(one, null)).toList();
    }

    private static SimulatedPower dark() {
        return new SimulatedPower(TWIN, 0);
    }

    private static PowerSample.OfSource read(SimulatedPower power, String source) {
        return power.sample()
                .sources()
                .getOrDefault(source, new PowerSample.OfSource(Switch.UNTOLD, Switch.UNTOLD, -1, -1));
    }

    @Test
    void groundPowerThatIsPluggedInCarriesNothingUntilItIsSwitchedOn() {
        SimulatedPower power = dark();
        assertThat(power.carrier("main-1")).isNull();
        power.move("electrics/ground/there", "on", 1);
        assertThat(power.carrier("main-1")).isNull();
        assertThat(read(power, "ground")).isEqualTo(new PowerSample.OfSource(Switch.ON, Switch.OFF, 28, 0));
        power.move("electrics/ground/on", "on", 2);
        assertThat(power.carrier("main-1")).isEqualTo("ground");
        assertThat(power.isPowered("main-2")).as("the tie is open").isFalse();
        power.move("electrics/tie/closed", "on", 3);
        assertThat(power.carrier("main-2")).isEqualTo("ground");
    }

    @Test
    void groundPowerOfTheWrongKindIsKeptOffTheBuses() {
        for (String wrong : List.of("high", "reversed")) {
            SimulatedPower power = dark();
            power.move("electrics/ground/there", "on", 1);
            power.move("electrics/ground/on", "on", 2);
            power.move("electrics/ground/goes-wrong", wrong, 3);
            assertThat(power.carrier("main-1")).as(wrong).isNull();
            assertThat(Math.abs(read(power, "ground").voltage_V() - 28))
                    .as(wrong)
                    .isGreaterThan(1);
        }
    }

    @Test
    void aBatteryUnderLoadSagsAndAChargedOneFallsUnderItsLimitInTimeAWeakOneDoesNot() {
        SimulatedPower power = dark();
        double alone = read(power, "battery-1").voltage_V();
        power.move("electrics/battery-1/on", "on", 1);
        assertThat(power.carrier("battery-bus")).isEqualTo("battery-1");
        assertThat(read(power, "battery-1").voltage_V()).isLessThan(alone);
        assertThat(read(power, "battery-1").current_A()).isNegative();
        assertThat(charged(false).verdict()).isEqualTo(ChargeCurve.Verdict.GOOD);
        assertThat(charged(true).verdict()).isEqualTo(ChargeCurve.Verdict.LATE);
    }

    /** What a watch makes of a battery's current, ten times a second. */
    private static ChargeCurve charged(boolean weak) {
        SimulatedPower power = dark();
        power.move("electrics/ground/there", "on", 1);
        power.move("electrics/ground/on", "on", 2);
        power.move("electrics/battery-1/goes-wrong", weak ? "weak" : "nothing", 3);
        power.move("electrics/battery-1/on", "on", US_PER_S);
        List<ChargeCurve.Point> kept = new ArrayList<>();
        for (int tenth = 1; tenth <= 1000; tenth++) {
            power.advanceTo(US_PER_S + tenth * US_PER_S / 10);
            ChargeCurve.Point now =
                    new ChargeCurve.Point(tenth / 10.0, read(power, "battery-1").current_A());
            if (ChargeWatch.keeps(RULE, kept, now)) {
                kept.add(now);
            }
        }
        assertThat(kept).as("few of a thousand readings").hasSizeLessThan(14);
        return ChargeCurve.of(RULE, kept);
    }

    @Test
    void fiveHundredRandomHistoriesAreShownAsTheyAreAndAsTheDeskTellsThem() {
        SplittableRandom random = new SplittableRandom(31);
        int told = 0;
        for (int history = 0; history < 500; history++) {
            SimulatedPower power = dark();
            PowerSeen seen = PowerSeen.NOTHING;
            for (int second = 1; second <= 60; second++) {
                any(power, random, second * US_PER_S);
                seen = seen.with(power.sample());
                PowerNow now = new PowerNow(TWIN, _ -> null, Set.of(), null, seen);
                for (Bus bus : TWIN.buses()) {
                    String carrier = power.carrier(bus.id());
                    Network.Fed fed = now.fed().get(bus.id());
                    assertThat(now.isPowered(bus.id())).isEqualTo(power.isPowered(bus.id()));
                    assertThat(fed == null ? null : fed.source()).isEqualTo(carrier);
                    told += carrier == null ? 0 : 1;
                }
                assertThat(now.differences()).isEmpty();
            }
        }
        assertThat(told).isGreaterThan(20_000);
    }

    private static void any(SimulatedPower power, SplittableRandom random, long at_us) {
        String on = random.nextInt(3) > 0 ? "on" : "off";
        switch (random.nextInt(9)) {
            case 0 -> power.move("electrics/battery-1/on", on, at_us);
            case 1 -> power.move("electrics/battery-2/on", on, at_us);
            case 2 -> power.move("electrics/ground/there", on, at_us);
            case 3 -> power.move("electrics/ground/on", on, at_us);
            case 4 -> power.move("electrics/generator-1/on", on, at_us);
            case 5 -> power.move("electrics/tie/closed", on, at_us);
            case 6 -> power.turnedBy(Set.of(1 + random.nextInt(2)), random.nextBoolean(), random.nextBoolean());
            case 7 -> power.turnedBy(Set.of(), false, false);
            default -> power.advanceTo(at_us);
        }
    }

    @Test
    void aControlThatIsNotThereIsRefusedByItsName() {
        assertThatThrownBy(() -> dark().move("electrics/windmill/on", "on", 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("windmill");
        assertThatThrownBy(() -> dark().move("apu/master", "on", 1)).hasMessageContaining("no control");
    }
}
