/** The simulated aircraft's APU: its controls, its physics, what goes wrong with it, what its sensors say. */
@NullMarked
package org.skelda.sim.apu;

import org.jspecify.annotations.NullMarked;
