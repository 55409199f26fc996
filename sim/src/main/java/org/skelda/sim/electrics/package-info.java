/** The simulated current that turns a starter. */
@NullMarked
package org.skelda.sim.electrics;

import org.jspecify.annotations.NullMarked;
