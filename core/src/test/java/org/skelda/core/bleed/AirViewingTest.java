package org.skelda.core.bleed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is said of a starter's air before it is engaged: enough, or what is set wrong and by how much it is short. */
class AirViewingTest {
    private static Map<String, @Nullable Boolean> but(String state, @Nullable Boolean is) {
        Map<String, @Nullable Boolean> states = new HashMap<>(TestAir.set());
        states.put(state, is);
        return states;
    }

    private static AirView onApu(Map<String, @Nullable Boolean> states) {
        return TestAir.view(TestAir.now(states, true, Map.of()), null);
    }

    @Test
    void allSetItSaysWhatToExpect() {
        AirView view = onApu(TestAir.set());
        assertThat(view.says()).isEqualTo("APU should give starter 2 270 kPa, 40 over the least");
        assertThat(view.wrong()).isFalse();
        assertThat(view.expected_kpa()).isEqualTo(TestAir.APU_kpa);
        assertThat(view.motoring_pct()).isCloseTo(27, within(1e-9));
        assertThat(view.notes()).isEmpty();
    }

    @Test
    void aClosedValveIsNamed() {
        AirView view = onApu(but("isolation-open", false));
        assertThat(view.says()).isEqualTo("Starter 2 has no air: Isolation valve CLOSED");
        assertThat(view.wrong()).isTrue();
        assertThat(view.from()).isEmpty();
        assertThat(view.motoring_pct()).isNull();
    }

    @Test
    void packsThatAreOnAreNamedWithWhatTheyCost() {
        Map<String, @Nullable Boolean> states = but("pack-1-on", true);
        states.put("pack-2-on", true);
        AirView view = onApu(states);
        assertThat(view.says()).isEqualTo("Starter 2: packs still ON, 39 kPa short");
        assertThat(view.wrong()).isTrue();
        assertThat(view.expected_kpa()).isCloseTo(270 * 0.84 * 0.84, within(1e-9));
    }

    @Test
    void withoutAnySourceItSaysWhatThereIsNot() {
        AirView view = TestAir.view(TestAir.now(TestAir.set(), false, Map.of()), null);
        assertThat(view.says())
                .isEqualTo("Starter 2 has no air: APU gives none, Ground air is not on,"
                        + " engine 1 does not run, engine 2 does not run");
        assertThat(view.wrong()).isTrue();
    }

    @Test
    void whatNobodyToldIsNeverTakenForANo() {
        AirView valve = onApu(but("isolation-open", null));
        assertThat(valve.says()).isEqualTo("Starter 2: whether its air comes through is not known");
        assertThat(valve.wrong()).isFalse();
        assertThat(valve.notes()).containsExactly("Isolation valve: open? Nobody told.");
        AirView apu = TestAir.view(TestAir.now(TestAir.set(), null, Map.of()), null);
        assertThat(apu.says()).contains("whether APU gives air is not known");
        assertThat(apu.wrong()).isFalse();
        assertThat(onApu(but("pack-1-on", null)).notes()).containsExactly("Pack 1: off? Nobody told.");
        AirView air = TestAir.view(
                new AirNow(TestAir.network(), TestAir.set()::get, Map.of(), true, new AirNow.Day(null, 0)), null);
        assertThat(air.expected_kpa()).isNull();
        assertThat(air.says()).contains("how much is told by the outside air");
    }

    @Test
    void aRunningEngineOffersItsAirWithTheThrustItNeeds() {
        AirNow idling = TestAir.now(TestAir.set(), false, Map.of(1, 20.0));
        AirView view = TestAir.view(idling, null);
        assertThat(view.says())
                .isEqualTo("Engine 1 bleed gives starter 2 162 kPa here, 68 short: another source of air");
        // 230 of 270 kPa is 0.852 of rated: 20 + 10 * (0.852 - 0.6) / 0.4 = 26.3 % N1
        assertThat(view.notes())
                .containsExactly("Cross-bleed: engine 1 at 27 % N1 or more, other air sources OFF,"
                        + " and the area behind it clear.");
        AirView raised = TestAir.view(TestAir.now(TestAir.set(), false, Map.of(1, 27.0)), null);
        assertThat(raised.wrong()).isFalse();
        assertThat(raised.expected_kpa()).isGreaterThan(TestAir.LEAST_kpa);
    }

    @Test
    void aCartHasItsCaution() {
        Map<String, @Nullable Boolean> states = but("cart-there", true);
        states.put("cart-on", true);
        AirView view = TestAir.view(TestAir.now(states, false, Map.of()), null);
        assertThat(view.from()).containsExactly("Ground air");
        assertThat(view.notes()).anyMatch(note -> note.contains("people are clear"));
    }

    @Test
    void aPressureThatWasReadCountsBeforeWhatIsExpected() {
        AirNow now = TestAir.now(TestAir.set(), true, Map.of());
        assertThat(TestAir.view(now, 244.0).says()).isEqualTo("Starter 2 has 244 kPa, 14 over the least");
        assertThat(TestAir.view(now, 3.0).says()).contains("has no air").contains("every valve open");
        assertThat(TestAir.view(now, 191.0).says())
                .isEqualTo("Starter 2: 39 kPa short. 2 packs left ON would read 191: look there");
        assertThat(TestAir.view(now, 226.0).says())
                .isEqualTo("Starter 2: 4 kPa short. A pack left ON would read 227: look there");
        assertThat(TestAir.view(now, 206.0).says())
                .isEqualTo("Starter 2: 24 kPa short. Wing anti-ice left ON would read 205: look there");
        assertThat(TestAir.view(now, 150.0).says()).isEqualTo("Starter 2: 80 kPa short: another source of air");
        assertThat(TestAir.view(TestAir.now(but("pack-2-on", true), true, Map.of()), 226.0)
                        .says())
                .isEqualTo("Starter 2: Pack 2 still ON, 4 kPa short");
    }

    @Test
    void thinHotAirGivesLess() {
        Delivery apu = TestAir.network().sources().getFirst().delivers();
        assertThat(apu.at(15, 0)).isEqualTo(270);
        // ICAO Doc 7488: 5,000 ft is 843.1 hPa of 1013.25
        assertThat(StandardAir.delta(5000)).isCloseTo(0.8321, within(1e-4));
        assertThat(apu.at(35, 5000)).isCloseTo(270 * (0.35 + 0.65 * 0.8321) * (1 - 0.0012 * 20), within(0.1));
    }

    @Test
    void aStarterThatIsNotThereIsRefused() {
        assertThatThrownBy(() -> AirViewing.view(
                        TestAir.now(TestAir.set(), true, Map.of()), 3, TestAir.LEAST_kpa, null, kpa -> 0))
                .hasMessageContaining("no starter 3");
    }
}
