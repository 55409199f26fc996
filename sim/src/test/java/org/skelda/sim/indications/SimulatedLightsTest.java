package org.skelda.sim.indications;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.skelda.core.indications.Expected;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;
import org.skelda.core.need.Known;
import org.skelda.core.simulator.Controls;
import org.skelda.core.simulator.LightControls;

class SimulatedLightsTest {
    private static final Map<String, IndicationTest> TESTS = Map.of(
            "fire",
            new IndicationTest(
                    "fire",
                    "Fire test",
                    "table",
                    List.of(new IndicationGroup(
                            "lamps",
                            "Lamps",
                            List.of(
                                    new Indication("bell", "Bell", Indication.Way.SOUND),
                                    new Indication("one", "Engine 1", Indication.Way.LIGHT),
                                    new Indication("two", "Engine 2", Indication.Way.LIGHT)))),
                    List.of(
                            new TestPhase(
                                    "held",
                                    "Held",
                                    List.of(
                                            new Expected("bell", null, null),
                                            new Expected("two", null, null),
                                            new Expected("one", null, null))),
                            new TestPhase("released", "Released", List.of()))));

    private static List<String> showing(Map<String, String> pressed, Set<String> failed) {
        return SimulatedLights.showing(TESTS, new LightControls(pressed, failed), Known.NOTHING);
    }

    @Test
    void nothingShowsUntilATestIsPressed() {
        assertThat(showing(Map.of(), Set.of())).isEmpty();
        assertThat(showing(Map.of("fire", "released"), Set.of())).isEmpty();
        assertThat(showing(Map.of("moon", "held"), Set.of())).isEmpty();
    }

    @Test
    void whatThePhaseExpectsShowsInTheOrderOfLookingButForWhatHasFailed() {
        assertThat(showing(Map.of("fire", "held"), Set.of())).containsExactly("bell", "one", "two");
        assertThat(showing(Map.of("fire", "held"), Set.of("one"))).containsExactly("bell", "two");
    }

    @Test
    void theControlsTellWhatIsPressedAndWhatHasFailed() {
        Controls controls = new Controls(Map.of(
                LightControls.test("fire"),
                "held",
                LightControls.test("other"),
                LightControls.LET_GO,
                LightControls.lamp("one"),
                LightControls.FAILED,
                LightControls.lamp("two"),
                LightControls.WHOLE,
                "air",
                "on"));
        assertThat(LightControls.of(controls)).isEqualTo(new LightControls(Map.of("fire", "held"), Set.of("one")));
        assertThat(LightControls.has("lamp/one")).isTrue();
        assertThat(LightControls.has("engine-1/fuel")).isFalse();
    }
}
