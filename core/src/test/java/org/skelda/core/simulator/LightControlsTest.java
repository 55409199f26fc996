package org.skelda.core.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.indications.Indication;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.indications.TestPhase;

class LightControlsTest {
    private static final Map<String, IndicationTest> TESTS = Map.of(
            "fire",
            new IndicationTest(
                    "fire",
                    "Fire test",
                    "table",
                    List.of(new IndicationGroup(
                            "lamps", "Lamps", List.of(new Indication("one", "Engine 1", Indication.Way.LIGHT)))),
                    List.of(new TestPhase("held", "Held", List.of()))));

    private static String wrong(String control, String position) {
        return LightControls.wrong(new SimulatorAsk.TapControl(control, position), TESTS);
    }

    @ParameterizedTest
    @CsvSource({
        "lamp/one, failed",
        "lamp/one, whole",
        "test/fire, held",
        "test/fire, off",
        "engine-1/fuel, on",
    })
    void whatThereIsCanBeMoved(String control, String position) {
        assertThat(wrong(control, position)).isNull();
    }

    @Test
    void whatThereIsNotIsSaidInASentence() {
        assertThat(wrong("lamp/moon", "failed")).isEqualTo("The simulated aircraft has no lamp 'moon'.");
        assertThat(wrong("lamp/one", "dim")).isEqualTo("A lamp is 'failed' or 'whole', not 'dim'.");
        assertThat(wrong("test/moon", "held")).isEqualTo("The simulated aircraft has no test 'moon'.");
        assertThat(wrong("test/fire", "later")).isEqualTo("The test has no phase 'later'.");
    }
}
