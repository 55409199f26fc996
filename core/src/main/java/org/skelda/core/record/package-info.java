/** A departure as a whole: what it is opened with, how its record is signed, amended or given up. */
@NullMarked
package org.skelda.core.record;

import org.jspecify.annotations.NullMarked;
