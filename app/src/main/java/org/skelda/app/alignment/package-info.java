/** Inertial units that are read: their readings on the way into the log. */
@NullMarked
package org.skelda.app.alignment;

import org.jspecify.annotations.NullMarked;
