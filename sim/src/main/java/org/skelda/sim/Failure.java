package org.skelda.sim;

import java.util.Locale;

/**
 * What can be wrong with the simulated aircraft. Several may be wrong at once, each more or less: see {@link Fault}.
 */
public enum Failure {
    /** The igniters spark, but not where the fuel is. Less of it: it lights late, on fuel that has collected. */
    NO_LIGHT_OFF("no light-off"),
    /** No fuel comes, or less of it. */
    NO_FUEL("no fuel"),
    /** The compressor is fouled: less air than the fuel needs. */
    HOT("hot start"),
    /** The control meters too much fuel, and the flow shows it. */
    RICH_CONTROL("too much fuel"),
    /** The control stops adding fuel on the way to idle. */
    HUNG("hung start"),
    /** The engine still holds the heat of a run before. */
    HOT_RESTART("hot restart"),
    /** Wind blows into the exhaust. */
    TAIL_WIND("wind from behind"),
    /** Fan or propeller does not turn, or drags. */
    FAN_SEIZED("no fan rotation"),
    /** The oil pump delivers nothing, or little. */
    NO_OIL_PRESSURE("no oil pressure"),
    /** The air source delivers less. */
    WEAK_AIR("weak air"),
    /** Packs, or heavy electrical loads, stay on whatever their switch says. */
    PACKS_LEFT_ON("packs or loads left on"),
    /** Anti-ice stays open whatever its switch says. */
    ANTI_ICE_LEFT_ON("anti-ice left on"),
    /** The battery is cold inside, old and half charged. */
    WEAK_BATTERY("weak battery"),
    /** Ground power goes away in mid-start. */
    GROUND_POWER_LOST("ground power lost in mid-start"),
    /** The starter's shaft shears: it turns, and the engine no longer with it. */
    SHEARED_SHAFT("sheared starter shaft"),
    /** The starter stays engaged when its switch goes off. */
    STARTER_STUCK("starter stuck"),
    /** The fuel lever does not stop the fuel; the second means does. */
    LEVER_INEFFECTIVE("fuel lever ineffective"),
    /** The start computer watches, and stops nothing. */
    COMPUTER_STOPS_NOTHING("start computer stops nothing"),
    /** Fuel that pooled inside burns on after a cut. */
    INTERNAL_FIRE("internal fire after a cut"),
    /** Nothing arrives any more from some seconds after light-off. */
    FEED_LOST("feed lost"),
    /** Nothing arrives for twelve seconds, from some seconds after light-off. */
    FEED_INTERRUPTED("feed interrupted"),
    /** The temperature is not read any more from some seconds after light-off. */
    SENSOR_LOST("temperature sensor lost"),
    /** The temperature sensor keeps saying the same from some seconds after light-off. */
    SENSOR_FROZEN("temperature sensor frozen"),
    /** The temperature sensor trembles. */
    SENSOR_NOISY("temperature sensor noisy");

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
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
