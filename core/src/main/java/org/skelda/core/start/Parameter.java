package org.skelda.core.start;

/** What is measured of an engine while it starts. Units are those of {@link Sample}. */
public enum Parameter {
    /** N2 or Ng, %: the spool that the starter turns. */
    SPOOL("start spool"),
    /** N1, %, of a jet; Np, rpm, of a propeller. */
    FAN("fan"),
    /** EGT or ITT, degC. */
    TEMPERATURE("temperature"),
    /** Fuel flow, kg/h. */
    FLOW("fuel flow"),
    /** Oil pressure, kPa. */
    OIL("oil pressure"),
    /** Duct pressure, kPa gauge: what feeds a bleed-air start. */
    DUCT("duct pressure"),
    /** Bus voltage, V: what feeds an electric start. */
    VOLTS("bus volts"),
    /** Bus current, A. */
    AMPERES("bus current");

    private final String words;

    Parameter(String words) {
        this.words = words;
    }

    /** As a crew says it; {@link StartProfile#words} knows the type's own word. */
    String words() {
        return words;
    }
}
