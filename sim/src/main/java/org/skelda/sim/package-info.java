/**
 * A simulated aircraft: the stand-in for a real one. It is deterministic from its seed, steps 50 times a second, and
 * says what a real feed would say. It is a teaching model: its physics is right in direction and plausible in size, and
 * it is no real engine's.
 *
 * <p>Read in this order: {@link org.skelda.sim.Surroundings} and {@link org.skelda.sim.Controls} (what goes in),
 * {@link org.skelda.sim.bleed.AirSupply} and {@link org.skelda.sim.electrics.PowerSupply} (what turns the engine),
 * {@link org.skelda.sim.start.Spool}, {@link org.skelda.sim.start.Combustion},
 * {@link org.skelda.sim.start.SimulatedEngine} (the engine), {@link org.skelda.sim.Failure} (what can be wrong),
 * {@link org.skelda.sim.aircraft.SimulatedStart} (one start by a scripted crew),
 * {@link org.skelda.sim.aircraft.SimulatedAircraft} (engines under somebody's hands,
 * {@link org.skelda.sim.ControlMove}). The engine is scaled from the type's start profile, so that a good start lies
 * where the type's table says; no number of a type is here.
 */
@NullMarked
package org.skelda.sim;

import org.jspecify.annotations.NullMarked;
