/** The taxi-out: on one engine too, with the latest moment for the other one's start. */
@NullMarked
package org.skelda.core.taxi;

import org.jspecify.annotations.NullMarked;
