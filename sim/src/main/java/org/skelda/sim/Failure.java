package org.skelda.sim;

/** What can be wrong with the simulated aircraft. Several may be wrong at once. */
public enum Failure {
    /** The igniters spark, but not where the fuel is. */
    NO_LIGHT_OFF("no light-off"),
    /** The compressor is fouled: less air than the fuel needs. */
    HOT("hot start"),
    /** The control meters too much fuel, and the flow shows it. */
    RICH_CONTROL("too much fuel"),
    /** The control stops adding fuel half-way to idle. */
    HUNG("hung start"),
    /** Fan or propeller does not turn. */
    FAN_SEIZED("no fan rotation"),
    /** The oil pump delivers nothing. */
    NO_OIL_PRESSURE("no oil pressure"),
    /** The air source delivers a third less. */
    WEAK_AIR("weak air"),
    /** The battery is cold inside, old and half charged. */
    WEAK_BATTERY("weak battery"),
    /** The starter stays engaged when its switch goes off. */
    STARTER_STUCK("starter stuck"),
    /** The fuel lever does not stop the fuel; the second means does. */
    LEVER_INEFFECTIVE("fuel lever ineffective"),
    /** Fuel that pooled inside burns on after a cut. */
    INTERNAL_FIRE("internal fire after a cut"),
    /** Nothing arrives any more from some seconds after light-off. */
    FEED_LOST("feed lost"),
    /** Nothing arrives for twelve seconds, from some seconds after light-off. */
    FEED_INTERRUPTED("feed interrupted"),
    /** The temperature sensor keeps saying the same from some seconds after light-off. */
    SENSOR_FROZEN("temperature sensor frozen");

    private final String words;

    Failure(String words) {
        this.words = words;
    }

    /** As an instructor says it. */
    public String words() {
        return words;
    }

    /** Its name in commands: lower case with hyphens. */
    public String code() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
