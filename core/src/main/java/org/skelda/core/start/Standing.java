package org.skelda.core.start;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * How an engine stands now.
 *
 * @param fuel whether the fuel is on
 * @param ignition whether ignition is on; null where that is not known
 * @param starter whether the starter is on
 * @param starterFor how long it has been on without a break; zero while it is off
 * @param engaged_pct start spool when the starter last went on, %; null when that is not known
 * @param left what is left to do to clear the engine of its last fuel
 * @param coolest_c coolest temperature read on the starter since the fuel went off, degC; null when none was
 * @param spool_pct start spool, %; null when it is not known
 * @param temperature_c degC; null when it is not known
 * @param flow_kgph kg/h; null when it is not known
 * @param flowStopped whether nothing says that fuel still flows
 */
public record Standing(
        boolean fuel,
        @Nullable Boolean ignition,
        boolean starter,
        Duration starterFor,
        @Nullable Double engaged_pct,
        Clearing.Left left,
        @Nullable Double coolest_c,
        @Nullable Double spool_pct,
        @Nullable Double temperature_c,
        @Nullable Double flow_kgph,
        boolean flowStopped) {}
