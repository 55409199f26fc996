package org.skelda.core.limit;

import java.time.Duration;

/**
 * What is reported of a limit that was exceeded, once for a limit and a watch. Times count from the watch's own zero.
 *
 * @param limit that was exceeded
 * @param from when the longest time beyond began
 * @param dwell how long that was, or has been so far
 * @param exceededAt the first moment at which a time beyond became longer than allowed
 * @param extreme the farthest reading of the whole watch, in the limit's unit
 */
public record Exceedance(Limit limit, Duration from, Duration dwell, Duration exceededAt, double extreme) {}
