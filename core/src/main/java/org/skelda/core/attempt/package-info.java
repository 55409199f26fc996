/**
 * The attempts to start an engine, as a departure's log tells them: from a feed's readings, or tapped by the crew where
 * nothing reads. How a start is judged is told by {@code start}; here is what is kept of it.
 */
@NullMarked
package org.skelda.core.attempt;

import org.jspecify.annotations.NullMarked;
