/** The inertial units of a departure in its log. */
@NullMarked
package org.skelda.formats.aligning;

import org.jspecify.annotations.NullMarked;
