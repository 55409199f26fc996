/** One start beside another, or beside the band of the last ten: on one time axis, which begins with the starter. */
@NullMarked
package org.skelda.core.beside;

import org.jspecify.annotations.NullMarked;
