package org.skelda.core.start;

/**
 * What happens once in a start, in the order in which it should. Stamped with the time of the sample that first shows
 * it.
 */
public enum Milestone {
    /** Duct pressure at least 12 kPa under its reading at starter on (bleed air). */
    VALVE_OPEN("start valve open"),
    /** Start spool at least 2 %, and 1 % above its lowest since starter on where it still turned then. */
    ROTATION("rotation"),
    /** Oil pressure at least 15 kPa above its lowest since starter on, or at half of its idle minimum. */
    OIL_RISING("oil pressure rising"),
    /** N1 at least 1 %, or propeller at least 30 rpm. */
    FAN_ROTATION("fan turning"),
    /**
     * Starter on, spool at its minimum, temperature low enough, supply at its minimum; only until the fuel comes on.
     */
    FUEL_ALLOWED("fuel allowed"),
    /** The fuel comes on, or was on at starter on with the start spool under its minimum. */
    FUEL_ON("fuel on"),
    /** Temperature at least 30 degC above its lowest since the first fuel on. */
    LIGHT_OFF("light-off"),
    /** The starter goes out after light-off with the fuel on. */
    STARTER_OUT("starter out"),
    /** Spool at idle and steady, temperature under every start limit, fuel on. */
    IDLE("idle");

    private final String words;

    Milestone(String words) {
        this.words = words;
    }

    /** As a crew says it. */
    public String words() {
        return words;
    }
}
