/** Who works on the flight deck: people, their seats, and who flies. */
@NullMarked
package org.skelda.core.crew;

import org.jspecify.annotations.NullMarked;
