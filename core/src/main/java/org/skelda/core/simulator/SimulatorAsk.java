package org.skelda.core.simulator;

/** What can be asked of the simulated aircraft. */
public sealed interface SimulatorAsk {

    /** Moves a control. @param control which; @param position to which */
    record TapControl(String control, String position) implements SimulatorAsk {}
}
