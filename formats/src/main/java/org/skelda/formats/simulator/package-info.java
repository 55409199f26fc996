/** The payloads of what happened at the simulated aircraft's controls. */
@NullMarked
package org.skelda.formats.simulator;

import org.jspecify.annotations.NullMarked;
