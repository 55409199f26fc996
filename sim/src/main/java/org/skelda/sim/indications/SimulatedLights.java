package org.skelda.sim.indications;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelda.core.indications.IndicationGroup;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.need.Known;
import org.skelda.core.simulator.LightControls;

/** What shows on the simulated aircraft. */
public final class SimulatedLights {
    private SimulatedLights() {}

    /**
     * What is lit, shown or heard now, in the order in which the tests look.
     *
     * @param tests of the type, by id
     * @param controls how the switches stand and which lamps have failed
     * @param state of the aircraft
     */
    public static List<String> showing(Map<String, IndicationTest> tests, LightControls controls, Known state) {
        List<String> showing = new ArrayList<>();
        for (Map.Entry<String, String> pressed : controls.pressed().entrySet()) {
            IndicationTest test = tests.get(pressed.getKey());
            if (test == null) {
                continue;
            }
            for (IndicationGroup group : test.groups()) {
                test.phase(pressed.getValue()).stream()
                        .flatMap(phase -> phase.expected(group, state).stream())
                        .filter(one -> !controls.failed().contains(one) && !showing.contains(one))
                        .forEach(showing::add);
            }
        }
        return showing;
    }
}
