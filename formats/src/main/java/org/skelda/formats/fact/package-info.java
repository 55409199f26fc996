/** The facts of the day as JSON. */
@NullMarked
package org.skelda.formats.fact;

import org.jspecify.annotations.NullMarked;
