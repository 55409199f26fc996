package org.skelda.formats.simulator;

import static org.skelda.formats.log.Fields.text;

import org.skelda.core.simulator.SimulatorEvent;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The simulated aircraft's controls. */
public final class SimulatorCodec implements FactCodec<SimulatorEvent> {
    @Override
    public void write(SimulatorEvent fact, ObjectNode payload) {
        switch (fact) {
            case SimulatorEvent.ControlTapped e ->
                payload.put("control", e.control()).put("position", e.position());
        }
    }

    @Override
    public SimulatorEvent read(String type, JsonNode payload) {
        return switch (type) {
            case "ControlTapped" ->
                new SimulatorEvent.ControlTapped(text(payload, "control"), text(payload, "position"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to controls");
        };
    }
}
