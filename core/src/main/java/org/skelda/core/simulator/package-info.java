/**
 * The controls of the simulated aircraft, where a departure is watched by it. How the aircraft answers them is not the
 * core's.
 */
@NullMarked
package org.skelda.core.simulator;

import org.jspecify.annotations.NullMarked;
