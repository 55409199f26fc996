/** What is known of the day: facts of a departure, given with time and source. */
@NullMarked
package org.skelda.core.fact;

import org.jspecify.annotations.NullMarked;
