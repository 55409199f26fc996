/**
 * How long the inertial units need before they may be used. The numbers are the type's; only the formula lives here.
 */
@NullMarked
package org.skelda.core.alignment;

import org.jspecify.annotations.NullMarked;
