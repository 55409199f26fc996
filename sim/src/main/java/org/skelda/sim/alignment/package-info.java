/** Simulated inertial units. */
@NullMarked
package org.skelda.sim.alignment;

import org.jspecify.annotations.NullMarked;
