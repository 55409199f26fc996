/**
 * The APU of a departure: what a feed or the crew told of it, what is decided of that, what it means at a time. How an
 * APU behaves is the room {@code apu}'s.
 */
@NullMarked
package org.skelda.core.apurun;

import org.jspecify.annotations.NullMarked;
