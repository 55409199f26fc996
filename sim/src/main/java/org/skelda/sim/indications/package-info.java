/** The simulated aircraft's warnings: what shows while a test is made, with lamps that can fail. */
@NullMarked
package org.skelda.sim.indications;

import org.jspecify.annotations.NullMarked;
