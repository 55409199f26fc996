/**
 * Limits on a measured value, and what may be said of a value when readings are missing.
 *
 * <p>The signal is the straight line between readings. Read in this order: {@link org.skelda.core.limit.Limit} (what is
 * allowed), {@link org.skelda.core.limit.Signal} (one value over time, with its gaps),
 * {@link org.skelda.core.limit.DwellWatch} (how long it was beyond), {@link org.skelda.core.limit.Exceedance} (what is
 * reported), {@link org.skelda.core.limit.SlopeWindow} (how fast it changes). Used by the start of an engine and of an
 * APU; which limit applies when is theirs.
 */
@NullMarked
package org.skelda.core.limit;

import org.jspecify.annotations.NullMarked;
