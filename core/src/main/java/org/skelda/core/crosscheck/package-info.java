/** The same number in two places: whether they agree, and the slip that would explain it when they do not. */
@NullMarked
package org.skelda.core.crosscheck;

import org.jspecify.annotations.NullMarked;
