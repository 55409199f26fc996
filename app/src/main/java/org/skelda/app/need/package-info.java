/** The language in which conditions are written, behind the core's port. */
@NullMarked
package org.skelda.app.need;

import org.jspecify.annotations.NullMarked;
