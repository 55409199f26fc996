package org.skelda.core.simulator;

import org.skelda.core.log.Fact;

/** What can have happened at the simulated aircraft's controls. */
public sealed interface SimulatorEvent extends Fact {

    /** A control was moved. @param control which, e.g. {@code engine-2/fuel}; @param position to which */
    record ControlTapped(String control, String position) implements SimulatorEvent {}

    @Override
    default String subject() {
        return switch (this) {
            case ControlTapped e -> "control:" + e.control();
        };
    }
}
