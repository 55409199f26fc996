package org.skelda.core.apu;

import org.jspecify.annotations.Nullable;
import org.skelda.core.start.Switch;

/**
 * An APU's readings at one moment. NaN, or untold, where there is none.
 *
 * @param at_us microseconds since 1970 on the feed's own clock
 * @param speed_pct of its shaft, %
 * @param temperature_c of its exhaust, degC
 * @param master its master switch
 * @param start whether its start is selected
 * @param ready whether it says that it can be started
 * @param generator whether its generator carries
 * @param bleed whether it gives air
 * @param battery whether the battery that it needs is on
 * @param emergency whether its emergency stop was pressed in this run
 * @param latched whether its fault is latched
 * @param stopped why it stopped itself; null when it did not, or the feed does not tell
 */
public record ApuSample(
        long at_us,
        double speed_pct,
        double temperature_c,
        Switch master,
        Switch start,
        Switch ready,
        Switch generator,
        Switch bleed,
        Switch battery,
        Switch emergency,
        Switch latched,
        @Nullable AutomaticStop stopped) {}
