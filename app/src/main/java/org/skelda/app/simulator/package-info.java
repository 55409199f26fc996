/** The simulated aircraft that stands in for a real one. It uses the same door as any other. */
@NullMarked
package org.skelda.app.simulator;

import org.jspecify.annotations.NullMarked;
