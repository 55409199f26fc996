package org.skelda.core.simulator;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.feed.Feed;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.LogEntry;
import org.skelda.core.log.Refusal;
import org.skelda.core.procedure.TypeSheet;

/**
 * The simulated aircraft's controls. @param positions the last position of every control that was moved, by its name
 */
public record Controls(Map<String, String> positions) {
    /** Before anything was moved. */
    public static final Controls UNTOUCHED = new Controls(Map.of());

    public Controls {
        positions = Map.copyOf(positions);
    }

    /**
     * The controls are the simulator's; with a real aircraft's feed there are none.
     *
     * @param type what lamps, switches and units there are
     */
    public static Decision<SimulatorEvent> decide(
            SimulatorAsk ask, @Nullable Feed feed, TypeSheet type, Grounds grounds) {
        return switch (ask) {
            case SimulatorAsk.TapControl tap ->
                grounds.seated(() -> {
                    String wrong = feed == null || !feed.simulated()
                            ? "No simulated aircraft is attached; its controls are not here."
                            : wrong(tap, type);
                    return wrong == null
                            ? grounds.accept(new SimulatorEvent.ControlTapped(tap.control(), tap.position()))
                            : Decision.refused(new Refusal.NothingThere(wrong));
                });
        };
    }

    /** Whether a control is of what types differ in: lamps, tests, APU, inertial units, electrics, or how it stood. */
    public static boolean isOfType(String control) {
        return LightControls.has(control)
                || ApuControls.has(control)
                || UnitControls.has(control)
                || PowerControls.has(control)
                || SoakControl.has(control);
    }

    private static @Nullable String wrong(SimulatorAsk.TapControl tap, TypeSheet type) {
        String lights = LightControls.wrong(tap, type.tests());
        if (lights != null) {
            return lights;
        }
        String units = UnitControls.wrong(tap, type.inertial());
        if (units != null) {
            return units;
        }
        String soak = SoakControl.wrong(tap);
        if (soak != null) {
            return soak;
        }
        String power = PowerControls.wrong(tap, type.electrics());
        return power != null ? power : ApuControls.wrong(tap, type.apu() != null);
    }

    /** Folds one entry in. */
    public Controls apply(LogEntry<SimulatorEvent> entry) {
        return switch (entry.event()) {
            case SimulatorEvent.ControlTapped e -> {
                Map<String, String> all = new HashMap<>(positions);
                all.put(e.control(), e.position());
                yield new Controls(all);
            }
        };
    }
}
