/** Clocks: what counts on a departure, whoever started it, a line or a state, in one list and one order. */
@NullMarked
package org.skelda.core.clock;

import org.jspecify.annotations.NullMarked;
