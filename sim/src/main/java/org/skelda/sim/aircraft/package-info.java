/**
 * The simulated aircraft as a whole: engines, supply and air stepped together, and a single start from its beginning to
 * its end.
 */
@NullMarked
package org.skelda.sim.aircraft;

import org.jspecify.annotations.NullMarked;
