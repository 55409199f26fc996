/** Pictures and speed of the simulated aircraft: {@link org.skelda.bench.sim.SimulationPictures}. */
package org.skelda.bench.sim;
