package org.skelda.core.start;

/** What a finding asks the crew to do. */
public enum Action {
    /** Fuel lever off; then the script after a cut. */
    CUT_FUEL(true),
    /** Starter off. Fuel stays as it is. */
    STOP_STARTER(true),
    /** The start computer should stop the start; after two seconds the crew does. */
    AUTO_STOP(true),
    /** The fuel lever did not stop the fuel: use the second means. */
    SECOND_MEANS(false),
    /** Keep the engine turning on the starter, without fuel. */
    KEEP_TURNING(false),
    /** Know it; nothing is stopped for it. */
    ADVISE(false);

    private final boolean cuts;

    Action(boolean cuts) {
        this.cuts = cuts;
    }

    /** Whether it ends the start. */
    public boolean cuts() {
        return cuts;
    }
}
