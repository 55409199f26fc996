/**
 * Whether something is needed today: conditions over what is known of a departure. What is not known is never "no"; a
 * condition that cannot be told says what it waits for.
 */
@NullMarked
package org.skelda.core.need;

import org.jspecify.annotations.NullMarked;
