/** The air for the starters of a departure. */
@NullMarked
package org.skelda.app.bleed;

import org.jspecify.annotations.NullMarked;
