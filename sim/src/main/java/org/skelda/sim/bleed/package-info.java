/** The simulated air that turns a starter. */
@NullMarked
package org.skelda.sim.bleed;

import org.jspecify.annotations.NullMarked;
