package org.skelda.core.start;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * How an engine stands now, after an attempt. Times count from that attempt's starter on.
 *
 * @param now the present
 * @param fuel whether the fuel lever is on
 * @param cut when it last went off; null when it did not
 * @param starter whether the starter is on
 * @param starterOn when it last went on; null when it did not
 * @param starterOff when it last went off; null when it did not
 * @param firstOff when the starter first was off after the cut; null when it has not been
 * @param spool_pct start spool, %; null when it is not known
 * @param temperature_c degC; null when it is not known
 * @param flow_kgph kg/h; null when it is not known
 * @param flowStopped whether nothing says that fuel still flows
 */
public record Standing(Duration now, boolean fuel, @Nullable Duration cut, boolean starter, @Nullable Duration starterOn,
        @Nullable Duration starterOff, @Nullable Duration firstOff, @Nullable Double spool_pct, @Nullable Double temperature_c, @Nullable Double flow_kgph,
        boolean flowStopped) {}
