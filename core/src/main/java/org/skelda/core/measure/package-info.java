/**
 * A value the crew reads off an instrument, its unit, what is possible, what is allowed, and the margin. Limits that
 * depend on time are not here.
 */
@NullMarked
package org.skelda.core.measure;

import org.jspecify.annotations.NullMarked;
