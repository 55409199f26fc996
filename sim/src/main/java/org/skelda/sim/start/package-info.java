/** The simulated engine: spool, flame, fan and oil. */
@NullMarked
package org.skelda.sim.start;

import org.jspecify.annotations.NullMarked;
