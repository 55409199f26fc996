package org.skelda.core.bleed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelda.core.bleed.AirNetwork.Duct;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.core.bleed.AirNetwork.Taker;
import org.skelda.core.bleed.AirNetwork.Taking;
import org.skelda.core.bleed.AirNetwork.Valve;

class AirNetworkTest {
    private static final Delivery SOME = new Delivery(250, 0.6, 0.001, List.of());

    @Test
    void openValvesJoinDuctsInBothDirections() {
        AirNetwork network = TestAir.network();
        assertThat(network.joined("left", _ -> true)).containsExactly("left", "right");
        assertThat(network.joined("right", _ -> true)).containsExactly("right", "left");
        assertThat(network.joined("right", _ -> false)).containsExactly("right");
    }

    @Test
    void startersSwallowLessTheFasterTheyTurn() {
        AirNetwork network = TestAir.network();
        assertThat(network.left(Stream.of(0.0))).isCloseTo(0.87, within(1e-9));
        assertThat(network.left(Stream.of(0.0, 0.5))).isCloseTo(0.805, within(1e-9));
        assertThat(network.left(Stream.of(1.0))).isEqualTo(1);
    }

    /** More never harms: opening a valve or switching a source on never lowers a pressure, a pack never raises one. */
    @Test
    void morePressureFromMoreSourcesAndLessFromMorePacks() {
        Random lot = new Random(4);
        AirNetwork network = TestAir.network();
        for (int i = 0; i < 5000; i++) {
            double[] gives =
                    lot.doubles(4, 0, 300).map(kpa -> kpa < 100 ? 0 : kpa).toArray();
            boolean open = lot.nextBoolean();
            boolean pack = lot.nextBoolean();
            String duct = lot.nextBoolean() ? "left" : "right";
            double before = pressure(network, duct, gives, open, pack);
            int more = lot.nextInt(4);
            double was = gives[more];
            gives[more] += 50;
            assertThat(pressure(network, duct, gives, open, pack)).isGreaterThanOrEqualTo(before);
            gives[more] = was;
            assertThat(pressure(network, duct, gives, true, false)).isGreaterThanOrEqualTo(before);
            assertThat(pressure(network, duct, gives, open, true)).isLessThanOrEqualTo(before);
        }
    }

    private static double pressure(AirNetwork network, String duct, double[] gives, boolean open, boolean packs) {
        return network.staticIn(duct, one -> gives[network.sources().indexOf(one)], _ -> open, _ -> packs);
    }

    /** The fan speed that is asked for gives the pressure that is wanted, and less does not. */
    @Test
    void theFanSpeedForAPressureIsTheLeastThatGivesIt() {
        Delivery engine = TestAir.network().sources().getLast().delivers();
        Random lot = new Random(5);
        for (int i = 0; i < 5000; i++) {
            double oat_c = -30 + 70 * lot.nextDouble();
            double ft = 8000 * lot.nextDouble();
            double wanted = 100 + 200 * lot.nextDouble();
            double fan = engine.fanFor(wanted, oat_c, ft);
            if (Double.isInfinite(fan)) {
                assertThat(engine.at(oat_c, ft, 100)).isLessThan(wanted);
            } else {
                assertThat(engine.at(oat_c, ft, fan)).isGreaterThan(wanted - 1e-6);
                assertThat(fan == 20 || engine.at(oat_c, ft, fan - 0.1) < wanted)
                        .isTrue();
            }
        }
    }

    @Test
    void whatLeadsNowhereIsRefusedByName() {
        Duct one = new Duct("one", "One", Set.of(1));
        Source lost = new Source("apu", "APU", Kind.APU, null, "two", null, null, SOME);
        assertThatThrownBy(() -> network(List.of(lost), List.of(one), List.of(), List.of()))
                .hasMessage("apu: there is no duct called two");
        assertThatThrownBy(() ->
                        network(List.of(), List.of(one, new Duct("two", "Two", Set.of(1))), List.of(), List.of()))
                .hasMessage("starter 1: it hangs on two ducts");
        assertThatThrownBy(() -> network(
                        List.of(), List.of(one), List.of(new Valve("valve", "Valve", "one", "two", null)), List.of()))
                .hasMessage("valve: there is no duct called two");
        assertThatThrownBy(() -> network(
                        List.of(),
                        List.of(one),
                        List.of(),
                        List.of(new Taker("one", "Pack", Taking.PACK, "one", 0.1, null))))
                .hasMessage("one: there are two of this name");
        assertThatThrownBy(() -> network(
                        List.of(new Source("e", "E", Kind.ENGINE, null, "one", null, null, SOME)),
                        List.of(one),
                        List.of(),
                        List.of()))
                .hasMessage("e: whose engine gives it?");
        assertThatThrownBy(() ->
                        new Delivery(250, 0.6, 0, List.of(new Delivery.ByFan(20, 0.9), new Delivery.ByFan(30, 0.8))))
                .hasMessageContaining("rise");
    }

    private static AirNetwork network(List<Source> sources, List<Duct> ducts, List<Valve> valves, List<Taker> packs) {
        return new AirNetwork(sources, ducts, valves, packs, 0.1, "Test");
    }
}
