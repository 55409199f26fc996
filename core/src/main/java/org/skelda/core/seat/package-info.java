/**
 * The two seats of a departure: who holds them, in which role, how they change hands. What each seat has to do is told
 * by the lines.
 */
@NullMarked
package org.skelda.core.seat;

import org.jspecify.annotations.NullMarked;
