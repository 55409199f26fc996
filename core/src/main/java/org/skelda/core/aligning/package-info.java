/**
 * The inertial units of a departure: what a feed or the crew told of them, what is decided of that, what it means at a
 * time. How a unit aligns is the room {@code alignment}'s.
 */
@NullMarked
package org.skelda.core.aligning;

import org.jspecify.annotations.NullMarked;
